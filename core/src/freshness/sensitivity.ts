import type { Reading, SetupEvent } from '../setup/document'
import { endsOf, isDifference } from '../setup/contact-ends'

/**
 * How a reading would change with the thing that an event moved: the part's position, the setting
 * plane, a tool's length, the machine's zero, a gauge. A difference on the relative counter does not
 * know the machine's zero; it knows both of its ends.
 A failed check tells only from its last good one on.
 */
export function sensitivity(reading: Reading, event: SetupEvent): number {
  switch (event.kind) {
    case 'part-changed': {
      if (reading.of === 'fixture-difference')
        return Number(reading.row === event.row) - Number(reading.from === event.row)
      return 'row' in reading && reading.row === event.row ? 1 : 0
    }
    case 'plane-moved':
      if (reading.of === 'nose-on-plane' || reading.of === 'tip-on-plane') return 1
      return reading.of === 'carried-difference' ? -1 : 0
    case 'tool-changed':
      return 'tool' in reading && reading.tool === event.tool ? 1 : 0
    case 'home-lost':
      return inMachinePosition(reading) ? 1 : 0
    case 'check-failed':
      return reading.place <= event.goodThrough ? 0 : timesUsed(reading, event.gauge)
    // What these change is worked into the numbers themselves.
    case 'external-changed':
    case 'unit-changed':
    case 'rebased':
    case 'home-recovered':
      return 0
  }
}

/** How often a gauge enters a reading: at both ends of a difference, made in one go, it cancels. */
const timesUsed = (reading: Reading, gauge: string): number =>
  endsOf(reading).reduce(
    (sum, { share, gauges }) => sum + share * gauges.filter((id) => id === gauge).length,
    0,
  )

/** The sign with which a counter shows the height it reads; 1 for everything else. */
export function direction(reading: Reading): 1 | -1 {
  if (reading.of === 'carried-difference') return reading.zeroedOn === 'plane' ? 1 : -1
  if (reading.of === 'fixture-difference') return reading.zeroedOn === 'from' ? 1 : -1
  return 1
}

/** A counter does not know the machine's zero, nor does a micrometer. */
export const inMachinePosition = (reading: Reading): boolean =>
  !isDifference(reading) && reading.of !== 'tool-diameter'
