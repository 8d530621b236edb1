export const AXES = ['X', 'Y', 'Z'] as const

export type MachineAxis = (typeof AXES)[number]

/** The work offset rows that every control keeps, and three more that many do. */
export const OFFSET_ROWS = [
  'G54',
  'G55',
  'G56',
  'G57',
  'G58',
  'G59',
  'G59.1',
  'G59.2',
  'G59.3',
] as const

/** A row of the long list that some controls keep beside them. */
export type FurtherRow = `G54.1 P${number}`

export type OffsetRow = (typeof OFFSET_ROWS)[number] | FurtherRow

/** How long that list is taken to be. Common practice, no source. */
export const LAST_FURTHER_ROW = 300

/**
 * Whether a text names a row that a control can have: `G54`, `G59.2`, `G54.1 P7`.
 *
 * @example isOffsetRow('G54.1 P301') // false
 */
export const isOffsetRow = (text: string): text is OffsetRow =>
  (OFFSET_ROWS as readonly string[]).includes(text) ||
  (/^G54\.1 P[1-9]\d{0,2}$/.test(text) && Number(text.slice(7)) <= LAST_FURTHER_ROW)
