import { formatLength, roundToDisplay } from '../length/format-length'
import { toNanometres, type LengthUnit, type Nanometres } from '../length/length'
import type { ControlProfile, KeyMode } from '../setup/sheet'

/** One line of the key-in sheet. */
export interface KeyInLine {
  readonly address: string
  readonly mode: KeyMode
  readonly unit: LengthUnit
  /** What to type, with an explicit decimal point; absent while adding and the value before is unknown. */
  readonly type?: string
  /** What the control must show afterwards. */
  readonly after: string
  readonly expected: Nanometres
  readonly before?: Nanometres
}

export interface KeyInRequest {
  readonly address: string
  readonly kind: 'length' | 'work-offset' | 'diameter'
  readonly value: Nanometres
  readonly unit: LengthUnit
  /** What the register holds now, if that was read. */
  readonly before?: Nanometres
  /** Machine position at which the axis still stands since its last touch; for `position`. */
  readonly standsAt?: Nanometres
}

/**
 * What to type so that a register holds `value`, rounded once to what the control can show.
 * A control that adds is given the difference from what it holds now; the rounding is done on the
 * result, so that typing it twice in a row cannot drift. A control that asks "my position is" works
 * out register = position − what is typed, so it is given where the axis stands less the register: for
 * the left face of a part whose corner is zero, minus the radius of the tip.
 */
export function keyInLine(request: KeyInRequest, profile: ControlProfile): KeyInLine {
  const { address, kind, value, unit, before, standsAt } = request
  const decimals = profile.decimals[unit]
  const mode = kind === 'work-offset' ? profile.workOffsetKey : profile.lengthKey
  const expected = roundToDisplay(value, unit, decimals)
  const after = formatLength(expected, unit, decimals)
  const typed = typedNumber(mode, expected, before, standsAt)
  const type = typed === undefined ? undefined : formatLength(typed, unit, decimals)
  return {
    address,
    mode,
    unit,
    after,
    expected,
    ...(type === undefined ? {} : { type }),
    ...(before === undefined ? {} : { before }),
  }
}

/** Undefined while the number that it is counted from is not known. */
function typedNumber(
  mode: KeyMode,
  expected: Nanometres,
  before: Nanometres | undefined,
  standsAt: Nanometres | undefined,
): Nanometres | undefined {
  switch (mode) {
    case 'set':
      return expected
    case 'add':
      return before === undefined ? undefined : toNanometres(expected - before)
    case 'position':
      return standsAt === undefined ? undefined : toNanometres(standsAt - expected)
  }
}
