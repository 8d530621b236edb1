import type { SheetDifference, TermDifference } from '../../compare/compare-setups'
import type { SetupEvent } from '../../facts/bodies/event'
import type { Moment } from '../../compare/moments'
import { formatLength } from '../../length/format-length'
import {
  toNanometres,
  type LengthUnit,
  type Nanometres,
  type WrittenLength,
} from '../../length/length'
import type { School } from '../../schools/schools'
import type { Gauge } from '../../sheet/gauge'
import { SCHOOL_NAMES } from '../order/way-words'
import { describeRole } from '../term-words'
import { lengthWords, typographic } from '../typographic'
import { describeEvent } from './event-words'

const NONE = 'none'
const size = (length: WrittenLength | undefined) =>
  length === undefined ? NONE : lengthWords(length)

const HELD: Readonly<Record<string, string>> = {
  jaw: 'jaw height',
  parallels: 'parallels',
  sideCut: 'deepest side cut',
}

/** What two set-ups are declared with that differs, in a line. */
export function describeSheetDifference(difference: SheetDifference): string {
  switch (difference.of) {
    case 'machine':
      return `Machine: ${difference.then} → ${difference.now}`
    case 'plane':
      return `Setting plane: ${difference.then} → ${difference.now}`
    case 'school':
      return `Lengths: ${SCHOOL_NAMES[difference.then as School]} → ${SCHOOL_NAMES[difference.now as School]}`
    case 'program':
      return `Program: ${difference.then?.slice(0, 12) ?? NONE} → ${difference.now?.slice(0, 12) ?? NONE}`
    case 'gauge':
      return `${difference.which}: ${size(difference.then)} → ${size(difference.now)}`
    case 'stock':
      return `Stock along ${difference.which}: ${size(difference.then)} → ${size(difference.now)}`
    case 'holding':
      return `Holding, ${HELD[difference.which] ?? difference.which}: ${size(difference.then)} → ${size(difference.now)}`
    case 'tool':
      return difference.then === difference.now
        ? `T${difference.number}: another ${difference.now ?? ''}`
        : `T${difference.number}: ${difference.then ?? NONE} → ${difference.now ?? NONE}`
  }
}

/** A signed number with its plus. */
function signed(nm: Nanometres, unit: LengthUnit, decimals: number): string {
  const text = typographic(formatLength(nm, unit, decimals))
  return nm > 0 ? `+${text}` : text
}

/**
 * By which part a number differs: `machine Z, tip at the touch (T4) −1.600 mm`.
 *
 * @param decimals of the control.
 */
export function describeTermDifference(
  { role, name, then, now }: TermDifference,
  unit: LengthUnit,
  decimals: number,
): string {
  const change = signed(toNanometres((now ?? 0) - (then ?? 0)), unit, decimals)
  const what = `${describeRole(role)} (${partName(name)}) ${change} ${unit}`
  if (then === undefined) return `${what}, new`
  return now === undefined ? `${what}, gone` : what
}

/** A reading is called by its key, `face:G54:left`: its kind is told by its role. */
const partName = (name: string): string => name.replace(/^[a-z-]+:/, '').replace(/:/g, ' ')

/** A moment of a set-up, to be chosen: `Released`, `Before: the machine lost its home`. */
export function describeMoment(
  { fact }: Moment,
  gauges: readonly Pick<Gauge, 'id' | 'name'>[],
): string {
  return fact.kind === 'record'
    ? `Released by ${fact.by.name}`
    : `Before ${describeEvent(fact.body as SetupEvent, gauges)}`
}
