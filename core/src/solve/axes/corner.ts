import type { Chain } from '../../chain/chain'
import { edgeAngle, runOut, turnedCorner, type EdgeTouch } from '../../features/edge'
import type { Problem } from '../../problem/problem'
import type { Result } from '../../problem/result'
import { axisOfFace, type Face, type PlanAxis } from '../../touch/touch'
import type { Reading } from '../../facts/bodies/reading'
import type { SetupDocument } from '../../facts/document'
import { meanOfKnown } from '../z/mean-of-known'
import { linearised, millimetresOf } from './linearised'
import { standingReadings } from '../../freshness/standing'
import { countingTouches } from '../../sources/counting-touches'
import type { OffsetPlan } from '../../sheet/offset-plan'
import type { OffsetRow } from '../../address/row'
import { asUsedIn, type SourceReader } from '../../sources/sources'

type EdgePoint = Extract<Reading, { of: 'edge-point' }>

/** One touch of a face as three numbers that vary: X, Y and how far the axis stands off. */
type TouchChains = readonly [x: Chain, y: Chain, standOff: Chain]

/** How far a face is turned, and what that costs over the part. */
export interface MeasuredEdge {
  readonly radians: number
  /** How much its far end lies off, over the part's length along it. */
  readonly runOut: Chain
}

/** The corner of a part that may be turned, once its three touches are there. */
export function cornerOf(
  document: SetupDocument,
  sources: SourceReader,
  { row, X, Y }: OffsetPlan,
): Readonly<Record<PlanAxis, Chain>> | undefined {
  if (X.by !== 'turned-corner' || Y.by !== 'turned-corner') return undefined
  const [base, side] = basedOn(document, row, X.face, Y.face)
  const touches = [
    edgeTouch(document, sources, row, base, 1),
    edgeTouch(document, sources, row, base, 2),
    edgeTouch(document, sources, row, side, 1),
  ].filter((touch) => touch !== undefined)
  if (touches.length < 3) return undefined
  const chains = touches.flat()
  const corner = (values: readonly number[]) =>
    turnedCorner({
      base: { face: base, touches: [touchAt(values, 0), touchAt(values, 1)] },
      side: { face: side, touch: touchAt(values, 2) },
    })
  const found = corner(chains.map(millimetresOf))
  if (!found.ok) return noteFailure(sources, found, row)
  const along = (axis: PlanAxis, field: 'x' | 'y') =>
    linearised(
      chains,
      (values) => {
        const moved = corner(values)
        // A thousandth of a millimetre more does not make a corner that is there vanish.
        return moved.ok ? moved.value.corner[field] : found.value.corner[field]
      },
      { id: `corner:${row}:${axis}`, name: 'turned corner', role: 'corner-remainder' },
    )
  return { X: along('X', 'x'), Y: along('Y', 'y') }
}

/**
 * The face of a turned corner that was touched twice, and the other one. It is the front or back, unless only
 * the left or right was: whoever touched it so is not asked again.
 */
export function basedOn(
  document: Pick<SetupDocument, 'readings' | 'events'>,
  row: OffsetRow,
  inX: Face,
  inY: Face,
): readonly [base: Face, side: Face] {
  const isTwice = (face: Face) =>
    standingReadings(document, { of: 'edge-point', row, face, point: 2 }).length > 0
  return isTwice(inX) && !isTwice(inY) ? [inX, inY] : [inY, inX]
}

/** The angle of a face, once two touches along it are there. */
export function measuredEdge(
  document: SetupDocument,
  sources: SourceReader,
  row: OffsetRow,
  face: Face,
): MeasuredEdge | undefined {
  const touches = [1, 2]
    .map((point) => edgeTouch(document, sources, row, face, point))
    .filter((touch) => touch !== undefined)
  // A front or back face runs along X, a left or right one along Y.
  const along = axisOfFace(face) === 'Y' ? 'X' : 'Y'
  const stock = document.sheet.stock?.[along]
  const length = stock && sources.length(stock, { place: `sheet.stock.${along}` })
  if (touches.length < 2 || length === undefined) return undefined
  const over = length.nm / 1e6
  const chains = touches.flat()
  const angle = (values: readonly number[]) =>
    edgeAngle(face, touchAt(values, 0), touchAt(values, 1))
  const found = angle(chains.map(millimetresOf))
  if (!found.ok) return noteFailure(sources, found, row)
  const cost = linearised(
    chains,
    (values) => {
      const moved = angle(values)
      return runOut(moved.ok ? moved.value : found.value, over)
    },
    { id: `edge:${row}:${face}`, name: 'turned edge', role: 'corner-remainder' },
  )
  return { radians: found.value, runOut: cost }
}

/** The mean of every standing touch at one place of a face. */
function edgeTouch(
  document: SetupDocument,
  sources: SourceReader,
  row: OffsetRow,
  face: Face,
  point: number,
): TouchChains | undefined {
  const quantity = { of: 'edge-point', row, face, point } as const
  const readings = countingTouches(document, sources, quantity).counting.filter(
    (one): one is EdgePoint => one.of === 'edge-point',
  )
  const x = meanOfKnown(readings.map((reading) => sources.reading(reading)))
  const y = meanOfKnown(readings.map((reading) => sources.readingY(reading)))
  const standOff = meanOfKnown(
    readings.map((reading) =>
      sources.gaugeSum(reading.with, axisOfFace(face), asUsedIn(reading, document)),
    ),
  )
  return x && y && standOff && [x, y, standOff]
}

const touchAt = (values: readonly number[], touch: number): EdgeTouch => {
  const [x = 0, y = 0, standOff = 0] = values.slice(3 * touch)
  return { x, y, standOff }
}

function noteFailure(
  sources: SourceReader,
  { problem }: Extract<Result<unknown>, { ok: false }>,
  row: OffsetRow,
): undefined {
  const located: Problem = { ...problem, place: `edge-point:${row}:${problem.place}` }
  sources.note(located)
  return undefined
}
