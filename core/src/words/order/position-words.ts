import type { DisplayHabit } from '../../sheet/machine'

const SHORT: Readonly<Record<DisplayHabit, string>> = {
  machine: 'Machine',
  counter: 'Relative',
  work: 'Work',
}

/** The numbers that a display has for one axis, as people call them. */
export const POSITION_NAMES: Readonly<Record<DisplayHabit, string>> = {
  machine: 'machine position',
  counter: 'relative counter',
  work: 'work position',
}

/** A field that reads a machine position, by the number of the display that is read: `Relative Z at contact`. */
export const fieldOnDisplay = (field: string, reads: DisplayHabit): string =>
  field.replace(/^Machine/, SHORT[reads])
