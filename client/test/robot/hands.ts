import type { KeyInView } from '@/areas/run/key-in/key-in-view'
import type { Axis } from '../../../core/test/model/world'
import { ModelControl } from '../../../core/test/model/control'

/** A number as a screen shows it, in nanometres: the robot reads by itself. */
export function numberOn(screen: string, unit: 'mm' | 'in'): number {
  const text = /[−+-]?\d*\.?\d+/.exec(screen)?.[0].replace('−', '-')
  return text === undefined ? NaN : Math.round(Number(text) * (unit === 'mm' ? 1e6 : 25.4e6))
}

/** What a display of some step shows of a number. */
export function displayed(nm: number, unit: 'mm' | 'in', decimals: number): string {
  return (nm / (unit === 'mm' ? 1e6 : 25.4e6)).toFixed(decimals)
}

export interface AtTheControl {
  readonly control: ModelControl
  /** The row of the control: `H12`, `G54.Z`. */
  readonly row: string
  readonly axis: Axis
}

/**
 * Does at the control what the screen says and nothing else, as somebody does who was told: the keys are those that the words name.
 *
 * @returns what speaks against the screen: something that it says the control shows, and that it does not show.
 */
export function follow(view: KeyInView, { control, row, axis }: AtTheControl): string | undefined {
  const { key, type, notes, unit } = view
  if (type === undefined || key === undefined || !('does' in key)) return 'nothing is told to key'
  const number = numberOn(type, unit)
  const said = notes.map(({ words }) => words).join(' ')
  const active = /With (H\d+) active/.exec(said)?.[1]
  control.active = active
  const copied = /copied in, the row shows (\S+)/.exec(said)?.[1]
  const halved = /counter at the second face (\S+),/.exec(said)?.[1]
  if (copied !== undefined) {
    if (/the relative counter copied in/.test(said)) control.copyCounter(row, axis)
    else control.copy(row, axis)
    if (!isNear(control.registers.get(row), numberOn(copied, unit), control.step))
      return `copied in, the row shows ${control.registers.get(row)} and not ${copied}`
  }
  if (halved !== undefined) {
    const shown = control.halveAndDrive(axis)
    if (!isNear(shown, numberOn(halved, unit), control.step))
      return `the counter shows ${shown} at the second face and not ${halved}`
  }
  if (key.does === 'sets') control.set(row, number)
  else if (key.does === 'adds') control.add(row, number)
  else control.myPositionIs(row, axis, number)
  return undefined
}

const isNear = (one: number | undefined, other: number, step: number): boolean =>
  Math.abs((one ?? NaN) - other) <= 0.51 * step
