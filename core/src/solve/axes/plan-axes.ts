import type { OffsetRow } from '../../address/row'
import { hasUnknown, meanOfChains, subtractChains, valueOf, type Chain } from '../../chain/chain'
import { explain } from '../../slips/explain'
import {
  approachDirection,
  axisOfFace,
  faceBeyond,
  FACES_OF_AXIS,
  type Face,
  type PlanAxis,
  type Side,
} from '../../touch/touch'
import type { WrittenLength } from '../../length/length'
import { cornerOf } from './corner'
import { circleCentre, impliedDiameter, sweptCentre } from './centre'
import type { SetupDocument } from '../../facts/document'
import type { AxisPlan, OffsetPlan } from '../../sheet/offset-plan'
import { meanOfKnown } from '../z/mean-of-known'
import { quantityKey } from '../../quantities/quantities'
import { countingTouches } from '../../sources/counting-touches'
import type { ImpliedSize } from '../../registers/register'
import { usualTolerance } from '../../sheet/usual'
import { standOffOf } from '../../sources/axis/stand-off'
import type { SourceReader } from '../../sources/sources'

/** What the readings of one axis of one work offset give. */
export interface AxisSolution {
  /** Machine position of each face that was read. */
  readonly faces: ReadonlyMap<Face, Chain>
  /** WCS.x or WCS.y; absent while a face is missing. */
  readonly register?: Chain
  readonly size?: ImpliedSize
}

/** One axis of one work offset, with what its readings give. */
export interface PlannedAxis {
  readonly row: OffsetRow
  readonly axis: PlanAxis
  readonly solved: AxisSolution
}

/** X and Y of every work offset, in the order of the sheet. */
export const planAxes = (document: SetupDocument, sources: SourceReader): readonly PlannedAxis[] =>
  document.sheet.offsets.flatMap((offset) =>
    (['X', 'Y'] as const).map((axis) => ({
      row: offset.row,
      axis,
      solved: solveAxis(document, sources, offset, axis),
    })),
  )

/** Machine position of each face that was read, by quantity key; none where only a counter was. */
export const facesOfAxes = (axes: readonly PlannedAxis[]): Readonly<Record<string, Chain>> =>
  Object.fromEntries(
    axes.flatMap(({ row, solved }) =>
      [...solved.faces].flatMap(([face, chain]) =>
        hasUnknown(chain) ? [] : [[quantityKey({ of: 'face', row, face }), chain] as const],
      ),
    ),
  )

/** The faces that an axis plan asks to be touched, in the order in which they are touched. */
export function facesToTouch(axis: PlanAxis, plan: AxisPlan): readonly Face[] {
  if (plan.by === 'one-face') return [plan.face]
  return plan.by === 'two-faces' ? FACES_OF_AXIS[axis] : []
}

/**
 * X or Y of a work offset: machine position of the face (or of the middle of two faces) minus what
 * the drawing says it is. No "shift in by half the width", and no sign to choose.
 */
export function solveAxis(
  document: SetupDocument,
  sources: SourceReader,
  offset: OffsetPlan,
  axis: PlanAxis,
): AxisSolution {
  const plan = offset[axis]
  const place = `sheet.offsets.${document.sheet.offsets.indexOf(offset)}.${axis}`
  if ((plan.by === 'one-face' || plan.by === 'turned-corner') && axisOfFace(plan.face) !== axis) {
    sources.note({
      code: 'face-wrong-axis',
      place: `${place}.face`,
      received: plan.face,
      limit: FACES_OF_AXIS[axis].join(', '),
    })
    return { faces: new Map() }
  }
  if (plan.by === 'turned-corner') return solveCorner(document, sources, offset, axis, plan, place)
  if (plan.by === 'circle' || plan.by === 'sweep')
    return solveCentre(document, sources, offset, axis, plan, place)
  const faces = new Map<Face, Chain>()
  for (const face of facesToTouch(axis, plan)) {
    const chain = faceChain(document, sources, offset, face, plan.side)
    if (chain !== undefined) faces.set(face, chain)
  }
  const drawing = sources.declared(
    plan.drawing,
    `${place}.drawing`,
    'drawing-coordinate',
    `drawing ${axis} of ${offset.row}`,
  )
  const touched = [...faces.values()]
  const external = sources.externalOffset(axis)
  if (external === undefined) return { faces }
  // The control adds its external offset to every row by itself.
  const lessExternal = (chain: Chain) => subtractChains(chain, external)
  if (plan.by === 'one-face') {
    const [only] = touched
    return {
      faces,
      ...(only && drawing && { register: lessExternal(subtractChains(only, drawing)) }),
    }
  }
  const [lower, upper] = touched
  if (lower === undefined || upper === undefined) return { faces }
  const size =
    plan.size &&
    impliedSize(
      document,
      sources,
      offset,
      axis,
      { size: plan.size, tolerance: plan.tolerance ?? usualTolerance(plan.size.unit) },
      place,
      subtractChains(upper, lower),
    )
  return {
    faces,
    ...(size && !hasUnknown(size.chain) && { size }),
    ...(drawing && {
      register: lessExternal(subtractChains(meanOfChains([lower, upper]), drawing)),
    }),
  }
}

/** X or Y of the corner of a part that may be turned. Both are found together, or neither. */
function solveCorner(
  document: SetupDocument,
  sources: SourceReader,
  offset: OffsetPlan,
  axis: PlanAxis,
  plan: Extract<AxisPlan, { by: 'turned-corner' }>,
  place: string,
): AxisSolution {
  const other = offset[axis === 'X' ? 'Y' : 'X']
  if (other.by !== 'turned-corner')
    sources.note({ code: 'corner-needs-both', place: `${place}.by`, received: other.by })
  const corner = cornerOf(document, sources, offset)
  const drawing = sources.declared(
    plan.drawing,
    `${place}.drawing`,
    'drawing-coordinate',
    `drawing ${axis} of ${offset.row}`,
  )
  const external = sources.externalOffset(axis)
  if (!corner || !drawing || !external) return { faces: new Map() }
  const register = subtractChains(subtractChains(corner[axis], drawing), external)
  return { faces: new Map([[plan.face, corner[axis]]]), register }
}

/** X or Y of a centre that was found from touches around it, and for a circle its diameter against the drawing. */
function solveCentre(
  document: SetupDocument,
  sources: SourceReader,
  offset: OffsetPlan,
  axis: PlanAxis,
  plan: Extract<AxisPlan, { by: 'circle' | 'sweep' }>,
  place: string,
): AxisSolution {
  const { row } = offset
  const centre =
    plan.by === 'circle'
      ? circleCentre(document, sources, row, plan.side)
      : sweptCentre(document, sources, row, plan.side)
  const drawing = sources.declared(
    plan.drawing,
    `${place}.drawing`,
    'drawing-coordinate',
    `drawing ${axis} of ${row}`,
  )
  const external = sources.externalOffset(axis)
  if (!centre || !drawing || !external) return { faces: new Map() }
  const register = subtractChains(subtractChains(centre[axis], drawing), external)
  const radius = sources.gaugeSum(centre.with, axis, {
    of: 'circle-point',
    place,
    at: centre.at,
  })
  if (plan.by === 'sweep' || centre.fit === undefined || radius === undefined)
    return { faces: new Map(), register }
  const size = impliedSize(
    document,
    sources,
    offset,
    axis,
    { size: plan.diameter, tolerance: plan.tolerance },
    place,
    impliedDiameter(centre.fit, radius, plan.side, row),
  )
  return { faces: new Map(), register, ...(size && { size }) }
}

function faceChain(
  document: SetupDocument,
  sources: SourceReader,
  offset: OffsetPlan,
  face: Face,
  side: Side,
): Chain | undefined {
  return meanOfKnown(
    countingTouches(document, sources, { of: 'face', row: offset.row, face }).counting.map(
      (reading) => {
        const contact = sources.reading(reading)
        const standOff = standOffOf(document, sources, reading, axisOfFace(face))
        return contact && standOff && faceBeyond(contact, standOff, approachDirection(face, side))
      },
    ),
  )
}

/** The distance between two faces against the drawing: it catches a misread digit at once. */
function impliedSize(
  document: SetupDocument,
  sources: SourceReader,
  offset: OffsetPlan,
  axis: PlanAxis,
  plan: { readonly size: WrittenLength; readonly tolerance: WrittenLength },
  place: string,
  chain: Chain,
): ImpliedSize | undefined {
  const drawing = sources.length(plan.size, { place: `${place}.size`, sign: 'positive' })
  const tolerance = sources.length(plan.tolerance, {
    place: `${place}.tolerance`,
    sign: 'not-negative',
  })
  if (!drawing || !tolerance) return undefined
  const implied = valueOf(chain)
  const agrees = Math.abs(implied - drawing.nm) <= tolerance.nm
  const { unit, machine } = document.sheet
  const decimals = machine.control.decimals[unit]
  const causes = agrees
    ? []
    : explain({
        expected: drawing.nm,
        observed: implied,
        unit,
        decimals,
        chain,
        kind: 'size',
        within: tolerance.nm,
      })
  return {
    row: offset.row,
    axis,
    chain,
    implied,
    drawing: drawing.nm,
    tolerance: tolerance.nm,
    agrees,
    causes,
  }
}
