import type { LengthUnit, WrittenLength } from '../length/length'
import { readLength } from '../length/read-length'
import type { ProblemCode } from '../problem/problem'
import { SEATS, type Seat } from '../shop/tool-properties'
import { BLOCK_GRADES, type BlockGrade } from '../touch/gauge-block-limits'
import { GAUGE_KINDS, type GaugeKind } from '../touch/gauge-kinds'
import type { CellKind } from './columns'

/** What can be wrong with a cell or a row; what is wrong with a length is told by its own code. */
export const IMPORT_FAULTS = [
  'empty',
  'too-long',
  'not-storable',
  'point-and-comma',
  'kind-unknown',
  'grade-unknown',
  'seat-unknown',
  'unit-unknown',
  'count-wrong',
  'angle-wrong',
  'speed-wrong',
  'pocket-wrong',
  'machine-unknown',
  'pocket-without-machine',
  'pocket-in-use',
  'pocket-twice',
  'row-twice',
  'known-already',
  'cells-beyond',
  'quote-open',
] as const

export type ImportFault = (typeof IMPORT_FAULTS)[number] | Extract<ProblemCode, `length-${string}`>

/** What a cell came to: a value, or what is wrong with it. */
export type CellRead<Value> = { readonly value: Value } | { readonly fault: ImportFault }

/** How the numbers of a table are written. */
export interface NumberStyle {
  readonly decimal: 'point' | 'comma'
  /** Of a number that says none itself. */
  readonly unit: LengthUnit
}

/** Longest name, as the fields of the shop have it. */
const LONGEST_NAME = 120

/** Tabs, line ends and other signs that no name has; also what stands for a letter that could not be read. */
const NOT_STORABLE = /[\u0000-\u001f\u007f\ufffd]|\p{Surrogate}/u

/** Reads a cell that is a name. */
export function readName(text: string): CellRead<string> {
  const name = text.trim().replace(/[\r\n\t ]+/g, ' ')
  if (name === '') return { fault: 'empty' }
  if (name.length > LONGEST_NAME) return { fault: 'too-long' }
  return NOT_STORABLE.test(name) ? { fault: 'not-storable' } : { value: name }
}

/**
 * Reads a cell that is a length above zero. It is kept as it was written, but for a comma that is the decimal sign of its table:
 * that becomes a point, as everywhere in the product.
 */
export function readLengthCell(text: string, style: NumberStyle): CellRead<WrittenLength> {
  const written = withPoint(text.trim().replace(/\u00a0|\u202f/g, ' '), style)
  if (written === undefined) return { fault: 'point-and-comma' }
  const read = readLength({ text: written, unit: style.unit }, { sign: 'positive' })
  if (!read.ok) return { fault: read.problem.code as ImportFault }
  // Its own unit wins over that of its column, and the text says it no second time.
  return { value: { text: written.replace(/\s*(mm|in|inch|")$/i, ''), unit: read.value.unit } }
}

/** Undefined where a table with decimal commas has a point in a number: it could mean a thousand. */
function withPoint(text: string, { decimal }: NumberStyle): string | undefined {
  if (decimal === 'point') return text
  if (/\d\.\d/.test(text)) return undefined
  return text.replace(',', '.')
}

const WHOLE = /^\d{1,7}$/

/** Reads a whole number within its limits. */
const readWhole = (
  text: string,
  [least, most]: readonly [number, number],
  fault: ImportFault,
): CellRead<number> => {
  const value = WHOLE.test(text.trim()) ? Number(text) : Number.NaN
  return value >= least && value <= most ? { value } : { fault }
}

/** Reads flutes. */
export const readCount = (text: string) => readWhole(text, [1, 40], 'count-wrong')
/** Reads turns a minute. */
export const readSpeed = (text: string) => readWhole(text, [1, 1_000_000], 'speed-wrong')
/** Reads the number of a pocket. */
export const readPocket = (text: string) => readWhole(text, [1, 999], 'pocket-wrong')

/** Reads an angle in degrees, from 1 to 180. */
export function readAngle(text: string, style: NumberStyle): CellRead<number> {
  const written = withPoint(text.trim().replace(/\s*°$/, ''), style) ?? ''
  const value = /^\d{1,3}(\.\d{1,6})?$/.test(written) ? Number(written) : Number.NaN
  return value >= 1 && value <= 180 ? { value } : { fault: 'angle-wrong' }
}

/** What else the kinds of gauges are called; common practice, no source. */
const ALSO_CALLED: Readonly<Partial<Record<GaugeKind, readonly string[]>>> = {
  'height-setter': ['tool setter', 'setter', 'dial height setter'],
  'light-setter': ['electronic setter'],
  'gauge-block': ['gage block', 'block', 'slip gauge'],
  pin: ['gauge pin', 'gage pin'],
  shim: ['shim or feeler', 'feeler', 'feeler gauge'],
  card: ['stiff card'],
  plate: ['contact plate', 'touch plate'],
  cutter: ['end mill'],
  'dial-sensor': ['3d sensor', 'dial 3d sensor'],
  probe: ['electronic probe', 'touch probe'],
  'dial-indicator': ['dial test indicator', 'indicator'],
}

const squeezed = (text: string) =>
  text
    .trim()
    .toLowerCase()
    .replace(/[\s_-]+/g, ' ')

const GAUGE_KIND_CALLED: ReadonlyMap<string, GaugeKind> = new Map(
  GAUGE_KINDS.flatMap((kind) =>
    [squeezed(kind), ...(ALSO_CALLED[kind] ?? [])].flatMap((name) => [
      [name, kind] as const,
      [`${name}s`, kind] as const,
    ]),
  ),
)

/**
 * Reads what kind of gauge it is.
 *
 * @example readGaugeKind('Gauge blocks') // { value: 'gauge-block' }
 */
export function readGaugeKind(text: string): CellRead<GaugeKind> {
  const value = GAUGE_KIND_CALLED.get(squeezed(text))
  return value === undefined ? { fault: 'kind-unknown' } : { value }
}

/** Reads the grade of a gauge block. */
export function readGrade(text: string): CellRead<BlockGrade> {
  const value = BLOCK_GRADES.find((grade) => grade === text.trim().toUpperCase())
  return value === undefined ? { fault: 'grade-unknown' } : { value }
}

/** Reads how a holder sits in the spindle. */
export function readSeat(text: string): CellRead<Seat> {
  const said = squeezed(text)
  const value =
    SEATS.find((seat) => squeezed(seat) === said) ?? (/\bface\b/.test(said) ? SEATS[0] : undefined)
  return value === undefined ? { fault: 'seat-unknown' } : { value }
}

/** Reads the unit of a row. */
export function readUnit(text: string): CellRead<LengthUnit> {
  const said = text.trim().toLowerCase()
  if (said === 'mm') return { value: 'mm' }
  return /^(in|inch|inches|")$/.test(said) ? { value: 'in' } : { fault: 'unit-unknown' }
}

/** Kinds of cells that hold a number of a length: they say which decimal sign a table has. */
export const hasDecimals = (kind: CellKind): boolean => kind === 'length' || kind === 'angle'
