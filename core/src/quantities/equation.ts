import { endsOf } from './contact-ends'
import { countedFrom, isOnCounter } from './displayed'
import { axesRead, inMachinePosition, moduleOf, type Quantity } from './quantities'
import type { OwnEnd } from './quantity-module'
import { term, type StateTerm } from './state'

/** The sign with which a reading shows the height that its own end lies at: a counter may have been zeroed there. */
export function directionOf(reading: Quantity & OwnEnd): 1 | -1 {
  const [first] = moduleOf(reading).equation(reading)
  return (first?.coefficient ?? 1) < 0 ? -1 : 1
}

/**
 * The unknowns that a reading is made for, with the counter's zero where it was read on one that was zeroed anywhere. Zeroed on the
 * same surface by the nose or by another tool, it shows no surface, and how much longer the tool is.
 */
export function statesRead(reading: Quantity & OwnEnd): readonly StateTerm[] {
  const states = moduleOf(reading).equation(reading)
  const from = countedFrom(reading)
  if (from !== undefined)
    return [
      ...states.filter(({ state }) => state.of === 'length'),
      ...(from === null ? [] : [term({ of: 'length', tool: from }, -1)]),
    ]
  return isOnCounter(reading)
    ? [...states, ...axesRead(reading).map((axis) => term({ of: 'counter', axis }, -1))]
    : states
}

/**
 * What is read, as a linear form in states of the shop: the unknowns that it is read for, the gauges at each of its
 * contacts, and the machine's zero where it is a position. (Backlash is a term as well; no event makes it another, and
 * sources.ts takes it off.)
 */
export function equationOf(reading: Quantity & OwnEnd): readonly StateTerm[] {
  const direction = directionOf(reading)
  return [
    ...statesRead(reading),
    ...endsOf(reading).flatMap(({ share, gauges }) =>
      gauges.map((gauge) => term({ of: 'gauge', gauge }, direction * share)),
    ),
    ...(inMachinePosition(reading)
      ? axesRead(reading).map((axis) => term({ of: 'zero', axis }))
      : []),
  ]
}
