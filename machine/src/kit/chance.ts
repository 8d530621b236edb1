/** A small seeded generator (mulberry32, public domain): the same seed tells the same story. */
export class Chance {
  constructor(private state: number) {}

  /** From 0 up to 1. */
  next(): number {
    this.state = (this.state + 0x6d2b79f5) | 0
    let mixed = Math.imul(this.state ^ (this.state >>> 15), 1 | this.state)
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296
  }

  between(from: number, to: number): number {
    return from + this.next() * (to - from)
  }

  /** Normally spread about zero (Box and Muller, 1958). */
  normal(sigma: number): number {
    const radius = Math.sqrt(-2 * Math.log(1 - this.next()))
    return sigma * radius * Math.cos(2 * Math.PI * this.next())
  }
}
