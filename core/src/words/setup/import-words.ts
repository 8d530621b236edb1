import { PROPERTY_NAMES, TOOL_PROPERTIES } from '../../shop/tool-properties'
import type { ColumnRole } from '../../import-list/columns'
import type { ImportBody, ImportProblem } from '../../import-list/import-rows'
import { IMPORT_FAULTS, type ImportFault } from '../../import-list/read-cell'
import type { ProblemCode } from '../../problem/problem'
import { GAUGE_NAMES, MEASURE_NAMES } from '../trust/gauge-words'
import { describeProblem } from '../trust/problem-words'
import { lengthWords } from '../typographic'
import { GAUGE_FACTS } from '../../touch/gauge-kinds'

const OWN_NAMES = {
  name: 'name',
  holder: 'holder',
  seat: 'seat of the holder',
  stickOut: 'stick-out',
  machine: 'machine',
  pocket: 'pocket',
  unit: 'unit',
  kind: 'kind of gauge',
  size: 'size',
  uncertainty: 'standard uncertainty',
  grade: 'grade by ISO 3650',
  maxSpeed: 'highest rpm',
} as const satisfies Readonly<Partial<Record<ColumnRole, string>>>

/** What a column of an imported list is called. */
export function importColumnName(role: ColumnRole): string {
  if (role in OWN_NAMES) return OWN_NAMES[role as keyof typeof OWN_NAMES]
  return `${TOOL_PROPERTIES[role as keyof typeof TOOL_PROPERTIES].name}, ${role}`
}

type OwnFault = (typeof IMPORT_FAULTS)[number]

const FAULTS: Readonly<Record<OwnFault, string>> = {
  empty: 'Nothing stands here. Fill it in, or delete the row.',
  'too-long': 'Longer than 120 characters. Shorten it.',
  'not-storable':
    'It has a character that could not be read. Save the file as UTF-8, or type it again.',
  'point-and-comma':
    'A point among decimal commas: it could mean a thousand. Write it with one decimal sign.',
  'kind-unknown':
    'No such kind of gauge. Write it as here: height setter, gauge block, gauge pin, edge finder.',
  'grade-unknown': 'Expected K, 0, 1 or 2, for a gauge block only.',
  'seat-unknown': 'Expected “register face” or “taper”.',
  'unit-unknown': 'Expected mm or in.',
  'count-wrong': 'Expected a whole number from 1 to 40.',
  'angle-wrong': 'Expected degrees from 1 to 180.',
  'speed-wrong': 'Expected a whole number of rpm, for an edge finder or a wobbler only.',
  'pocket-wrong': 'Expected the number of a pocket, from 1 to 999.',
  'machine-unknown': 'The shop has no machine of this name. Add it first, or correct the name.',
  'pocket-without-machine': 'A pocket of which machine? Name a column for it, or fill it in.',
  'pocket-in-use':
    'A tool is in this pocket already. Take it out first, or leave the pocket empty here.',
  'pocket-twice': 'Another row of this file has the same pocket.',
  'row-twice': 'Another row of this file says the same. Give each its own name or holder.',
  'known-already':
    'The shop has one of this name already. Change it there: a list overwrites nothing.',
  'cells-beyond': 'It has more cells than the heading. Look for a separator inside a name.',
  'quote-open':
    'A quotation mark is not closed, so what follows could not be read. Close it, or take it out.',
}

const isOwn = (fault: ImportFault): fault is OwnFault => IMPORT_FAULTS.some((one) => one === fault)

/** What is wrong with a row of an imported list, and what to do. */
export function describeImportFault({
  fault,
  text,
}: Pick<ImportProblem, 'fault' | 'text'>): string {
  if (isOwn(fault)) return FAULTS[fault]
  const { message, remedy } = describeProblem({
    code: fault satisfies ProblemCode,
    place: '',
    received: text,
  })
  return `${message} ${SAYS_HOW.has(fault) ? remedy : 'Correct it in the file.'}`
}

/** Lengths whose remedy says how to write them; the others speak of a display. */
const SAYS_HOW: ReadonlySet<ImportFault> = new Set([
  'length-comma',
  'length-fraction',
  'length-unit-unknown',
])

/** A tool or a gauge as it will be entered, in one line, to be compared with its row. */
export function describeImported(body: ImportBody, machineName: (id: string) => string): string {
  if ('kind' in body) {
    const { kind, size, uncertainty, grade, maxSpeed } = body
    return [
      GAUGE_NAMES[kind],
      `${MEASURE_NAMES[GAUGE_FACTS[kind].measure]} ${lengthWords(size)}`,
      ...(uncertainty ? [`standard uncertainty ${lengthWords(uncertainty)}`] : []),
      ...(grade === undefined ? [] : [`grade ${grade}`]),
      ...(maxSpeed === undefined ? [] : [`up to ${maxSpeed} rpm`]),
    ].join(' · ')
  }
  const { holder, stickOut, properties = {}, place } = body
  return [
    ...(holder ? [holder.name] : []),
    ...(stickOut ? [`stick-out ${lengthWords(stickOut)}`] : []),
    ...PROPERTY_NAMES.flatMap((symbol) => {
      const value = properties[symbol]
      if (value === undefined) return []
      return [`${symbol} ${typeof value === 'number' ? String(value) : lengthWords(value)}`]
    }),
    ...(place ? [`pocket ${place.pocket} of ${machineName(place.machine)}`] : []),
  ].join(' · ')
}
