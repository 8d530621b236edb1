import { diameterAddress, lengthAddress, offsetAddress } from '../address/address'
import { AXES } from '../address/row'
import type { LengthUnit } from '../length/length'
import { FoundRows, rowCalled, type OffsetText } from './read-offset-text'

/** Which column of a table holds what, from 0. */
export type ColumnMapping =
  | {
      readonly of: 'tools'
      readonly register: number
      readonly length?: number
      readonly diameter?: number
    }
  | {
      readonly of: 'offsets'
      readonly row: number
      readonly X?: number
      readonly Y?: number
      readonly Z?: number
    }

/**
 * The cells of a line: separated by tabs, bars or semicolons; by commas where its decimals are points; or else by spaces.
 *
 * @example columnsOf('G54;-352.300;') // ['G54', '-352.300', '']
 * @example columnsOf('G54,-352.300,-255.000') // ['G54', '-352.300', '-255.000']
 */
export function columnsOf(line: string): readonly string[] {
  const cells = /[\t|;]/.test(line)
    ? line.split(/[\t|;]/)
    : BESIDE_A_POINT.test(line)
      ? line.split(',')
      : line.trim().split(/\s+/)
  // A spreadsheet may have quoted each of them.
  return cells.map((cell) => cell.trim().replace(/^"(.*)"$/, '$1'))
}

/** A comma beside a number with a point separates; any other may be a decimal sign. */
const BESIDE_A_POINT = /,\s*[+-]?\d*\.\d|\.\d+\s*,/

/** A number whose decimal sign is a comma. */
const WITH_COMMA = /^([+\-\u2212]?\d*),(\d+)$/

/**
 * Reads a table whose columns somebody has named. Lines whose first column names no row (a heading, a rule between) are told
 * where they hold numbers, and passed over where they hold none.
 *
 * @param unit of all its numbers.
 */
export function readOffsetColumns(
  text: string,
  unit: LengthUnit,
  mapping: ColumnMapping,
): OffsetText {
  const found = new FoundRows()
  // Where one number has a point, a comma in another could mean a thousand: that one is told.
  const hasPoints = /\d\.\d/.test(text)
  text.split(/\r\n|\n|\r/).forEach((line, index) => {
    const cells = columnsOf(line)
    const cell = (column: number | undefined) => {
      const written = column === undefined ? '' : (cells[column] ?? '')
      return hasPoints ? written : written.replace(WITH_COMMA, '$1.$2')
    }
    const add = (address: Parameters<FoundRows['add']>[0], column: number | undefined) => {
      if (cell(column) !== '') found.add(address, cell(column), unit, index + 1)
    }
    if (mapping.of === 'tools') {
      const [, digits] = /^[HDT]?0*(\d{1,3})$/i.exec(cell(mapping.register)) ?? []
      if (digits === undefined || Number(digits) === 0) return notARow(line, index + 1, found)
      add(lengthAddress(Number(digits)), mapping.length)
      add(diameterAddress(Number(digits)), mapping.diameter)
      return
    }
    const row = rowCalled(cell(mapping.row))
    if (row === undefined) return notARow(line, index + 1, found)
    for (const axis of AXES) add(offsetAddress(row, axis), mapping[axis])
  })
  return found
}

function notARow(line: string, number: number, found: FoundRows): void {
  if (/\d[.,]\d/.test(line)) found.fault('row-unknown', number, line)
}
