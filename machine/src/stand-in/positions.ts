import type { Counters, Rows } from '../control'
import type { Drive } from '../iron'
import { mapAxes, type Axis, type Place } from '../kit'
import type { Modal } from '../program'
import type { Shown } from './made'

/** One place, as a display tells it: machine, work, counter, distance to go. Nanometres. */
export function positionsOf({
  drive,
  modal: { row, lengthRow, shift },
  rows,
  counters,
  next,
}: {
  readonly drive: Drive
  readonly modal: Modal
  readonly rows: Rows
  readonly counters: Counters
  /** Where the piece of a move ends that is being made. */
  readonly next: Place | undefined
}): Pick<Shown, 'isHomed' | 'machine' | 'work' | 'counter' | 'toGo'> {
  const { machine } = drive
  const total = (axis: Axis) => rows.total(axis, { row, lengthRow, shift: shift[axis] })
  const to = next ?? machine
  return {
    isHomed: mapAxes((axis) => drive.slides[axis].isHomed),
    machine,
    work: mapAxes((axis) => machine[axis] - total(axis)),
    counter: mapAxes((axis) => counters.show(axis, machine[axis])),
    toGo: mapAxes((axis) => to[axis] - machine[axis]),
  }
}
