import type { LengthUnit } from '../length/length'
import { PROPERTY_NAMES, TOOL_PROPERTIES } from '../shop/tool-properties'
import type { GaugeFact, ToolAssembly } from '../shop/bodies'
import { TURNING_GAUGES } from '../touch/gauge-kinds'
import { columnsOfList, type ColumnRole, type ImportList, type ImportMapping } from './columns'
import { unitOfHeading } from './heading'
import {
  hasDecimals,
  readAngle,
  readCount,
  readGaugeKind,
  readGrade,
  readLengthCell,
  readName,
  readPocket,
  readSeat,
  readSpeed,
  readUnit,
  type CellRead,
  type ImportFault,
  type NumberStyle,
} from './read-cell'

/** A line of a table, by the number that a spreadsheet gives it: the heading is row 1. */
export interface ImportRecord {
  readonly row: number
  readonly cells: readonly string[]
}

/** A table as text: its heading, and its lines. */
export interface ImportTable {
  readonly header: readonly string[]
  readonly records: readonly ImportRecord[]
}

/** How a table is to be understood. */
export interface ImportOptions {
  readonly columns: ImportMapping
  /** Of numbers whose cell, row and heading name none. */
  readonly unit: LengthUnit
  readonly decimal: 'point' | 'comma'
  /** Ids of the shop's machines by their names, in small letters. */
  readonly machines: ReadonlyMap<string, string>
  /** The machine of every row, where no column names one. */
  readonly machine?: string | undefined
}

/** One thing that is wrong with a row. */
export interface ImportProblem {
  readonly row: number
  /** Which column, from 0; absent where it is the row as a whole. */
  readonly column?: number
  readonly fault: ImportFault
  /** What stands there. */
  readonly text: string
}

/** What a row comes to: a tool, or a gauge without its id. */
export type ImportBody = ToolAssembly | Omit<GaugeFact, 'id'>

export interface ImportRow {
  readonly row: number
  readonly body: ImportBody
}

/** The rows in which nothing is wrong, and everything that is wrong with the others. */
export interface ImportRead {
  readonly rows: readonly ImportRow[]
  readonly problems: readonly ImportProblem[]
}

/** Columns without which nothing can be made of a row, and that nobody has named. */
export const missingColumns = (list: ImportList, mapping: ImportMapping): readonly ColumnRole[] =>
  columnsOfList(list).flatMap(([role, { isRequired }]) =>
    isRequired === true && mapping[role] === undefined ? [role] : [],
  )

/**
 * The decimal sign of a table: a comma, where numbers of its columns have commas and none has a point. A cell that has both, or
 * the other one, is told as wrong.
 */
export function decimalOf(
  list: ImportList,
  { records }: ImportTable,
  mapping: ImportMapping,
): 'point' | 'comma' {
  const columns = columnsOfList(list).flatMap(([role, { holds }]) =>
    hasDecimals(holds) ? (mapping[role] ?? []) : [],
  )
  const has = (sign: RegExp) =>
    records.some(({ cells }) => columns.some((column) => sign.test(cells[column] ?? '')))
  return has(/\d,\d|^\s*,\d/) && !has(/\d\.\d|^\s*\.\d/) ? 'comma' : 'point'
}

/**
 * Reads every row of a list of tools or gauges, and tells all that is wrong with any in one pass. Nothing is guessed: a row with a
 * fault comes to nothing. Rows with no cell filled are passed over.
 */
export function importRows(
  list: ImportList,
  table: ImportTable,
  options: ImportOptions,
): ImportRead {
  const rows: ImportRow[] = []
  const problems: ImportProblem[] = []
  const before = { rows: new Set<string>(), pockets: new Set<string>() }
  const layout = { columns: table.header.length, units: table.header.map(unitOfHeading) }
  for (const { row, cells } of table.records) {
    if (cells.every((cell) => cell.trim() === '')) continue
    const reader = new RowReader(layout, row, cells, options)
    const body = list === 'tools' ? toolOf(reader) : gaugeOf(reader)
    reader.twice(body, before)
    if (reader.problems.length === 0) rows.push({ row, body })
    else problems.push(...reader.problems)
  }
  return { rows, problems }
}

/** How many columns a heading has, and the unit that it names for each. */
interface Layout {
  readonly columns: number
  readonly units: readonly (LengthUnit | undefined)[]
}

/** Reads the cells of one row by their roles, and keeps what is wrong with them. */
class RowReader {
  readonly problems: ImportProblem[] = []
  private readonly style: NumberStyle

  constructor(
    private readonly layout: Layout,
    private readonly row: number,
    private readonly cells: readonly string[],
    private readonly options: ImportOptions,
  ) {
    const beyond = cells.slice(layout.columns).filter((cell) => cell.trim() !== '')
    if (beyond.length > 0) this.fault('cells-beyond', beyond.join(' '))
    const unit = this.read('unit', readUnit) ?? options.unit
    this.style = { unit, decimal: options.decimal }
  }

  readonly name = (role: ColumnRole) => this.read(role, readName)
  readonly length = (role: ColumnRole) => this.read(role, readLengthCell)
  readonly angle = (role: ColumnRole) => this.read(role, readAngle)

  /** What stands in the column of a role; undefined where nothing does. */
  read<Value>(
    role: ColumnRole,
    reading: (text: string, style: NumberStyle) => CellRead<Value>,
  ): Value | undefined {
    const column = this.options.columns[role]
    const text = column === undefined ? '' : (this.cells[column] ?? '')
    if (column === undefined || text.trim() === '') return undefined
    const unit = this.layout.units[column]
    const read = reading(text, unit === undefined ? this.style : { ...this.style, unit })
    if ('value' in read) return read.value
    this.fault(read.fault, text, column)
    return undefined
  }

  /** The same of what a row must have. */
  required<Value>(role: ColumnRole, value: Value | undefined, otherwise: Value): Value {
    const column = this.options.columns[role]
    if (value !== undefined) return value
    if (!this.problems.some((problem) => problem.column === column)) this.fault('empty', '', column)
    return otherwise
  }

  /** Where the tool is: a pocket of a machine that the shop has. */
  place(): ToolAssembly['place'] {
    const pocket = this.read('pocket', readPocket)
    const named = this.read('machine', (text) => {
      const value = this.options.machines.get(text.trim().toLowerCase())
      return value === undefined ? { fault: 'machine-unknown' } : { value }
    })
    const machine = this.options.columns.machine === undefined ? this.options.machine : named
    if (pocket === undefined) return undefined
    if (machine !== undefined) return { machine, pocket }
    if (this.problems.every(({ fault }) => fault !== 'machine-unknown'))
      this.fault('pocket-without-machine', String(pocket), this.options.columns.pocket)
    return undefined
  }

  fault(fault: ImportFault, text: string, column?: number): void {
    this.problems.push({ row: this.row, fault, text, ...(column !== undefined && { column }) })
  }

  /** Two rows of one list that say the same of the same thing, or put two things into one pocket. */
  twice(
    body: ImportBody,
    before: { readonly rows: Set<string>; readonly pockets: Set<string> },
  ): void {
    // A row without a name is told as that alone.
    if (body.name === '') return
    const identity = identityOf(body)
    if (before.rows.has(identity)) this.fault('row-twice', body.name)
    before.rows.add(identity)
    const pocket = pocketOf(body)
    if (pocket === undefined) return
    if (before.pockets.has(pocket) && !this.problems.some(({ fault }) => fault === 'row-twice'))
      this.fault('pocket-twice', pocket.split('/')[1] ?? '', this.options.columns.pocket)
    before.pockets.add(pocket)
  }
}

const NO_LENGTH = { text: '', unit: 'mm' } as const

function toolOf(reader: RowReader): ToolAssembly {
  const name = reader.required('name', reader.name('name'), '')
  const holder = reader.name('holder')
  const seat = reader.read('seat', readSeat)
  const stickOut = reader.length('stickOut')
  const properties = Object.fromEntries(
    PROPERTY_NAMES.flatMap((symbol) => {
      const { is } = TOOL_PROPERTIES[symbol]
      const value =
        is === 'length'
          ? reader.length(symbol)
          : is === 'count'
            ? reader.read(symbol, readCount)
            : reader.angle(symbol)
      return value === undefined ? [] : [[symbol, value]]
    }),
  ) as NonNullable<ToolAssembly['properties']>
  const place = reader.place()
  return {
    name,
    ...(holder !== undefined && { holder: { name: holder, ...(seat && { seat }) } }),
    ...(stickOut && { stickOut }),
    ...(Object.keys(properties).length > 0 && { properties }),
    ...(place && { place }),
  }
}

function gaugeOf(reader: RowReader): Omit<GaugeFact, 'id'> {
  const kind = reader.required('kind', reader.read('kind', readGaugeKind), 'gauge-block')
  const uncertainty = reader.length('uncertainty')
  const grade = reader.read('grade', (text) =>
    kind === 'gauge-block' ? readGrade(text) : { fault: 'grade-unknown' },
  )
  const maxSpeed = reader.read('maxSpeed', (text) =>
    TURNING_GAUGES.includes(kind) ? readSpeed(text) : { fault: 'speed-wrong' },
  )
  return {
    kind,
    name: reader.required('name', reader.name('name'), ''),
    size: reader.required('size', reader.length('size'), NO_LENGTH),
    ...(uncertainty && { uncertainty }),
    ...(grade && { grade }),
    ...(maxSpeed !== undefined && { maxSpeed }),
  }
}

/** What makes a tool or a gauge of a list that one: a tool by its name, its holder and its place, a gauge by its name. */
export function identityOf(body: ImportBody): string {
  if ('kind' in body) return body.name.toLowerCase()
  return [body.name, body.holder?.name ?? '', pocketOf(body) ?? ''].join('\n').toLowerCase()
}

/** The pocket of a tool, with its machine; undefined of what is in none. */
export const pocketOf = (body: ImportBody): string | undefined =>
  'place' in body && body.place !== undefined
    ? `${body.place.machine}/${body.place.pocket}`
    : undefined

/** What the shop has already: by identity, and its pockets in use. */
export interface AlreadyThere {
  readonly identities: ReadonlySet<string>
  readonly pockets: ReadonlySet<string>
}

/** Takes out what the shop has already: an import overwrites nothing, and puts nothing into a pocket that is in use. */
export function withoutKnown(
  { rows, problems }: ImportRead,
  { identities, pockets }: AlreadyThere,
): ImportRead {
  const known = (body: ImportBody): ImportFault | undefined => {
    if (identities.has(identityOf(body))) return 'known-already'
    const pocket = pocketOf(body)
    return pocket !== undefined && pockets.has(pocket) ? 'pocket-in-use' : undefined
  }
  return {
    rows: rows.filter(({ body }) => known(body) === undefined),
    problems: [
      ...problems,
      ...rows.flatMap(({ row, body }) => {
        const fault = known(body)
        const text = fault === 'pocket-in-use' ? (pocketOf(body)?.split('/')[1] ?? '') : body.name
        return fault === undefined ? [] : [{ row, fault, text }]
      }),
    ].toSorted((one, other) => one.row - other.row),
  }
}
