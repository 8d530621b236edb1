import { AXES } from '../kit'
import { WORK_ROWS } from '../control'
import { alarm, isAlarm, type Alarm } from './alarm'
import type { Modal } from './modal'
import { rowAt, type RunnerPorts } from './ports'
import type { Word } from './words'

/**
 * A block that writes rows: `G10 L2` a work offset, `L20` by the position here, `L10` a length, `L12` a D row, `L1` a line of a table of
 * tools with its radius. L2 and L20 as NISTIR 6556 and common practice have them (from memory).
 */
export function offsetBlock(
  ports: RunnerPorts,
  { unit, row, lengthRow, shift, isAbsolute }: Modal,
  words: readonly Word[],
): Alarm | undefined {
  const { rows } = ports
  const number = (letter: string) => words.find((word) => word.letter === letter)?.value
  const nm = (value: number) => Math.round(value * (unit === 'mm' ? 1_000_000 : 25_400_000))
  const [L, P] = [number('L'), number('P')]
  if (P === undefined) return alarm('G10 without P.')
  const writes = (name: string, value: number): Alarm | undefined => {
    const at = rowAt(ports, name)
    if (isAlarm(at)) return at
    rows.write(at, isAbsolute ? value : rows.read(at) + value)
    return undefined
  }
  if (L === 2 || L === 20) {
    const of = P === 0 ? row : WORK_ROWS[P - 1]
    if (of === undefined) return alarm(`G10 P${P}: there is no such work offset.`)
    for (const axis of AXES) {
      const said = number(axis)
      if (said === undefined) continue
      const others =
        rows.total(axis, { row: of, lengthRow, shift: shift[axis] }) - rows.read(`${of}.${axis}`)
      const wrong =
        L === 2
          ? writes(`${of}.${axis}`, nm(said))
          : writes(`${of}.${axis}`, ports.position()[axis] - others - nm(said))
      if (wrong !== undefined) return wrong
    }
    return undefined
  }
  const R = number('R')
  if (L === 1) {
    const Z = number('Z')
    const wrong = Z === undefined ? undefined : writes(`H${P}`, nm(Z))
    if (wrong !== undefined || R === undefined) return wrong
    return writes(`D${P}`, nm(R) * (rows.made.diameterAs === 'diameter' ? 2 : 1))
  }
  if (L !== 10 && L !== 12) return alarm(`G10 L${L ?? ''} is not known to this control.`)
  if (R === undefined) return alarm(`G10 L${L} without R.`)
  return writes(`${L === 10 ? 'H' : 'D'}${P}`, nm(R))
}
