/**
 * The standard normal distribution: the chance of a value no larger than x.
 *
 * By the continued fraction of the tail beyond 3, by its series below (Abramowitz & Stegun 26.2.11 and 26.2.14);
 * error below 1e-10.
 *
 * @example normalCumulative(1.96) // 0.975
 */
export function normalCumulative(x: number): number {
  if (x < 0) return 1 - normalCumulative(-x)
  const density = Math.exp((-x * x) / 2) / Math.sqrt(2 * Math.PI)
  if (x > 3) {
    let tail = 0
    for (let term = 40; term >= 1; term -= 1) tail = term / (x + tail)
    return 1 - density / (x + tail)
  }
  let [sum, part] = [x, x]
  for (let odd = 3; Math.abs(part) > 1e-16; odd += 2) {
    part *= (x * x) / odd
    sum += part
  }
  return 0.5 + density * sum
}
