import Papa from 'papaparse'
import type { ImportProblem, ImportTable } from '@pine/core/import-list'
import { decodeTable, type NotATable, type TableEncoding } from './decode-table'

/** More rows than any shop has tools; what has more was not meant. */
export const MOST_ROWS = 100_000

/** A table as it was found in a file. */
export interface TableFile {
  readonly encoding: TableEncoding
  readonly delimiter: string
  readonly table: ImportTable
  /** What is wrong with the file itself, by row. */
  readonly problems: readonly ImportProblem[]
}

/**
 * Reads a table of text: commas, semicolons, tabs or bars, quoted by RFC 4180 or not at all, with any line ends. Its first row is its
 * heading, unless that has a number in it: then its columns are called `Column 1` and on.
 */
export function readTable(bytes: Uint8Array): TableFile | { readonly refused: NotATable } {
  const decoded = decodeTable(bytes)
  if ('refused' in decoded) return decoded
  const { data, errors, meta } = Papa.parse<string[]>(decoded.text, {
    delimiter: delimiterOf(decoded.text),
    preview: MOST_ROWS + 2,
  })
  const [first = []] = data
  if (data.length > MOST_ROWS + 1) return { refused: 'too-many-rows' }
  const hasHeading = !first.some((cell) => /^\s*[+-]?\d+(?:[.,]\d+)?\s*$/.test(cell))
  const records = data.map((cells, index) => ({ row: index + 1, cells })).slice(hasHeading ? 1 : 0)
  if (records.every(({ cells }) => cells.every((cell) => cell.trim() === '')))
    return { refused: 'no-rows' }
  const header = hasHeading
    ? first.map((cell) => cell.trim())
    : first.map((_, index) => `Column ${index + 1}`)
  return {
    encoding: decoded.encoding,
    delimiter: meta.delimiter,
    table: { header, records },
    problems: [
      ...new Set(errors.flatMap(({ type, row }) => (type === 'Quotes' ? [(row ?? 0) + 1] : []))),
    ].map((row) => ({ row, fault: 'quote-open', text: '' })),
  }
}

/** What separates the cells: of the usual separators, the one that makes most columns of the first row. */
function delimiterOf(text: string): string {
  const columns = (delimiter: string) =>
    Papa.parse<string[]>(text, { delimiter, preview: 1 }).data[0]?.length ?? 0
  return DELIMITERS.reduce((best, one) => (columns(one) > columns(best) ? one : best))
}

const DELIMITERS = [';', '\t', ',', '|'] as const
