let state = Number(process.env['SEED'] ?? 1)

/** Numbers from 0 to 1, the same for the same SEED (mulberry32, public domain). */
export function random(): number {
  state = (state + 0x6d2b79f5) | 0
  let mixed = Math.imul(state ^ (state >>> 15), 1 | state)
  mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed
  return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296
}

export const pick = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)]!
