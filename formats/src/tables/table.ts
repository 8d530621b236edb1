/** A column of a table: what it holds, with the unit of its numbers where they have one. */
export interface Column<Row> {
  readonly name: string
  readonly cell: (row: Row) => string | number | undefined
}

/** Rows and columns as text, for a spreadsheet: a header, then one line for each thing. */
export interface Table {
  /** For a file name: `registers`. */
  readonly name: string
  readonly header: readonly string[]
  readonly rows: readonly (readonly string[])[]
}

/** Makes a table of things; what a thing has not is an empty cell. */
export const tableOf = <Row>(
  name: string,
  rows: readonly Row[],
  columns: readonly Column<Row>[],
): Table => ({
  name,
  header: columns.map((column) => column.name),
  rows: rows.map((row) => columns.map(({ cell }) => String(cell(row) ?? ''))),
})
