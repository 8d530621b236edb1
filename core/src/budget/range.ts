import { normalCumulative } from './normal'

/**
 * Steps of the integral, from −8 to 8 standard deviations. What is summed is smooth and vanishes at both ends: there the plain sum of
 * equal steps converges faster than any rule of higher order, and 80 of them give nine digits.
 */
const STEPS = 80
const REACH = 8

/**
 * The chance that the range of n normal values (largest less smallest) is no larger than w standard deviations:
 * P(W ≤ w) = n ∫ φ(x) [Φ(x + w) − Φ(x)]^(n−1) dx.
 *
 * Source: the distribution of the range, H. L. Harter, Ann. Math. Statist. 31 (1960) 1122 (from memory).
 */
export function rangeCumulative(w: number, n: number): number {
  const density = (x: number) =>
    (n * Math.exp((-x * x) / 2) * (normalCumulative(x + w) - normalCumulative(x)) ** (n - 1)) /
    Math.sqrt(2 * Math.PI)
  const step = (2 * REACH) / STEPS
  let sum = 0
  for (let at = 0; at <= STEPS; at += 1) sum += density(-REACH + at * step)
  return sum * step
}

const known = new Map<number, number>()

/**
 * How far n repeats of one touch may lie apart, in standard deviations of the method: further apart than this they
 * lie once in a thousand times.
 *
 * @param n repeats, 2 or more.
 * @example rangeLimit(5) // 5.48
 */
export function rangeLimit(n: number): number {
  if (!Number.isInteger(n) || n < 2)
    throw new RangeError(`a range takes two values or more, got ${n}`)
  const before = known.get(n)
  if (before !== undefined) return before
  let [low, high] = [0, 2 * REACH]
  for (let halving = 0; halving < 32; halving += 1) {
    const middle = (low + high) / 2
    if (rangeCumulative(middle, n) < COVERED) low = middle
    else high = middle
  }
  known.set(n, high)
  return high
}

const COVERED = 0.999
