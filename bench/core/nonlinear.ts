import { performance } from 'node:perf_hooks'
import { monteCarlo } from '@pine/core/budget'
import { fitCircle, type Point } from '@pine/core/features'
import { levenbergMarquardt } from 'ml-levenberg-marquardt'
import { mean, random as mathRandom, std } from 'mathjs'
import { Chance } from '../../core/test/random'

// Circle fit beside a general least-squares library, and Monte Carlo trials beside the same done with mathjs.
// Run: npx tsx bench/core/nonlinear.ts

function perSecond(work: () => void, milliseconds = 1500): number {
  for (let warm = 0; warm < 3; warm += 1) work()
  const started = performance.now()
  let times = 0
  while (performance.now() - started < milliseconds) {
    work()
    times += 1
  }
  return (times * 1000) / (performance.now() - started)
}

const say = (line: string) => process.stdout.write(`${line}\n`)

const chance = new Chance(1)
const points: readonly Point[] = Array.from({ length: 8 }, (_, index) => {
  const distance = 20 + 0.01 * (chance.next() - 0.5)
  return {
    x: -300 + distance * Math.cos(index * 0.75),
    y: -200 + distance * Math.sin(index * 0.75),
  }
})

const ours = perSecond(() => void fitCircle(points))
const general = perSecond(() => {
  const distance =
    ([x = 0, y = 0, r = 0]: number[]) =>
    (index: number) =>
      Math.hypot((points[index]?.x ?? 0) - x, (points[index]?.y ?? 0) - y) - r
  levenbergMarquardt({ x: points.map((_, index) => index), y: points.map(() => 0) }, distance, {
    initialValues: [-300, -200, 20],
    maxIterations: 20,
    damping: 1e-3,
    centralDifference: true,
  })
})
say(
  `circle through 8 points: ${Math.round(ours)} a second; by a general least-squares library ${Math.round(general)} (${(ours / general).toFixed(1)} times)`,
)

const TRIALS = 2000
const inputs = points.flatMap(({ x, y }) => [
  { mean: x, standard: 0.005 },
  { mean: y, standard: 0.005 },
])
const centreX = (values: readonly number[]) => {
  const fit = fitCircle(
    points.map((_, index) => ({ x: values[2 * index] ?? 0, y: values[2 * index + 1] ?? 0 })),
  )
  return fit.ok ? fit.value.centre.x : NaN
}
const trials =
  TRIALS *
  perSecond(
    () =>
      void monteCarlo(
        inputs,
        (values) => [centreX(values)],
        TRIALS,
        () => chance.next(),
      ),
  )
const trialsByMathjs =
  TRIALS *
  perSecond(() => {
    const sample = Array.from({ length: TRIALS }, () =>
      centreX(
        inputs.map(
          ({ mean: middle, standard }) =>
            middle +
            standard *
              Math.sqrt(-2 * Math.log(1 - mathRandom())) *
              Math.cos(2 * Math.PI * mathRandom()),
        ),
      ),
    )
    void [mean(sample), std(sample)]
  })
say(
  `Monte Carlo of that circle: ${Math.round(trials)} trials a second; sampled and summed up with mathjs ${Math.round(trialsByMathjs)} (${(trials / trialsByMathjs).toFixed(1)} times)`,
)
