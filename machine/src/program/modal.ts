import type { RowName, WorkRow } from '../control'

/** What stays in force from block to block. */
export interface Modal {
  readonly motion: 0 | 1 | 2 | 3 | 80 | 81 | 82 | 83 | 85 | 89
  readonly unit: 'mm' | 'in'
  readonly isAbsolute: boolean
  readonly row: WorkRow
  readonly lengthRow: RowName | undefined
  readonly cutter: { readonly side: 'left' | 'right'; readonly row: RowName } | undefined
  readonly feed: number | undefined
  readonly speed: number
  readonly spindle: 'off' | 'forward' | 'back'
  readonly coolant: boolean
  readonly selected: number | undefined
  readonly returns: 98 | 99
  /** Z, R and Q of a cycle, nanometres: they hold from hole to hole. */
  readonly hole: Readonly<Partial<Record<'Z' | 'R' | 'Q', number>>>
  /** G52 and G92, nanometres. */
  readonly shift: Readonly<Record<'X' | 'Y' | 'Z', number>>
}

/** What is in force when power comes. */
export const POWERED: Modal = {
  motion: 0,
  unit: 'mm',
  isAbsolute: true,
  row: 'G54',
  lengthRow: undefined,
  cutter: undefined,
  feed: undefined,
  speed: 0,
  spindle: 'off',
  coolant: false,
  selected: undefined,
  returns: 98,
  hole: {},
  shift: { X: 0, Y: 0, Z: 0 },
}
