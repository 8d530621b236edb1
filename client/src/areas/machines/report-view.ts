import type { MachineReport } from '@pine/contract'
import { AXES } from '@pine/core/address'
import { formatLength, toNanometres, type LengthUnit } from '@pine/core/length'
import { typographic } from '@pine/core/words'
import type { FormOutcome } from '@/data/device/use-kept-form'

/** The report of a machine, a line each; what is not in it is left out. */
export function reportLines(
  report: MachineReport,
  unit: LengthUnit,
  decimals: number,
): readonly { readonly name: string; readonly value: string }[] {
  const write = (nm: number) =>
    `${typographic(formatLength(toNanometres(nm), unit, decimals))} ${unit}`
  const { tool, workRow, lengthRow, spindle, execution, mode, program, line, rows, alarm } = report
  const lineOf = (name: string, value: string | undefined) =>
    value === undefined ? [] : [{ name, value }]
  if (!report.isAvailable) return [{ name: 'Power', value: 'none behind its agent' }]
  return [
    ...AXES.flatMap((axis) => {
      const nm = report.machine[axis]
      const homed = report.homed[axis]
      if (nm === undefined) return []
      return [{ name: `Machine ${axis}${homed === false ? ', not homed' : ''}`, value: write(nm) }]
    }),
    ...lineOf('Moves', report.isMoving ? 'an axis is moving' : undefined),
    ...lineOf('Tool', tool === undefined ? undefined : tool === 0 ? 'none' : `T${tool}`),
    ...lineOf('Row', workRow),
    ...lineOf('Length', lengthRow === '0' ? 'none' : lengthRow),
    ...lineOf('Spindle', spindle === undefined ? undefined : `${spindle} rpm`),
    ...lineOf('Program', program === undefined ? undefined : `${program}, line ${line ?? '?'}`),
    ...lineOf(
      'It is',
      [mode, execution]
        .filter((one) => one !== undefined)
        .join(', ')
        .toLowerCase() || undefined,
    ),
    ...lineOf('Emergency stop', report.emergencyStop === true ? 'pressed' : undefined),
    ...lineOf('Alarm', alarm),
    ...lineOf('Its tables', rows.length === 0 ? undefined : `${rows.length} rows`),
  ]
}

/** The network address of a machine, as it is typed; empty for none. */
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
