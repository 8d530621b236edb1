import { readLength, type LengthUnit, type ReadLengthOptions } from '@pine/core/length'
import { type Gauge } from '@pine/core/sheet'
import { TURNING_GAUGES, type GaugeKind } from '@pine/core/touch'
import { describeProblem, GAUGE_NAMES } from '@pine/core/words'
import type { FormOutcome } from '@/data/use-kept-form'
import { turnsOf } from './turns'

/** A gauge while it is being declared: numbers as they are typed. */
export interface GaugeDraft {
  readonly kind: GaugeKind
  readonly name: string
  readonly size: string
  readonly unit: LengthUnit
  /** Of a plate: its thickness in X and Y. */
  readonly wall: string
  readonly maxSpeed: string
}

export const newGauge: GaugeDraft = {
  kind: 'height-setter',
  name: '',
  size: '',
  unit: 'mm',
  wall: '',
  maxSpeed: '',
}

/** Whether a kind of gauge turns with the spindle, and has a speed that it bears. */
export const turns = (kind: GaugeKind): boolean => TURNING_GAUGES.includes(kind)

/** The gauge that is declared, or what is wrong with it. Without a name it is called by its size and kind. */
export function gaugeOf(draft: GaugeDraft): FormOutcome<GaugeDraft, Omit<Gauge, 'id'>> {
  const { kind, unit } = draft
  const [name, size, wall] = [draft.name.trim(), draft.size.trim(), draft.wall.trim()]
  const hasWall = kind === 'plate' && wall !== ''
  const sizeProblem = problemOf({ text: size, unit }, { sign: 'positive' })
  const wallProblem = hasWall ? problemOf({ text: wall, unit }, { sign: 'positive' }) : undefined
  if (sizeProblem !== undefined || wallProblem !== undefined)
    return {
      problems: {
        ...(sizeProblem !== undefined && { size: sizeProblem }),
        ...(wallProblem !== undefined && { wall: wallProblem }),
      },
    }
  const maxSpeed = turns(kind) ? turnsOf(draft.maxSpeed) : undefined
  return {
    made: {
      kind,
      name: name === '' ? `${size} ${unit} ${GAUGE_NAMES[kind]}` : name,
      size: { text: size, unit },
      ...(hasWall && { wall: { text: wall, unit } }),
      ...(maxSpeed !== undefined && { maxSpeed }),
    },
  }
}

function problemOf(
  written: Parameters<typeof readLength>[0],
  options: ReadLengthOptions,
): string | undefined {
  const read = readLength(written, options)
  if (read.ok) return undefined
  const { message, remedy } = describeProblem(read.problem)
  return `${message} ${remedy}`
}
