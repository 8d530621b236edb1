import { valueOf } from '../../chain/chain'
import { axisOfFace, type Face } from '../../touch/touch'
import { basedOn, measuredEdge } from './corner'
import type { SetupDocument } from '../../facts/document'
import type { OffsetPlan } from '../../sheet/offset-plan'
import type { OffsetRow } from '../../address/row'
import type { EdgeAngle } from '../../registers/register'
import type { SourceReader } from '../../sources/sources'

/** Every edge of the set-up that is to be square, or whose turn is measured with its corner. */
export function edgesOf(document: SetupDocument, sources: SourceReader): readonly EdgeAngle[] {
  return document.sheet.offsets.flatMap((plan, index) =>
    facesOf(document, plan).flatMap((face): readonly EdgeAngle[] => {
      const measured = measuredEdge(document, sources, plan.row, face)
      if (measured === undefined) return []
      const place = `sheet.offsets.${index}.edge.tolerance`
      const written = plan.edge?.face === face ? plan.edge.tolerance : undefined
      const tolerance = written && sources.length(written, { place, sign: 'not-negative' })
      const runOut = valueOf(measured.runOut)
      return [
        {
          row: plan.row,
          face,
          along: axisOfFace(face) === 'Y' ? 'X' : 'Y',
          radians: measured.radians,
          chain: measured.runOut,
          runOut,
          ...(tolerance && {
            tolerance: tolerance.nm,
            agrees: Math.abs(runOut) <= tolerance.nm,
          }),
        },
      ]
    }),
  )
}

function facesOf(document: SetupDocument, { row, edge, X, Y }: OffsetPlan): readonly Face[] {
  const corner =
    X.by === 'turned-corner' && Y.by === 'turned-corner'
      ? basedOn(document, row, X.face, Y.face).slice(0, 1)
      : []
  return [...new Set([...(edge ? [edge.face] : []), ...corner])]
}

/** Touches along the faces of an offset that are asked for: two on each edge, one on a corner's other face. */
export function edgeTouches(document: SetupDocument, plan: OffsetPlan): readonly EdgeTouchName[] {
  const { row, X, Y } = plan
  const touch = (face: Face, point: number): EdgeTouchName => ({
    of: 'edge-point',
    row,
    face,
    point,
  })
  const twice = facesOf(document, plan)
  const once =
    X.by === 'turned-corner' && Y.by === 'turned-corner'
      ? [X.face, Y.face].filter((face) => !twice.includes(face))
      : []
  return [
    ...twice.flatMap((face) => [touch(face, 1), touch(face, 2)]),
    ...once.map((face) => touch(face, 1)),
  ]
}

interface EdgeTouchName {
  readonly of: 'edge-point'
  readonly row: OffsetRow
  readonly face: Face
  readonly point: number
}
