import type { Reading } from '../facts/bodies/reading'
import type { SetupEvent } from '../facts/bodies/event'
import { equationOf } from '../quantities/equation'
import { axesRead, inMachinePosition } from '../quantities/quantities'
import type { State } from '../quantities/state'

/** Whether an event begins another generation of a state: what was read of the one before is not what is there now. */
export function isRenewed(state: State, event: SetupEvent): boolean {
  switch (event.kind) {
    case 'part-changed':
      return 'row' in state && state.row === event.row && !stays(state, event)
    case 'plane-moved':
      return state.of === 'plane'
    case 'tool-changed':
      return 'tool' in state && state.tool === event.tool
    case 'home-lost':
      // Power that is gone takes the counters with it.
      return state.of === 'zero' || state.of === 'counter'
    case 'counter-zeroed':
      return state.of === 'counter' && state.axis === event.axis
    case 'check-failed':
    case 'cycle-broken':
      return state.of === 'gauge' && state.gauge === event.gauge
    // What these change is worked into the numbers themselves.
    case 'external-changed':
    case 'unit-changed':
    case 'rebased':
    case 'home-recovered':
    case 'gauge-measured':
    case 'order-told':
    case 'corrected':
    case 'row-stands':
    case 'tool-rechecked':
      return false
  }
}

/** Against the same stop the face that stands there is where it was; of the same height, the stock top is. */
function stays(
  state: State,
  { stays: same }: Extract<SetupEvent, { kind: 'part-changed' }>,
): boolean {
  if (state.of === 'face') return same?.faces.includes(state.face) === true
  return state.of === 'top' && same?.top === true
}

/**
 * How a reading would change with what an event moved: its equation's coefficients of the states that the event renews. A
 * gauge enters a difference at both ends; made in one go, it cancels. A failed check tells only from its last good one on.
 */
export function sensitivity(reading: Reading, event: SetupEvent): number {
  if (event.kind === 'check-failed' && reading.place <= event.goodThrough) return 0
  return equationOf(reading).reduce(
    (sum, { state, coefficient }) => (isRenewed(state, event) ? sum + coefficient : sum),
    0,
  )
}

/**
 * How much it matters to a reading whether it was made before an event or after it: 0 where it would be the same. Beside
 * what the event renews, a zero that was found again is carried over by marks, and a gauge measured anew has its size from
 * then on.
 */
export function orderMatters(reading: Reading, event: SetupEvent): number {
  switch (event.kind) {
    case 'home-lost':
      return inMachinePosition(reading) ? 1 : 0
    case 'home-recovered':
      return isReadAlong(reading, event) ? 1 : 0
    case 'gauge-measured':
      return event.since === 'now'
        ? equationOf(reading).reduce(
            (sum, { state, coefficient }) =>
              state.of === 'gauge' && state.gauge === event.gauge ? sum + coefficient : sum,
            0,
          )
        : 0
    default:
      return sensitivity(reading, event)
  }
}

/** Whether a reading is a machine position of an axis whose zero was found again. */
export const isReadAlong = (
  reading: Reading,
  { shift }: Extract<SetupEvent, { kind: 'home-recovered' }>,
): boolean =>
  inMachinePosition(reading) && axesRead(reading).some((axis) => shift[axis] !== undefined)
