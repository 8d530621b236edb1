import { valueOf } from '../chain/chain'
import { axisOfFace, type Face } from '../touch/touch'
import { measuredEdge } from './corner'
import type { SetupDocument } from './document'
import type { OffsetPlan, OffsetRow } from './sheet'
import type { EdgeAngle } from './solution'
import type { SourceReader } from './sources'

/** Every edge of the set-up that is to be square, or whose turn is measured with its corner. */
export function edgesOf(document: SetupDocument, sources: SourceReader): readonly EdgeAngle[] {
  return document.sheet.offsets.flatMap((plan, index) =>
    facesOf(plan).flatMap((face): readonly EdgeAngle[] => {
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

function facesOf({ edge, Y }: OffsetPlan): readonly Face[] {
  const faces: readonly Face[] = [
    ...(edge ? [edge.face] : []),
    ...(Y.by === 'turned-corner' ? [Y.face] : []),
  ]
  return [...new Set(faces)]
}

/** Touches along the faces of an offset that are asked for: two on each edge, one on a corner's other face. */
export function edgeTouches({ row, edge, X, Y }: OffsetPlan): readonly EdgeTouchName[] {
  const touch = (face: Face, point: number): EdgeTouchName => ({
    of: 'edge-point',
    row,
    face,
    point,
  })
  const isCorner = X.by === 'turned-corner' && Y.by === 'turned-corner'
  const edges = new Set<Face>([...(edge ? [edge.face] : []), ...(isCorner ? [Y.face] : [])])
  return [
    ...[...edges].flatMap((face) => [touch(face, 1), touch(face, 2)]),
    ...(isCorner && !edges.has(X.face) ? [touch(X.face, 1)] : []),
  ]
}

interface EdgeTouchName {
  readonly of: 'edge-point'
  readonly row: OffsetRow
  readonly face: Face
  readonly point: number
}
