import type { Axis } from '../kit'
import type { Counters } from './counters'
import type { RowName, Rows, WorkTotal } from './rows'

/** What was typed, and which key was pressed after it. Nanometres. */
export type Pressed =
  /** The number is taken as it is, or added to what the row holds. */
  | { readonly key: 'set' | 'add'; readonly typed: number }
  /** Where the axis stands, or what its counter shows, is copied in; what was typed is added. */
  | { readonly key: 'copy' | 'copy-counter'; readonly typed: number }
  /** The control works the row out, so that the position here is what was typed. */
  | { readonly key: 'position'; readonly typed: number }

/** Where the axis of a row stands when a key is pressed. */
export interface Standing {
  readonly axis: Axis
  /** Machine position as it is displayed, nanometres. */
  readonly machine: number
  readonly counters: Counters
  readonly active: WorkTotal
}

/** Does what a key does to a row. */
export function press(rows: Rows, row: RowName, pressed: Pressed, standing: Standing): void {
  const { axis, machine, counters, active } = standing
  const { typed } = pressed
  switch (pressed.key) {
    case 'set':
      return rows.write(row, typed)
    case 'add':
      return rows.write(row, rows.read(row) + typed)
    case 'copy':
      return rows.write(row, machine + typed)
    case 'copy-counter':
      return rows.write(row, counters.show(axis, machine) + typed)
    case 'position': {
      // Everything else that it adds by itself is taken off: what is left is the row's.
      const others = rows.total(axis, active) - rows.read(`${active.row}.${axis}`)
      return rows.write(row, machine - others - typed)
    }
  }
}
