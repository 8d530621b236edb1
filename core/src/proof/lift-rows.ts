import { controlRow, offsetAddress, type Address } from '../address/address'
import { valueOf } from '../chain/chain'
import type { Lift, LiftBody } from '../facts/bodies/proving'
import type { SetupDocument } from '../facts/document'
import { keyInLine, keyModeOf, type KeyInLine } from '../keyin/key-in'
import { readBackAgrees } from '../keyin/read-back'
import { nanometresOf, readLength } from '../length/read-length'
import { toNanometres, type Nanometres, type WrittenLength } from '../length/length'
import type { Register, Shown } from '../registers/register'
import { SourceReader } from '../sources/sources'
import { activeLift } from './lift'

/** A row that is raised for the dry run, or let down after it: what is typed there now, and what it shows then. */
export interface LiftRow {
  /** Absent where it is Z of the external offset, which is no row of its own. */
  readonly address?: Address
  readonly line: KeyInLine
  /** Read back as it is to be. */
  readonly done: boolean
  /** What was read back instead. */
  readonly shows?: WrittenLength
}

/**
 * The rows that a lift goes into, each with the number that it has to show: its own raised by the lift, or once more its own. A
 * control that subtracts its lengths holds them with the other sign, and so it does what raises them.
 *
 * @param lift where everything is raised and by how much, lengths in the set-up's unit.
 * @param moves in, before the dry run; out, after it.
 */
export function liftRows(
  document: SetupDocument,
  shown: Pick<Shown, 'registers' | 'decimals'>,
  lift: Pick<LiftBody, 'where' | 'amount'>,
  moves: Lift['moves'],
): readonly LiftRow[] {
  const amount = nanometresOf(lift.amount)
  if (amount === undefined) return []
  const { sheet } = document
  if (lift.where === 'external-offset') return [externalRow(document, amount, moves)]
  const since = activeLift(document)?.place ?? Infinity
  const subtracts =
    lift.where === 'lengths' && sheet.machine.control.lengthSign === 'subtracted' ? -1 : 1
  return shown.registers
    .filter((register) => isRaised(document, register, lift))
    .flatMap(({ address, kind, keyIn }) => {
      if (keyIn === undefined) return []
      const own = keyIn.expected
      const raised = toNanometres(own + subtracts * amount)
      // Whatever was seen there since the lift went in: raised, let down, or keyed once more.
      const seen = document.readBacks.findLast(
        (one) => one.address === address && one.place > since,
      )
      const line = keyInLine(
        {
          address,
          kind,
          value: moves === 'in' ? raised : own,
          unit: sheet.unit,
          before: (seen && nanometresOf(seen.shown)) ?? own,
        },
        sheet.machine.control,
      )
      const read = seen && readLength(seen.shown)
      const isAsTyped = read?.ok === true && readBackAgrees(line, read.value, shown.decimals)
      // What was never raised is down.
      const done = moves === 'in' ? isAsTyped : isAsTyped || seen === undefined
      const isWrong = !done && (seen?.moment === 'raised' || seen?.moment === 'lowered')
      const isFromBefore = moves === 'out' && seen?.moment === 'raised'
      return [{ address, line, done, ...(isWrong && !isFromBefore && { shows: seen.shown }) }]
    })
}

/** Whether a lift goes into a register: it was keyed and read back, and the control holds it now. */
function isRaised(
  { keyIns }: SetupDocument,
  { address, kind, readBack }: Register,
  { where }: Pick<LiftBody, 'where'>,
): boolean {
  if (readBack?.equal !== true) return false
  if (where === 'lengths') return kind === 'length'
  const row = controlRow(address)
  if (kind !== 'work-offset' || !row.endsWith('.Z')) return false
  // Set anew with each tool, one row holds the number of the tool that it was set with last.
  return (
    keyIns.findLast((one) => controlRow(one.address) === row)?.address === address ||
    row === address
  )
}

function externalRow(document: SetupDocument, amount: Nanometres, moves: Lift['moves']): LiftRow {
  const { unit, machine } = document.sheet
  const declared = new SourceReader(document).externalOffset('Z')
  const own = declared === undefined ? toNanometres(0) : valueOf(declared)
  const raised = toNanometres(own + amount)
  // Any row of Z tells by which key this control changes it.
  const address = offsetAddress('G54', 'Z')
  const [before, value] = moves === 'in' ? [own, raised] : [raised, own]
  const mode = keyModeOf(machine.control, address) === 'add' ? 'add' : 'set'
  const control = { ...machine.control, workOffsetKey: mode, workOffsetKeys: {} } as const
  const line = keyInLine({ address, kind: 'work-offset', value, unit, before }, control)
  return { line, done: moves === 'in' && activeLift(document) !== undefined }
}
