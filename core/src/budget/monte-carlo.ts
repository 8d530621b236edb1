/** An input of a model: a normal distribution, in the model's own unit. */
export interface NormalInput {
  readonly mean: number
  readonly standard: number
}

export interface SampledOutput {
  readonly mean: number
  /** Standard deviation of the sample (n − 1). */
  readonly standard: number
}

/**
 * Propagates distributions through a model by sampling (JCGM 101, clause 7): the check of what the
 * linear budget says of circles, corners and angles.
 *
 * @param random a generator from 0 up to 1; it comes from outside, so that a run can be repeated.
 * @returns mean and standard deviation of each output of the model.
 */
export function monteCarlo(
  inputs: readonly NormalInput[],
  model: (values: readonly number[]) => readonly number[],
  trials: number,
  random: () => number,
): readonly SampledOutput[] {
  if (!Number.isInteger(trials) || trials < 2)
    throw new RangeError(`monteCarlo needs two trials or more, got ${trials}`)
  const moments: { mean: number; squares: number }[] = []
  for (let trial = 1; trial <= trials; trial += 1) {
    const outputs = model(inputs.map(({ mean, standard }) => mean + standard * normal(random)))
    outputs.forEach((value, index) => {
      // Welford's update: no digits are lost on large means.
      const moment = (moments[index] ??= { mean: 0, squares: 0 })
      const before = value - moment.mean
      moment.mean += before / trial
      moment.squares += before * (value - moment.mean)
    })
  }
  return moments.map(({ mean, squares }) => ({ mean, standard: Math.sqrt(squares / (trials - 1)) }))
}

/** A standard normal number (G. Box, M. Muller, Ann. Math. Statist. 29, 1958). */
function normal(random: () => number): number {
  const radius = Math.sqrt(-2 * Math.log(1 - random()))
  return radius * Math.cos(2 * Math.PI * random())
}
