import { endsOf } from './contact-ends'
import { axesRead, inMachinePosition, moduleOf, type Quantity } from './quantities'
import type { OwnEnd } from './quantity-module'
import { term, type StateTerm } from './state'

/** The sign with which a reading shows the height that its own end lies at: a counter may have been zeroed there. */
export function directionOf(reading: Quantity & OwnEnd): 1 | -1 {
  const [first] = moduleOf(reading).equation(reading)
  return (first?.coefficient ?? 1) < 0 ? -1 : 1
}

/**
 * What is read, as a linear form in states of the shop: the unknowns that it is read for, the gauges at each of its
 * contacts, and the machine's zero where it is a position. (Lost motion is a term as well; no event makes it another, and
 * sources.ts takes it off.)
 */
export function equationOf(reading: Quantity & OwnEnd): readonly StateTerm[] {
  const direction = directionOf(reading)
  return [
    ...moduleOf(reading).equation(reading),
    ...endsOf(reading).flatMap(({ share, gauges }) =>
      gauges.map((gauge) => term({ of: 'gauge', gauge }, direction * share)),
    ),
    ...(inMachinePosition(reading)
      ? axesRead(reading).map((axis) => term({ of: 'zero', axis }))
      : []),
  ]
}
