import type { LeftOutBecause } from '../../offset-text/write-offset-program'
import type { OffsetTextFault } from '../../offset-text/read-offset-text'

/** What is wrong with a line of an offset table, and what to do. */
export function describeOffsetTextFault(fault: OffsetTextFault): string {
  return FAULTS[fault]
}

const FAULTS: Readonly<Record<OffsetTextFault, string>> = {
  'line-unknown':
    'Not understood. Expected G10 with L and P, or a row with its numbers: G54 X… Y… Z…, H3 80.000.',
  'beside-g10': 'Not taken: where a text has G10, only its blocks count. Read this row by itself.',
  'row-unknown': 'No such row. Rows are G54 to G59, G59.1 to G59.3, G54.1 P1 and on.',
  'not-a-number': 'Not a number. Write it with a decimal point.',
  'no-point':
    'No decimal point: on some controls 10 means ten smallest steps. Look at the control and write the point.',
  adds: 'This adds to the row (G91), so it does not say what the row holds. Read the row itself.',
  'position-unknown':
    'This tells a position, and where the axes stood is not in the text. Read the row itself.',
  wear: 'A wear row. Add it to the length or diameter yourself, or clear it, and read the sum.',
  'stated-twice': 'This row came before with another number. Look which one the control shows.',
}

/**
 * Why a register is not in an offset program.
 *
 * @example describeLeftOut('stale') // 'no longer valid'
 */
export function describeLeftOut(because: LeftOutBecause): string {
  return LEFT_OUT[because]
}

const LEFT_OUT: Readonly<Record<LeftOutBecause, string>> = {
  'lift-in': 'a lift is in: take it out first',
  'no-form': 'this control is not declared to take it by G10',
  'not-measured': 'not measured yet',
  stale: 'no longer valid',
  'not-proven': 'not proven',
  'set-with-each-tool': 'set anew with each tool',
  'row-without-number': 'G10 has no number for this row',
  'finer-than-step': 'finer than a step of this control',
  'machine-zero-outside': 'machine zero is outside the travel',
}
