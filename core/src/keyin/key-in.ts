import { formatLength, roundToDisplay } from '../length/format-length'
import { toNanometres, type LengthUnit, type Nanometres } from '../length/length'
import type { ControlProfile, KeyMode } from '../setup/sheet'

/** One line of the key-in sheet. */
export interface KeyInLine {
  readonly address: string
  readonly mode: KeyMode
  readonly unit: LengthUnit
  /** What to type, with an explicit decimal point; absent while what it is counted from is unknown. */
  readonly type?: string
  /** What the control must show afterwards. */
  readonly after: string
  readonly expected: Nanometres
  readonly before?: Nanometres
  /** What the row shows once the position was copied in, before the number is added; for `copy`. */
  readonly copies?: string
  /** What the relative counter shows at the second face, and halved; for `halve`. */
  readonly counter?: { readonly full: string; readonly half: string }
}

/** Where the axis stood when the number was found: what three of the key modes count from. */
export interface Stand {
  /** Machine position at the last touch of the bare axis or nose. */
  readonly axis?: Nanometres
  /** Machine position at the last touch of a tip, whose length the control may have taken off. */
  readonly tip?: Nanometres
  /** Machine positions at the two touches that a middle was taken of, in the order of the touches. */
  readonly pair?: readonly [Nanometres, Nanometres]
}

export interface KeyInRequest {
  readonly address: string
  readonly kind: 'length' | 'work-offset' | 'diameter'
  readonly value: Nanometres
  readonly unit: LengthUnit
  /** What the register holds now, if that was read. */
  readonly before?: Nanometres
  readonly stand?: Stand
}

/**
 * What to type so that a register holds `value`, rounded once to what the control can show.
 *
 * - `add`: the difference from what it holds now; the rounding is done on the result, so that typing it
 *   twice in a row cannot drift.
 * - `position`: the control works out register = position − what is typed, so it is given where the axis
 *   stands less the register: for the left face of a part whose corner is zero, minus the tip's radius.
 * - `copy`: the control stores the machine position, and the rest is added to it.
 * - `halve`: the counter is halved between two faces and the axis driven to its zero, the middle of the
 *   two touches; there the position is told.
 */
export function keyInLine(request: KeyInRequest, profile: ControlProfile): KeyInLine {
  const { address, kind, value, unit, before, stand = {} } = request
  const decimals = profile.decimals[unit]
  // A diameter is not where an axis stands, and a middle needs two faces.
  const wanted = kind === 'work-offset' ? profile.workOffsetKey : profile.lengthKey
  const mode = modeFor(wanted, kind, stand)
  const write = (nm: number) => formatLength(toNanometres(nm), unit, decimals)
  const expected = roundToDisplay(value, unit, decimals)
  const typed = typedNumber(mode, expected, before, stand)
  const copied = mode === 'copy' ? (stand.axis ?? stand.tip) : undefined
  return {
    address,
    mode,
    unit,
    after: write(expected),
    expected,
    ...(typed !== undefined && { type: write(typed) }),
    ...(before !== undefined && { before }),
    ...(copied !== undefined && { copies: write(copied) }),
    ...(mode === 'halve' &&
      stand.pair && {
        counter: {
          full: write(stand.pair[1] - stand.pair[0]),
          half: write((stand.pair[1] - stand.pair[0]) / 2),
        },
      }),
  }
}

function modeFor(wanted: KeyMode, kind: KeyInRequest['kind'], { pair }: Stand): KeyMode {
  if (kind === 'diameter') return wanted === 'add' ? 'add' : 'set'
  return wanted === 'halve' && pair === undefined ? 'position' : wanted
}

/** Undefined while the number that it is counted from is not known. */
function typedNumber(
  mode: KeyMode,
  expected: Nanometres,
  before: Nanometres | undefined,
  { axis, tip, pair }: Stand,
): number | undefined {
  switch (mode) {
    case 'set':
      return expected
    case 'add':
      return before === undefined ? undefined : expected - before
    case 'position':
      return axis === undefined ? undefined : axis - expected
    case 'copy': {
      const stands = axis ?? tip
      return stands === undefined ? undefined : expected - stands
    }
    case 'halve':
      return pair && (pair[0] + pair[1]) / 2 - expected
  }
}
