import { formatLength, roundToDisplay } from '../length/format-length'
import { toNanometres, type LengthUnit, type Nanometres } from '../length/length'
import { addressParts, axisOfAddress, type Address } from '../address/address'
import type { ControlProfile, KeyMode } from '../sheet/machine'
import { keepsLengths } from '../sheet/tool-rows'
import type { MachineAxis } from '../address/row'

/** One line of the key-in sheet. */
export interface KeyInLine {
  readonly address: Address
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
  /** How this control usually changes the row, and why it is to store the number itself all the same. */
  readonly insteadOf?: { readonly mode: KeyMode; readonly because: NoStand }
  /** The length that is active while a position in Z is told, `H3`; null where none is. Only for `position` in Z of a control that keeps lengths. */
  readonly activeLength?: string | null
  /** What the relative counter shows at the second face, and halved; for `halve`. */
  readonly counter?: {
    readonly full: string
    readonly half: string
    /** Without halving and driving: the position that is told where the axis stands at the second face. */
    readonly atSecond: string
  }
}

/**
 * Why a control cannot count from where the axis stands: nothing was touched for this row, the axis has moved since, or a
 * length is active that nobody has read off the control.
 */
export type NoStand = 'not-touched' | 'moved-away' | 'length-unread'

/** Where the axis stood when the number was found: what three of the key modes count from. */
export interface Stand {
  /** Machine position at the last touch that the number is counted from. */
  readonly at?: Nanometres
  /** What the relative counter showed there, where it was zeroed for that. */
  readonly counter?: Nanometres
  /** Machine positions at the two touches that a middle was taken of, in the order of the touches. */
  readonly pair?: readonly [Nanometres, Nanometres]
  /** In Z: the length that the control took for active then, and what it moves the axis by. */
  readonly active?: ActiveLength
}

/** A length that a control takes into account where it works out a position. */
export interface ActiveLength {
  /** `H3`. */
  readonly address: Address
  /** As it is applied: added to a position, whatever the sign that it is stored with. */
  readonly applied: Nanometres
}

export interface KeyInRequest {
  readonly address: Address
  readonly kind: 'length' | 'work-offset' | 'diameter'
  readonly value: Nanometres
  readonly unit: LengthUnit
  /** What the register holds now, if that was read. */
  readonly before?: Nanometres
  readonly axisAt?: Stand
  /** Why it stands nowhere. */
  readonly noStand?: NoStand
  /** What the control adds to every row of this axis by itself. */
  readonly external?: Nanometres
}

/**
 * What to type so that a register holds `value`, rounded once to what the control can show.
 *
 * - `add`: the difference from what it holds now; the rounding is done on the result, so that typing it
 *   twice in a row cannot drift.
 * - `position`: the control works out register = machine position − external offset − active length − what is
 *   typed, so it is told where the axis stands less all of these: for the left face of a part whose corner is zero,
 *   minus the tip's radius.
 * - `copy`: the control stores the machine position, and the rest is added to it; `copy-counter` what the counter shows.
 * - `halve`: the counter is halved between two faces and the axis driven to its zero, the middle of the
 *   two touches; there the position is told.
 *
 * Where nothing was touched that the number is counted from (a difference, a facing cut alone), the number itself is
 * stored: a control that copies or asks takes it as well.
 */
export function keyInLine(request: KeyInRequest, profile: ControlProfile): KeyInLine {
  const {
    address,
    kind,
    value,
    unit,
    before,
    axisAt: axisAt = {},
    external = toNanometres(0),
  } = request
  const decimals = profile.decimals[unit]
  const wanted = wantedMode(profile, kind, axisOfAddress(address))
  const mode = modeFor(wanted, kind, axisAt)
  const write = (nm: number) => formatLength(toNanometres(nm), unit, decimals)
  const expected = roundToDisplay(value, unit, decimals)
  const typed = typedNumber(mode, value, expected, before, axisAt, external)
  const countsFrom = mode === 'position' && axisOfAddress(address) === 'Z' && keepsLengths(profile)
  return {
    address,
    mode,
    unit,
    after: write(expected),
    expected,
    ...(typed !== undefined && { type: write(typed) }),
    ...(mode === 'set' &&
      isCaptured(wanted) &&
      kind !== 'diameter' && {
        insteadOf: { mode: wanted, because: request.noStand ?? 'not-touched' },
      }),
    ...(before !== undefined && { before }),
    ...(mode === 'copy' && axisAt.at !== undefined && { copies: write(axisAt.at) }),
    ...(mode === 'copy-counter' &&
      axisAt.counter !== undefined && { copies: write(axisAt.counter) }),
    ...(countsFrom && { activeLength: axisAt.active?.address ?? null }),
    ...(mode === 'halve' &&
      axisAt.pair && {
        counter: {
          full: write(axisAt.pair[1] - axisAt.pair[0]),
          half: write((axisAt.pair[1] - axisAt.pair[0]) / 2),
          atSecond: write(axisAt.pair[1] - external - value),
        },
      }),
  }
}

/** How a control changes a register, as far as its address says; of a work offset it may differ by axis. */
export function keyModeOf(profile: ControlProfile, address: Address): KeyMode {
  const kind = addressParts(address)?.of
  if (kind === undefined || kind === 'diameter') return modeFor(profile.lengthKey, 'diameter', {})
  return wantedMode(profile, kind, axisOfAddress(address))
}

/**
 * Keyed while the axis stands at the touch: the control takes its place, or works the row out from it.
 *
 * @example isCaptured('copy') // true
 */
export const isCaptured = (mode: KeyMode): boolean =>
  mode === 'stored' ||
  mode === 'position' ||
  mode === 'copy' ||
  mode === 'copy-counter' ||
  mode === 'halve'

function wantedMode(
  { lengthKey, workOffsetKey, workOffsetKeys }: ControlProfile,
  kind: KeyInRequest['kind'],
  axis: MachineAxis,
): KeyMode {
  return kind === 'work-offset' ? (workOffsetKeys?.[axis] ?? workOffsetKey) : lengthKey
}

/** A diameter is not where an axis stands, a middle needs two faces, and a place has to have been touched. */
function modeFor(
  wanted: KeyMode,
  kind: KeyInRequest['kind'],
  { at, counter, pair }: Stand,
): KeyMode {
  if (kind === 'diameter') return wanted === 'add' ? 'add' : 'set'
  if (wanted === 'copy-counter') return counter === undefined ? 'set' : wanted
  const mode = wanted === 'halve' && pair === undefined ? 'position' : wanted
  return (mode === 'position' || mode === 'copy' || mode === 'stored') && at === undefined
    ? 'set'
    : mode
}

/** Undefined while the number that it is counted from is not known. */
function typedNumber(
  mode: KeyMode,
  value: Nanometres,
  expected: Nanometres,
  before: Nanometres | undefined,
  { at, counter, pair, active }: Stand,
  external: Nanometres,
): number | undefined {
  switch (mode) {
    case 'set':
      return expected
    case 'stored':
      // Nothing is typed: the cycle works it out.
      return 0
    case 'add':
      return before === undefined ? undefined : expected - before
    case 'position':
      return at === undefined ? undefined : at - external - (active?.applied ?? 0) - expected
    case 'copy':
      return at === undefined ? undefined : expected - at
    case 'copy-counter':
      return counter === undefined ? undefined : expected - counter
    case 'halve':
      // The middle may lie on half a step; so may the number, and then what is told need not.
      return pair && (pair[0] + pair[1]) / 2 - external - value
  }
}
