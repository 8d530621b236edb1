import type { Chain } from '../chain/chain'
import type { Reading, SetupDocument, SetupEvent } from '../setup/document'

/** Sums of coefficients below this are rounding: a mean of three leaves 1/3 + 1/3 + 1/3 − 1. */
const NOTHING = 1e-9

/**
 * How a reading would change with the thing that an event moved: the part's position, the setting
 * plane, a tool's length, the machine's zero. A difference on the relative counter does not know
 * the machine's zero; it knows both of its ends.
 */
function sensitivity(reading: Reading, event: SetupEvent): number {
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
      return reading.of === 'carried-difference' ||
        reading.of === 'fixture-difference' ||
        reading.of === 'tool-diameter'
        ? 0
        : 1
  }
}

/** The sign with which a counter shows the height it reads; 1 for everything else. */
function direction(reading: Reading): 1 | -1 {
  if (reading.of === 'carried-difference') return reading.zeroedOn === 'plane' ? 1 : -1
  if (reading.of === 'fixture-difference') return reading.zeroedOn === 'from' ? 1 : -1
  return 1
}

/**
 * The last event that a number no longer holds after, if there is one.
 *
 * One rule serves every event of domain.md §12: a number is stale when what was moved does not
 * cancel out of its readings from before. So a tool length taken as tip minus nose outlives a moved
 * plane and a lost home, a length that was counted from the plane itself does not, and a
 * difference that mixes readings from before and after is found.
 */
export function staleBy(chain: Chain, document: SetupDocument): SetupEvent | undefined {
  const events = document.events ?? []
  if (events.length === 0) return undefined
  const places = new Map(document.readings.map((reading, index) => [reading.id, index] as const))
  return events.findLast((event) => {
    const moved = chain.terms.reduce((sum, { source, coefficient }) => {
      // Both numbers of a reading on two axes carry its id.
      const index = places.get(source.id.split(':')[0] ?? source.id)
      const reading = index === undefined ? undefined : document.readings[index]
      if (reading === undefined || index === undefined || index >= event.afterReadings) return sum
      return sum + coefficient * direction(reading) * sensitivity(reading, event)
    }, 0)
    return Math.abs(moved) > NOTHING
  })
}
