import { addressIn, type Rows } from '../control'
import type { Place } from '../kit'
import { alarm, type Alarm } from './alarm'

/** A straight piece of a move, in machine positions as they are displayed. */
export interface Segment {
  readonly to: Place
  readonly rapid: boolean
  /** Nanometres a minute; of a rapid none. */
  readonly feed?: number
}

/** What the machine is for its program. */
export interface RunnerPorts {
  readonly rows: Rows
  /** Machine position as it is displayed. */
  position(): Place
  /** Where G28 goes. */
  readonly home: Place
}

/** A row of the control, or an alarm that it has none. */
export function rowAt({ rows }: Pick<RunnerPorts, 'rows'>, name: string): string | Alarm {
  return addressIn(rows.made, name) ?? alarm(`There is no row ${name}.`)
}
