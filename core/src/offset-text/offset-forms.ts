import { OFFSET_ROWS, type OffsetRow } from '../address/row'

// What a program writes into a control's rows with G10. `L2` by NISTIR 6556, 3.5.8 (from memory); the others as commonly
// practised, no source.

/**
 * `G10 L2 P1 X…`: rows are numbered, G54 is 1. The long list has other numbers on every control, so it has none here.
 *
 * @example numberOfRow('G59.1') // 7
 */
export function numberOfRow(row: OffsetRow): number | undefined {
  const index = (OFFSET_ROWS as readonly OffsetRow[]).indexOf(row)
  return index < 0 ? undefined : index + 1
}

export const rowOfNumber = (number: number): OffsetRow | undefined => OFFSET_ROWS[number - 1]

/** What a `G10 L…` block writes, by its L. */
export const FORM_OF_L = new Map<
  number,
  'offset' | 'offset-by-position' | 'tool' | 'length' | 'length-wear' | 'diameter' | 'diameter-wear'
>([
  [1, 'tool'],
  [2, 'offset'],
  [20, 'offset-by-position'],
  [10, 'length'],
  [11, 'length-wear'],
  [12, 'diameter'],
  [13, 'diameter-wear'],
])
