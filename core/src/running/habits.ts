import type { SetupDocument } from '../facts/document'
import type { Gauge } from '../sheet/gauge'
import type { SetupSheet } from '../sheet/sheet'
import type { Solution } from '../solve/solution'
import type { ShopToday } from './sheet-again'
import { machineBefore } from './positions-before'

/** What a machine is set up with, job after job. */
export type HabitsOfMachine = Pick<
  SetupSheet,
  'unit' | 'school' | 'plane' | 'gauges' | 'reference' | 'holding' | 'keying' | 'stood'
>

/**
 * What the last set-up on a machine used, for another job on it: school, plane, gauges as they are today, jaws and parallels, where
 * plane, fixed jaw and stop stood,
 * what the school counts from, when numbers are keyed. What belongs to the part and its tools is left out: its side cut, the
 * master among its tools.
 */
export function habitsOf(
  { sheet: last, events }: Pick<SetupDocument, 'sheet' | 'events'>,
  solution: Pick<Solution, 'heights' | 'faces'>,
  { gauges: today }: Pick<ShopToday, 'gauges'>,
): HabitsOfMachine {
  const positions = machineBefore({ sheet: last, events }, solution)
  const { unit, school, plane, gauges, reference, holding, keying } = last
  const { masterTool: _ofItsTools, masterLength: _ofIt, ...counted } = reference ?? {}
  return {
    unit,
    school,
    plane,
    gauges: gauges.map((gauge) => todays(gauge, today)),
    ...(Object.keys(counted).length > 0 && { reference: counted }),
    ...(holding && { holding: heldSo(holding) }),
    ...(positions && { stood: positions }),
    ...(keying && { keying }),
  }
}

const heldSo = ({ sideCut: _ofThePart, ...jaws }: NonNullable<SetupSheet['holding']>) => jaws

/** The shop's own, by its id, or by what it is called where a file came from elsewhere; one that the shop does not list stays as it was. */
const todays = (gauge: Gauge, today: readonly Gauge[]): Gauge =>
  today.find(({ id }) => id === gauge.id) ??
  today.find(({ kind, name }) => kind === gauge.kind && name === gauge.name) ??
  gauge
