import Papa from 'papaparse'
import type { Table } from '../tables/table'

/**
 * What a spreadsheet would take for a formula: it is written with an apostrophe before it. A number with its sign is none.
 * Source: OWASP, CSV Injection (from memory).
 */
const LIKE_A_FORMULA = /^[=@\t\r]|^[+-](?![\d.]+$)/

/**
 * A table as CSV by RFC 4180: commas, CRLF, quotes where they are needed. It begins with the mark of UTF-8, by which spreadsheets
 * tell it from their own encoding.
 */
export function writeCsv({ header, rows }: Table): string {
  const text = Papa.unparse(
    { fields: [...header], data: rows.map((row) => [...row]) },
    { newline: '\r\n', escapeFormulae: LIKE_A_FORMULA },
  )
  return `\uFEFF${text}\r\n`
}
