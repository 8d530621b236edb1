import { offsetAddress, type Address } from '../address/address'
import { valueOf } from '../chain/chain'
import type { SetupDocument } from '../facts/document'
import { standingReadings } from '../freshness/standing'
import { formatLength } from '../length/format-length'
import { nanometresOf, readLength } from '../length/read-length'
import { toNanometres, type Nanometres, type WrittenLength } from '../length/length'
import { axisOfQuantity, inMachinePosition } from '../quantities/quantities'
import { faceName } from '../quantities/touch-words'
import { sideOf } from '../sheet/offset-plan'
import { lengthAddressOf } from '../sheet/tool-rows'
import { DIGIT_SLIPS, undoneDigits } from '../slips/digit-candidates'
import { knownSizes } from '../slips/explain'
import type { KnownSize } from '../slips/slip'
import { SourceReader } from '../sources/sources'
import { axisOfFace, FACES_OF_AXIS } from '../touch/touch'
import type { Belief } from './believe'
import type { ExpectedTouch } from './expect-reading'
import { surpriseAt, type Surprise } from './surprise'

/** Whether a number that was typed is a surprise; a number that cannot be read is none of ours. */
export function surpriseOf(
  document: SetupDocument,
  touch: ExpectedTouch,
  expected: Belief,
  typed: WrittenLength,
): Surprise | undefined {
  const read = readLength(typed)
  if (!read.ok) return undefined
  const { unit, gauges, machine } = document.sheet
  // Half of a tip in X and Y goes one way or the other: its slips are told by the size of the part.
  const inZ = axisOfQuantity(touch) === 'Z'
  const sizes = (isMeant: (id: string) => boolean) =>
    inZ
      ? knownSizes(
          gauges.filter(({ id }) => isMeant(id)),
          'Z',
        )
      : []
  return surpriseAt(expected, read.value, {
    unit,
    decimals: machine.control.decimals[unit],
    declared: sizes((id) => touch.with.includes(id)),
    others: sizes((id) => !touch.with.includes(id)),
    works:
      inMachinePosition(touch) && touch.position === undefined ? workZeros(document, touch) : [],
    before: otherFaceMisread(document, touch),
  })
}

/** What a row and a length that the control was seen to show take off a machine position where it shows the work position. */
function workZeros(document: SetupDocument, touch: ExpectedTouch): readonly KnownSize[] {
  const { sheet } = document
  const axis = axisOfQuantity(touch)
  const external = new SourceReader(document).externalOffset(axis)
  const sign = sheet.machine.control.lengthSign === 'subtracted' ? -1 : 1
  const added = external === undefined ? 0 : valueOf(external)
  return sheet.offsets.flatMap(({ row }): readonly KnownSize[] => {
    const holds = shownIn(document, offsetAddress(row, axis))
    if (holds === undefined || holds === 0) return []
    const bare = { name: row, nm: toNanometres(holds + added) }
    const own = 'tool' in touch ? lengthAddressOf(sheet, touch.tool) : undefined
    const length = own && axis === 'Z' ? shownIn(document, own) : undefined
    return length === undefined
      ? [bare]
      : [bare, { name: `${row} with ${own}`, nm: toNanometres(holds + added + sign * length) }]
  })
}

const shownIn = ({ readBacks }: SetupDocument, address: Address): Nanometres | undefined =>
  nanometresOf(readBacks.findLast((one) => one.address === address)?.shown)

/** Of the second of two faces: how far off it would seem, had a digit of the first one been misread in a usual way. */
function otherFaceMisread(document: SetupDocument, touch: ExpectedTouch): readonly KnownSize[] {
  if (touch.of !== 'face') return []
  const axis = axisOfFace(touch.face)
  const plan = document.sheet.offsets.find(({ row }) => row === touch.row)?.[axis]
  const other = FACES_OF_AXIS[axis].find((one) => one !== touch.face)
  if (plan?.by !== 'two-faces' || other === undefined) return []
  const [opposite, ...more] = standingReadings(document, {
    of: 'face',
    row: touch.row,
    face: other,
  })
  // Touched twice alike, it was not misread.
  const read = opposite && more.length === 0 ? readLength(opposite.read) : undefined
  if (!read?.ok) return []
  const { nm, unit, decimals } = read.value
  const undone = undoneDigits(formatLength(nm, unit, decimals))
  const name = faceName(other, sideOf(plan))
  const meant = new Set(DIGIT_SLIPS.flatMap((code) => undone[code]))
  return [...meant].flatMap((text) => {
    const one = readLength({ text, unit })
    // Were it that much higher, this face would be expected that much higher: it seems as much too low.
    return one.ok ? [{ name, nm: toNanometres(nm - one.value.nm) }] : []
  })
}
