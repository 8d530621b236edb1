import { AXES } from '../kit'
import type { Shown } from '../stand-in'
import { ITEMS } from './items'

/** What is told of an item now: a text, a table as row and number, or a condition. */
export type Value =
  | string
  | { readonly table: readonly (readonly [row: string, millimetres: string])[] }
  | { readonly condition: 'Normal' | 'Fault' | 'Unavailable'; readonly words: string }

export const UNAVAILABLE = 'UNAVAILABLE'

const EXECUTION: Readonly<Record<Shown['execution'], string>> = {
  ready: 'READY',
  active: 'ACTIVE',
  interrupted: 'INTERRUPTED',
  stopped: 'STOPPED',
  ended: 'PROGRAM_COMPLETED',
}

const MODE: Readonly<Record<Shown['mode'], string>> = {
  hand: 'MANUAL',
  program: 'AUTOMATIC',
  'block-by-block': 'SEMI_AUTOMATIC',
}

/** Millimetres of nanometres, all that are in it and no more. */
const mm = (nanometres: number): string => String(Math.round(nanometres) / 1_000_000)

/** What an agent tells of a machine, by item. A machine without power tells of nothing but that. */
export function observe(shown: Shown): ReadonlyMap<string, Value> {
  if (!shown.isOn)
    return new Map(
      ITEMS.map(({ id, category }) => [
        id,
        category === 'CONDITION' ? { condition: 'Unavailable', words: '' } : UNAVAILABLE,
      ]),
    )
  const { program, alarm, lengthRow } = shown
  return new Map<string, Value>([
    ['avail', 'AVAILABLE'],
    ...AXES.flatMap((axis): (readonly [string, Value])[] => [
      [`${axis.toLowerCase()}-machine`, mm(shown.machine[axis])],
      [`${axis.toLowerCase()}-work`, mm(shown.work[axis])],
      [`${axis.toLowerCase()}-homed`, shown.isHomed[axis] ? 'YES' : 'NO'],
    ]),
    ['s-speed', String(shown.spindle)],
    ['estop', shown.emergencyStop ? 'TRIGGERED' : 'ARMED'],
    [
      'system',
      alarm === undefined
        ? { condition: 'Normal', words: '' }
        : { condition: 'Fault', words: alarm },
    ],
    ['tables', { table: shown.rows.map(([row, value]) => [row, mm(value)] as const) }],
    ['mode', MODE[shown.mode]],
    ['execution', EXECUTION[shown.execution]],
    ['program', program?.name ?? UNAVAILABLE],
    ['line', program === undefined ? UNAVAILABLE : String(program.line)],
    ['block', program?.block ?? UNAVAILABLE],
    ['tool', shown.tool === undefined ? '0' : String(shown.tool)],
    ['work-offset', shown.row],
    ['tool-offset', lengthRow ?? '0'],
  ])
}
