/**
 * Quantile of Student's t for two-sided coverage.
 *
 * Found by bisection on the cumulative distribution, which is the regularised incomplete beta
 * function (Abramowitz & Stegun 26.5.8, 26.7.1); relative error below 1e-9 up to 1e5
 * degrees of freedom, below 1e-6 beyond. JCGM 100, table G.2.
 *
 * @param coverage between 0 and 1, such as 0.95.
 * @param degreesOfFreedom 1 or more; Infinity gives the normal quantile.
 * @example studentT(0.95, 19) // 2.093
 */
export function studentT(coverage: number, degreesOfFreedom: number): number {
  if (!(coverage > 0 && coverage < 1))
    throw new RangeError(`coverage lies between 0 and 1, got ${coverage}`)
  if (!(degreesOfFreedom >= 1))
    throw new RangeError(`degrees of freedom are 1 or more, got ${degreesOfFreedom}`)
  // From here on t and the normal quantile agree to seven digits, and the series would lose more.
  const freedom = Math.min(degreesOfFreedom, 1e7)
  let [low, high] = [0, 1]
  while (twoSided(high, freedom) < coverage) high *= 2
  for (let step = 0; step < 200 && high - low > 1e-14 * high; step += 1) {
    const middle = (low + high) / 2
    if (twoSided(middle, freedom) < coverage) low = middle
    else high = middle
  }
  return (low + high) / 2
}

/** Probability that |t| stays below a value. */
function twoSided(t: number, freedom: number): number {
  return 1 - incompleteBeta(freedom / (freedom + t * t), freedom / 2, 0.5)
}

/** Regularised incomplete beta function by its continued fraction (A&S 26.5.8), evaluated by Lentz. */
function incompleteBeta(x: number, a: number, b: number): number {
  if (x <= 0) return 0
  if (x >= 1) return 1
  // The fraction converges fast only on this side of the mean; the other side by symmetry.
  if (x > (a + 1) / (a + b + 2)) return 1 - incompleteBeta(1 - x, b, a)
  const front = Math.exp(a * Math.log(x) + b * Math.log1p(-x) - logBeta(a, b)) / a
  let [c, d] = [1, 1 / nonZero(1 - ((a + b) * x) / (a + 1))]
  let fraction = d
  for (let m = 1; m <= 10_000; m += 1) {
    const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m))
    d = 1 / nonZero(1 + even * d)
    c = nonZero(1 + even / c)
    fraction *= c * d
    const odd = (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1))
    d = 1 / nonZero(1 + odd * d)
    c = nonZero(1 + odd / c)
    fraction *= c * d
    if (Math.abs(c * d - 1) < 1e-15) break
  }
  return front * fraction
}

const nonZero = (value: number): number => (Math.abs(value) < 1e-300 ? 1e-300 : value)

/** ln B(a, b). For a large a the direct difference of gammas would lose its digits: Stirling's series of the ratio. */
function logBeta(a: number, b: number): number {
  if (a < 1e5) return logGamma(a) + logGamma(b) - logGamma(a + b)
  const s = a + b
  const ratio = (a - 0.5) * Math.log(a / s) - b * Math.log(s) + b + 1 / (12 * a) - 1 / (12 * s)
  return logGamma(b) + ratio
}

/** ln Γ(x) by Lanczos' approximation with g = 7 and nine coefficients (P. Godfrey, 2001); 15 digits. */
function logGamma(x: number): number {
  if (x < 0.5) return Math.log(Math.PI / Math.sin(Math.PI * x)) - logGamma(1 - x)
  const shifted = x - 1
  const sum = LANCZOS.slice(1).reduce(
    (total, coefficient, index) => total + coefficient / (shifted + index + 1),
    LANCZOS[0] ?? 0,
  )
  const t = shifted + 7.5
  return 0.5 * Math.log(2 * Math.PI) + (shifted + 0.5) * Math.log(t) - t + Math.log(sum)
}

const LANCZOS = [
  0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313,
  -176.61502916214059, 12.507343278686905, -0.13857109526572012, 9.9843695780195716e-6,
  1.5056327351493116e-7,
]
