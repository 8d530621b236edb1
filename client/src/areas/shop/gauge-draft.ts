import { textIn, type LengthUnit } from '@pine/core/length'
import { type Gauge, type Stylus } from '@pine/core/sheet'
import { STYLUS_GAUGES, TURNING_GAUGES, type BlockGrade, type GaugeKind } from '@pine/core/touch'
import { GAUGE_NAMES } from '@pine/core/words'
import type { FormOutcome } from '@/data/device/use-kept-form'
import { lengthProblem } from './length-problem'
import { turnsOf } from './machine/turns'

/** A gauge while it is being declared: numbers as they are typed. */
export interface GaugeDraft {
  readonly kind: GaugeKind
  readonly name: string
  readonly size: string
  /** Whether that is marked or measured, or only about so. */
  readonly known: 'measured' | 'roughly'
  readonly unit: LengthUnit
  /** Of a plate: its thickness in X and Y. */
  readonly wall: string
  readonly maxSpeed: string
  /** Of a cutter that is tapered: half its angle, in degrees. */
  readonly halfAngle: string
  /** Of a gauge block: its grade by ISO 3650. */
  readonly grade: BlockGrade | 'none'
  /** Standard uncertainty of its size, where a certificate says it. */
  readonly uncertainty: string
  /** Of a sensor: what each stylus is called, and how long the sensor is with it. */
  readonly styli: readonly (readonly [name: string, length: string])[]
  /** Why it is declared anew; nobody asks it of a new one. */
  readonly reason: string
}

/** So many styli are asked for. */
export const MOST_STYLI = 4

export const newGauge: GaugeDraft = {
  kind: 'height-setter',
  name: '',
  size: '',
  known: 'measured',
  unit: 'mm',
  wall: '',
  maxSpeed: '',
  halfAngle: '',
  grade: 'none',
  uncertainty: '',
  styli: Array.from({ length: MOST_STYLI }, () => ['', ''] as const),
  reason: '',
}

/** Whether a kind of gauge turns with the spindle, and has a speed that it bears. */
export const turns = (kind: GaugeKind): boolean => TURNING_GAUGES.includes(kind)

/** Whether a kind of gauge takes one stylus or another. */
export const takesStyli = (kind: GaugeKind): boolean => STYLUS_GAUGES.includes(kind)

/** The gauge that is declared, or what is wrong with it. Without a name it is called by its size and kind. */
export function gaugeOf(draft: GaugeDraft): FormOutcome<GaugeDraft, Omit<Gauge, 'id'>> {
  const { kind, unit } = draft
  const [name, size, wall] = [draft.name.trim(), draft.size.trim(), draft.wall.trim()]
  const hasWall = kind === 'plate' && wall !== ''
  const uncertainty = draft.uncertainty.trim()
  const sizeProblem = lengthProblem({ text: size, unit }, { sign: 'positive' })
  const unsureProblem =
    uncertainty === ''
      ? undefined
      : lengthProblem({ text: uncertainty, unit }, { sign: 'positive' })
  const wallProblem = hasWall
    ? lengthProblem({ text: wall, unit }, { sign: 'positive' })
    : undefined
  if (sizeProblem !== undefined || wallProblem !== undefined || unsureProblem !== undefined)
    return {
      problems: {
        ...(sizeProblem !== undefined && { size: sizeProblem }),
        ...(wallProblem !== undefined && { wall: wallProblem }),
        ...(unsureProblem !== undefined && { uncertainty: unsureProblem }),
      },
    }
  const maxSpeed = turns(kind) ? turnsOf(draft.maxSpeed) : undefined
  const angle = draft.halfAngle.trim()
  const halfAngle = kind === 'cutter' && angle !== '' ? Number(angle) : undefined
  if (halfAngle !== undefined && !(halfAngle >= 1 && halfAngle <= 89))
    return {
      problems: {
        halfAngle: 'Type half its angle, from 1 to 89 degrees, or nothing where it is straight.',
      },
    }
  const styli = takesStyli(kind) ? styliOf(draft) : { made: [] }
  if ('problems' in styli) return styli
  return {
    made: {
      kind,
      name: name === '' ? `${size} ${unit} ${GAUGE_NAMES[kind]}` : name,
      size: { text: size, unit },
      ...(draft.known === 'roughly' && { sizeRough: true as const }),
      ...(hasWall && { wall: { text: wall, unit } }),
      ...(maxSpeed !== undefined && { maxSpeed }),
      ...(halfAngle !== undefined && { halfAngle }),
      ...(kind === 'gauge-block' && draft.grade !== 'none' && { grade: draft.grade }),
      ...(uncertainty !== '' && { uncertainty: { text: uncertainty, unit } }),
      ...(styli.made.length > 0 && { styli: styli.made }),
    },
  }
}

/** The styli that were typed, each with its name and the sensor's length with it. */
function styliOf({
  styli,
  unit,
}: GaugeDraft):
  | { readonly made: readonly Stylus[] }
  | Extract<FormOutcome<GaugeDraft, never>, { problems: unknown }> {
  const problems: Partial<Record<`styli.${number}.${0 | 1}`, string>> = {}
  const made: Stylus[] = []
  for (const [index, [typed, long]] of styli.entries()) {
    const [name, text] = [typed.trim(), long.trim()]
    if (name === '' && text === '') continue
    if (name === '') problems[`styli.${index}.0`] = 'Call it what is marked on it.'
    const length = { text, unit }
    const problem = lengthProblem(length, { sign: 'positive' })
    if (problem !== undefined) problems[`styli.${index}.1`] = problem
    made.push({ name, length })
  }
  return Object.keys(problems).length > 0 ? { problems } : { made }
}

/** A gauge that is declared, to be corrected. */
export const gaugeDraft = ({
  kind,
  name,
  size,
  sizeRough,
  wall,
  maxSpeed,
  halfAngle,
  grade,
  uncertainty,
  styli = [],
}: Gauge): GaugeDraft => ({
  kind,
  name,
  size: size.text,
  unit: size.unit,
  known: sizeRough === true ? 'roughly' : 'measured',
  wall: textIn(wall, size.unit),
  maxSpeed: maxSpeed === undefined ? '' : String(maxSpeed),
  halfAngle: halfAngle === undefined ? '' : String(halfAngle),
  grade: grade ?? 'none',
  uncertainty: textIn(uncertainty, size.unit),
  // As many rows as it has, and never fewer than the form of a new one: what is declared is not cut off.
  styli: [
    ...styli.map((stylus) => [stylus.name, textIn(stylus.length, size.unit)] as const),
    ...newGauge.styli.slice(styli.length),
  ],
  reason: '',
})

/** The gauge as it is from now on, and why; what this form does not ask of it stays as it was. */
export function correctedGauge(
  before: Gauge,
  draft: GaugeDraft,
): FormOutcome<GaugeDraft, { readonly gauge: Gauge; readonly reason: string }> {
  const outcome = gaugeOf(draft)
  if ('problems' in outcome) return outcome
  const reason = draft.reason.trim()
  if (reason === '')
    return { problems: { reason: 'Say why: it stays with the change, under your name.' } }
  const { repeatability, foot, footUncertainty } = before
  const kept = {
    ...(repeatability && { repeatability }),
    ...(foot && { foot }),
    ...(footUncertainty && { footUncertainty }),
  }
  return { made: { gauge: { id: before.id, ...kept, ...outcome.made }, reason } }
}
