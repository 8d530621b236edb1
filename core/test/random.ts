const { process: host } = globalThis as {
  readonly process?: { readonly env: Readonly<Record<string, string | undefined>> }
}

/**
 * How many cases a random test makes: all of them, or the share of them that scripts/mutants.mjs asks for, which runs the
 * tests once for every small change.
 */
export const trials = (all: number): number =>
  Math.max(1, Math.round(all * Number(host?.env['PINE_TRIALS'] ?? 1)))

/** A small seeded generator (mulberry32): the same seed tells the same story. */
export class Chance {
  constructor(private state: number) {}

  /** From 0 up to 1. */
  next(): number {
    this.state = (this.state + 0x6d2b79f5) | 0
    let mixed = Math.imul(this.state ^ (this.state >>> 15), 1 | this.state)
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296
  }

  whole(from: number, to: number): number {
    return from + Math.floor(this.next() * (to - from + 1))
  }

  /** Whole micrometres as nanometres, so that every reading can be written in millimetres. */
  micrometres(from: number, to: number): number {
    return this.whole(from, to) * 1000
  }

  of<T>(choices: readonly T[]): T {
    if (choices.length === 0) throw new Error('nothing to choose from')
    return choices[this.whole(0, choices.length - 1)] as T
  }
}
