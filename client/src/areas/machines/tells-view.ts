import type { AgentTold } from '@pine/contract'
import { AXES } from '@pine/core/address'
import { formatLength, toNanometres, type LengthUnit } from '@pine/core/length'
import { typographic } from '@pine/core/words'
import type { FormOutcome } from '@/data/device/use-kept-form'

/** What a machine tells of itself, a line each; what it does not tell is not there. */
export function tellsLines(
  told: AgentTold,
  unit: LengthUnit,
  decimals: number,
): readonly { readonly name: string; readonly value: string }[] {
  const write = (nm: number) =>
    `${typographic(formatLength(toNanometres(nm), unit, decimals))} ${unit}`
  const { tool, workRow, lengthRow, spindle, execution, mode, program, line, rows, alarm } = told
  const line1 = (name: string, value: string | undefined) =>
    value === undefined ? [] : [{ name, value }]
  if (!told.isAvailable) return [{ name: 'Power', value: 'none behind its agent' }]
  return [
    ...AXES.flatMap((axis) => {
      const nm = told.machine[axis]
      const homed = told.homed[axis]
      if (nm === undefined) return []
      return [{ name: `Machine ${axis}${homed === false ? ', not homed' : ''}`, value: write(nm) }]
    }),
    ...line1('Moves', told.isMoving ? 'an axis is moving' : undefined),
    ...line1('Tool', tool === undefined ? undefined : tool === 0 ? 'none' : `T${tool}`),
    ...line1('Row', workRow),
    ...line1('Length', lengthRow === '0' ? 'none' : lengthRow),
    ...line1('Spindle', spindle === undefined ? undefined : `${spindle} rpm`),
    ...line1('Program', program === undefined ? undefined : `${program}, line ${line ?? '?'}`),
    ...line1(
      'It is',
      [mode, execution]
        .filter((one) => one !== undefined)
        .join(', ')
        .toLowerCase() || undefined,
    ),
    ...line1('Emergency stop', told.emergencyStop === true ? 'pressed' : undefined),
    ...line1('Alarm', alarm),
    ...line1('Its tables', rows.length === 0 ? undefined : `${rows.length} rows`),
  ]
}

/** Where a machine is asked, as it is typed; empty where it is typed only. */
export interface AgentDraft extends Record<string, string> {
  readonly address: string
  readonly reason: string
}

export function changedAgent({
  address,
  reason,
}: AgentDraft): FormOutcome<
  AgentDraft,
  { readonly agent: { readonly address: string } | null; readonly reason: string }
> {
  const typed = address.trim()
  const [bare, why] = [typed.replace(/\/$/, ''), reason.trim()]
  if (
    bare !== '' &&
    !/^http:\/\/(\d{1,3}(\.\d{1,3}){3}|\[[0-9a-f:]+\]):\d{1,5}(\/[^\s?#/]+)?$/.test(bare)
  )
    return {
      problems: {
        address:
          'Type it as numbers with a port, such as http://192.168.1.20:5000; behind it the machine’s name, where it has several.',
      },
    }
  if (why === '') return { problems: { reason: 'Say why: it stays, with your name.' } }
  return { made: { agent: bare === '' ? null : { address: bare }, reason: why } }
}
