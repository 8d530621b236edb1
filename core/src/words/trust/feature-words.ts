import { formatLength } from '../../length/format-length'
import { toNanometres, type LengthUnit, type Nanometres } from '../../length/length'
import type { Verdict } from '../../budget/verdict'
import type { Measured } from '../../facts/bodies/measured'
import type { FarMeasured } from '../../wear/far-measured'
import type { JudgedFeature } from '../../wear/judge-feature'
import { lengthWords, typographic } from '../typographic'
import { writeMm } from '../write-mm'

/** What was measured of a part, as it is called. */
export const FEATURE_NAMES: Readonly<Record<Measured['feature'], string>> = {
  'outside-width': 'width outside',
  'inside-width': 'slot or bore',
  'floor-depth': 'depth of a floor',
  thickness: 'thickness of a calibration block',
}

/** What a feature is called: by the drawing or by its kind, then size and tool. */
export const featureName = ({ name, feature, nominal, tool }: Measured): string =>
  `${name ?? FEATURE_NAMES[feature]} ${lengthWords(nominal)}, T${tool}`

/** A reading of a part that nothing should be corrected by as it stands. */
export function describeFarMeasured(
  { read, deviation, meant }: FarMeasured,
  unit: LengthUnit,
  decimals: number,
): string {
  const off = formatLength(toNanometres(Math.abs(deviation)), unit, decimals)
  const asks = meant === undefined ? 'Is it typed right?' : `Was ${lengthWords(meant)} meant?`
  return `${lengthWords(read)} is ${off} ${unit} off. ${asks} Measure it again before you correct by it.`
}

/** What ISO 14253-1 makes of a feature, and what to do where it makes nothing of it. */
export const VERDICT_WORDS: Readonly<Record<Verdict, string>> = {
  fit: 'Fit',
  undecided: 'Not decided: too near the limit. Measure more often, or with a surer gauge',
  unfit: 'Not fit',
}

/** A feature against its drawing, in a line: `Fit · +0.010 ± 0.007 in ±0.020 mm`. */
export function describeJudged(
  { deviation, expandedMm, limits, verdict }: JudgedFeature,
  unit: LengthUnit,
  decimals: number,
): string {
  const signed = (nm: Nanometres) => {
    const text = typographic(formatLength(nm, unit, decimals))
    return nm > 0 ? `+${text}` : text
  }
  const within =
    limits === undefined
      ? ''
      : limits.lower === 0 - limits.upper
        ? ` in ±${formatLength(limits.upper, unit, decimals)}`
        : ` in ${signed(limits.lower)} to ${signed(limits.upper)}`
  const sure = expandedMm === undefined ? '' : ` ± ${writeMm(expandedMm, unit)}`
  const found = `${signed(deviation)}${sure}${within} ${unit}`
  if (verdict !== undefined) return `${VERDICT_WORDS[verdict]} · ${found}`
  if (limits === undefined) return `${found} from nominal`
  const isInside = deviation >= limits.lower && deviation <= limits.upper
  return `${isInside ? 'Within its limits' : 'Outside its limits'}, not judged: no gauge is named · ${found}`
}
