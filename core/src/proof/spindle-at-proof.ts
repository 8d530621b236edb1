import type { SetupDocument } from '../facts/document'
import type { SpindleState } from '../facts/bodies/spindle'
import { toNanometres, type Nanometres } from '../length/length'
import type { Shown } from '../registers/register'
import { keepsLengths, lengthAddressOf } from '../sheet/tool-rows'

/** Something else is in the spindle, or another length is active, than the move was worked out for. */
export interface SpindleElse {
  /** The tool that it is proven with. */
  readonly tool: number
  readonly is: 'other-tool' | 'other-length'
  readonly spindle: SpindleState
  /** How much lower than it is sent the tip in the spindle ends; higher, where it is less than nothing. Absent where a length is not known. */
  readonly lower?: Nanometres
}

/**
 * What a move with this in the spindle and that length active would do; undefined where both are as they should be. A control that keeps
 * no lengths has none active.
 */
export function spindleElse(
  { sheet }: Pick<SetupDocument, 'sheet'>,
  { registers }: Shown,
  tool: number,
  spindle: SpindleState,
): SpindleElse | undefined {
  const { holds, controlSays } = spindle
  const keeps = keepsLengths(sheet.machine.control)
  const isOtherTool = holds !== tool
  if (!isOtherTool && (!keeps || controlSays === tool)) return undefined
  const register = (number: number | null) => {
    const address = number === null ? undefined : lengthAddressOf(sheet, number)
    return registers.find((one) => one.address === address)?.value
  }
  const [own, active] = [register(holds), register(keeps ? controlSays : null)]
  const sign = sheet.machine.control.lengthSign === 'subtracted' ? -1 : 1
  return {
    tool,
    is: isOtherTool ? 'other-tool' : 'other-length',
    spindle,
    ...(own !== undefined &&
      active !== undefined && { lower: toNanometres(sign * (own - active)) }),
  }
}
