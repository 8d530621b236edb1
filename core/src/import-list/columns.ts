import { TOOL_PROPERTIES, PROPERTY_NAMES, type ToolProperty } from '../shop/tool-properties'

/** The lists that can be imported. */
export const IMPORT_LISTS = ['tools', 'gauges'] as const

export type ImportList = (typeof IMPORT_LISTS)[number]

/** What the cells of a column hold. */
export type CellKind =
  | 'text'
  | 'length'
  | 'count'
  | 'angle'
  | 'speed'
  | 'gauge-kind'
  | 'grade'
  | 'seat'
  | 'machine'
  | 'pocket'
  | 'unit'

/** What a column of a list can be. */
export interface ImportColumn {
  readonly holds: CellKind
  /** Without it nothing can be made of a row. */
  readonly isRequired?: true
  /** Headings that usually stand over it, in small letters and without their unit. */
  readonly headings: readonly string[]
}

const properties = Object.fromEntries(
  PROPERTY_NAMES.map((symbol) => {
    const { name, is } = TOOL_PROPERTIES[symbol]
    return [symbol, { holds: is, headings: [symbol.toLowerCase(), name] }]
  }),
) as unknown as Readonly<Record<ToolProperty, ImportColumn>>

/** Headings from common practice, no source; those of our own exports are among them. */
const called = (column: ImportColumn, ...more: readonly string[]): ImportColumn => ({
  ...column,
  headings: [...column.headings, ...more],
})

/** The columns of a list of tools. */
const TOOL_COLUMNS = {
  name: {
    holds: 'text',
    isRequired: true,
    headings: ['name', 'tool', 'tool name', 'description', 'what it is'],
  },
  holder: { holds: 'text', headings: ['holder', 'tool holder', 'chuck'] },
  seat: { holds: 'seat', headings: ['seat', 'seats by'] },
  stickOut: { holds: 'length', headings: ['stick-out', 'stick out', 'stickout', 'gauge length'] },
  machine: { holds: 'machine', headings: ['machine'] },
  pocket: { holds: 'pocket', headings: ['pocket', 'station', 'magazine', 'changer pocket'] },
  unit: { holds: 'unit', headings: ['unit', 'units'] },
  ...properties,
  DC: called(properties.DC, 'diameter', 'dia', 'cutter diameter'),
  NOF: called(properties.NOF, 'teeth', 'number of flutes', 'no. of flutes'),
  OAL: called(properties.OAL, 'total length'),
  APMX: called(properties.APMX, 'flute length', 'cutting length'),
  DCONMS: called(properties.DCONMS, 'shank'),
} as const satisfies Readonly<Record<string, ImportColumn>>

/** The columns of a list of gauges. */
const GAUGE_COLUMNS = {
  name: { holds: 'text', isRequired: true, headings: ['name', 'gauge', 'gage', 'description'] },
  kind: { holds: 'gauge-kind', isRequired: true, headings: ['kind', 'type', 'kind of gauge'] },
  size: {
    holds: 'length',
    isRequired: true,
    headings: ['size', 'height', 'thickness', 'diameter', 'marked size', 'true size'],
  },
  unit: { holds: 'unit', headings: ['unit', 'units'] },
  uncertainty: { holds: 'length', headings: ['uncertainty', 'standard uncertainty', 'u'] },
  grade: { holds: 'grade', headings: ['grade', 'grade by iso 3650'] },
  maxSpeed: {
    holds: 'speed',
    headings: ['speed', 'highest speed', 'max speed', 'rpm', 'max rpm'],
  },
} as const satisfies Readonly<Record<string, ImportColumn>>

/** What the columns of each list can be, in the order in which they are asked for. */
export const IMPORT_COLUMNS: Readonly<Record<ImportList, Readonly<Record<string, ImportColumn>>>> =
  { tools: TOOL_COLUMNS, gauges: GAUGE_COLUMNS }

/** What a column of a list of tools, or of gauges, can be. */
export type ColumnRole = keyof typeof TOOL_COLUMNS | keyof typeof GAUGE_COLUMNS

/** Which column holds what, from 0. */
export type ImportMapping = Readonly<Partial<Record<ColumnRole, number>>>

/** The columns of a list with their roles. */
export const columnsOfList = (list: ImportList): readonly (readonly [ColumnRole, ImportColumn])[] =>
  Object.entries(IMPORT_COLUMNS[list]) as [ColumnRole, ImportColumn][]
