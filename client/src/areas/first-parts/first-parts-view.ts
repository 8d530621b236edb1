import { NANOMETRES_PER, type LengthUnit } from '@pine/core/length'
import { featuresOverTime, type FeatureOverTime, type FirstPart } from '@pine/core/shop'
import { describeDay, describeJudged, featureName, VERDICT_WORDS } from '@pine/core/words'

/** A feature of a job's parts as its card shows it, in the unit of the set-up. */
export interface FeatureCard {
  readonly name: string
  /** The youngest first. */
  readonly rows: readonly {
    readonly key: string
    readonly on: string
    readonly by: string
    readonly words: string
    readonly isWrong: boolean
  }[]
  /** Undefined with fewer than two. */
  readonly chart?: {
    readonly points: readonly { readonly on: string; readonly off: number }[]
    readonly limits?: { readonly lower: number; readonly upper: number }
    readonly mean: number
    readonly lower: number
    readonly upper: number
    readonly reach: number
    readonly text: string
  }
}

/** A little air above and below what is drawn. */
const AIR = 1.15

/** What was measured of a job's parts, feature by feature. */
export const firstPartsView = (
  parts: readonly FirstPart[],
  unit: LengthUnit,
  decimals: number,
): readonly FeatureCard[] =>
  featuresOverTime(parts).map((feature) => ({
    name: featureName(feature.last),
    rows: feature.points
      .map(({ setup, at, by, judged }) => ({
        key: `${setup} ${at}`,
        on: describeDay(at),
        by,
        words: describeJudged(judged, unit, decimals),
        isWrong: judged.verdict === 'unfit',
      }))
      .toReversed(),
    ...chartOf(feature, unit),
  }))

function chartOf({ points, chart }: FeatureOverTime, unit: LengthUnit): Pick<FeatureCard, 'chart'> {
  if (chart === undefined) return {}
  const inUnit = (nm: number) => nm / NANOMETRES_PER[unit]
  const ofMm = (mm: number) => inUnit(mm * NANOMETRES_PER.mm)
  const limits = points.at(-1)?.judged.limits
  const drawn = points.map(({ at, judged }) => ({
    on: at.slice(5, 10),
    off: inUnit(judged.deviation),
  }))
  const farthest = [
    ...drawn.map(({ off }) => Math.abs(off)),
    ...(limits ? [Math.abs(inUnit(limits.lower)), Math.abs(inUnit(limits.upper))] : []),
  ]
  const outside = points.filter(({ judged }) => judged.verdict === 'unfit').length
  return {
    chart: {
      points: drawn,
      ...(limits && { limits: { lower: inUnit(limits.lower), upper: inUnit(limits.upper) } }),
      ...{ mean: ofMm(chart.mean), lower: ofMm(chart.lower), upper: ofMm(chart.upper) },
      reach: AIR * Math.max(...farthest, Number.EPSILON),
      text: `${points.length} times measured, ${outside} of them ${VERDICT_WORDS.unfit.toLowerCase()}.`,
    },
  }
}
