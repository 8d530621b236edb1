import { offsetAddress, type Address } from '../../address/address'
import type { ExpectedTouch } from '../../expect/expect-reading'
import type { Belief } from '../../expect/believe'
import { appendFact } from '../../facts/fold'
import type { SetupDocument } from '../../facts/document'
import type { SetupFact } from '../../facts/bodies/bodies'
import { standingReadings } from '../../freshness/standing'
import { isCaptured, keyModeOf, type KeyInLine } from '../../keyin/key-in'
import { formatLength } from '../../length/format-length'
import {
  NANOMETRES_PER,
  toNanometres,
  type LengthUnit,
  type Nanometres,
  type WrittenLength,
} from '../../length/length'
import { isAxisPosition, readingFields, type QuantityName } from '../../quantities/quantities'
import type { DisplayedPosition } from '../../quantities/displayed'
import type { Register } from '../../registers/register'
import { solve } from '../../solve/solve'
import { axisOfFace, FACES_OF_AXIS } from '../../touch/touch'

/**
 * Touch, key and read-back in one: the control is told something that is known before the touch, and the row that it works out
 * then tells where the axis stands.
 */
export interface Capture {
  readonly address: Address
  readonly mode: KeyInLine['mode']
  readonly unit: LengthUnit
  /** What to type while the axis stands at the touch, in the control's digits. */
  readonly type: string
  /** In Z where a position is told: the length that is active, `H3`; null where none is. */
  readonly activeLength?: string | null
  /** What the row shows when the axis stands at machine position 0. */
  readonly atZero: Nanometres
  /** Decimals that the control shows. */
  readonly decimals: number
  /** Where the row is copied from the relative counter: where that was zeroed. */
  readonly position?: DisplayedPosition
}

/** Two places to stand at, which a display of either unit shows: what is told to the control must not depend on which. */
const tried = (unit: LengthUnit): readonly [Nanometres, Nanometres] => [
  toNanometres(0),
  toNanometres(-10 * NANOMETRES_PER[unit]),
]

/**
 * What can be captured at a touch that is about to be made. Undefined where numbers are typed on this control, where nothing
 * is known yet that the row is counted from, or it no longer holds, and where what is told depends on where the axis stands (the middle of two faces):
 * there the touch is read first, and keyed next.
 *
 * @param expected how the touch is made.
 */
export function captureAt(document: SetupDocument, expected: ExpectedTouch): Capture | undefined {
  if (!isAxisPosition(expected) || readingFields(expected).length > 1) return undefined
  const { unit, machine } = document.sheet
  const decimals = machine.control.decimals[unit]
  // The row itself tells where the axis stands: no number of the display is read, unless the counter is what is copied.
  const { position, ...made } = expected
  const touch = (machine.control.lengthKey === 'copy-counter' ? expected : made) as ExpectedTouch
  const places = tried(unit)
  const drive = places[1] - places[0]
  const [here, there] = places.map((at) => registersAt(document, touch, at))
  for (const register of here ?? []) {
    const other = there?.find(({ address }) => address === register.address)
    const [one, two] = [register.keyIn, other?.keyIn]
    if (one?.type === undefined || two === undefined || !isCaptured(one.mode)) continue
    // Counted from something that does not hold any more, the row would be keyed wrong at once.
    if (register.stale !== undefined && register.accepted === undefined) continue
    if (one.type !== two.type || two.expected - one.expected !== drive) continue
    const isCounter = one.mode === 'copy-counter'
    return {
      address: register.address,
      mode: one.mode,
      unit,
      type: one.type,
      ...(one.activeLength !== undefined && { activeLength: one.activeLength }),
      atZero: one.expected,
      decimals,
      ...(isCounter && position && { position }),
    }
  }
  return undefined
}

/** The registers as they would be, were the axis to stand there. */
function registersAt(
  document: SetupDocument,
  touch: ExpectedTouch,
  at: Nanometres,
): readonly Register[] {
  const { unit, machine } = document.sheet
  const read = { text: formatLength(at, unit, machine.control.decimals[unit]), unit }
  const fact = {
    kind: 'reading',
    body: { ...touch, read },
    id: 'to-be',
    by: { name: '' },
    at: '',
    via: 'captured',
  } as unknown as SetupFact
  return solve(appendFact(document, fact), {}, { explains: false }).registers
}

/** Where the axis stands by what its row shows: the reading of the touch, as the machine position display has it. */
export function capturedReading(
  { atZero, unit, decimals }: Capture,
  shown: Nanometres,
): WrittenLength {
  return { text: formatLength(toNanometres(shown - atZero), unit, decimals), unit }
}

/** What the row should show by what should be read: a number of the row is held against it as it is typed. */
export const rowExpected = ({ atZero }: Capture, belief: Belief): Belief => ({
  ...belief,
  mm: atZero / NANOMETRES_PER.mm + belief.mm,
})

/**
 * Whether the relative counter is zeroed at a face: the row is halved at the opposite one, which is not read yet.
 */
export function zeroesCounter(document: SetupDocument, quantity: QuantityName): boolean {
  if (quantity.of !== 'face') return false
  const { row, face } = quantity
  const axis = axisOfFace(face)
  const { control } = document.sheet.machine
  const plan = document.sheet.offsets.find((one) => one.row === row)?.[axis]
  if (plan?.by !== 'two-faces' || keyModeOf(control, offsetAddress(row, axis)) !== 'halve')
    return false
  return FACES_OF_AXIS[axis]
    .filter((one) => one !== face)
    .every((one) => standingReadings(document, { of: 'face', row, face: one }).length === 0)
}
