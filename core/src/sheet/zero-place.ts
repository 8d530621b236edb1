import { formatLength } from '../length/format-length'
import { nanometresOf } from '../length/read-length'
import { toNanometres, type LengthUnit, type WrittenLength } from '../length/length'
import { FACES_OF_AXIS, type Face, type PlanAxis } from '../touch/touch'
import type { AxisPlan } from './offset-plan'
import { usualTolerance } from './usual'

/** Where zero lies along an axis of the stock: at its lower end (left, front), its middle, its upper end (right, back). */
export const AXIS_PLACES = ['low', 'middle', 'high'] as const

export type AxisPlace = (typeof AXIS_PLACES)[number]

/** Where zero lies in height: on the stock top, below it by a facing, at the bottom. */
export const ZERO_HEIGHTS = ['top', 'below', 'bottom'] as const

export type ZeroHeight = (typeof ZERO_HEIGHTS)[number]

/** Halves of the stock that a place lies from its lower end. */
const HALVES: Readonly<Record<AxisPlace, 0 | 1 | 2>> = { low: 0, middle: 1, high: 2 }

/** Nanometres: half of a sixty-fourth of an inch has more decimals than are written. */
const WRITTEN_WITHIN = 100

/**
 * The faces whose touches find an axis, of the two outside ones; empty where something else than the stock's faces is touched.
 */
export function facesTouched(plan: AxisPlan, axis: PlanAxis): readonly Face[] {
  if (plan.by === 'one-face') return plan.side === 'outside' ? [plan.face] : []
  return plan.by === 'two-faces' && plan.side === 'outside' ? FACES_OF_AXIS[axis] : []
}

/**
 * Where zero lies along an axis, by what the drawing says of the faces that are touched; undefined where it lies elsewhere, or
 * where the stock's size is not known and it might.
 */
export function zeroPlaceOf(
  plan: AxisPlan,
  stock: WrittenLength,
  axis: PlanAxis,
): AxisPlace | undefined {
  const share = zeroShare(plan, stock, axis)
  if (share === undefined) return undefined
  // Of a stock whose size is not known the share is known at the touched face alone, and there it is exact.
  const within = WRITTEN_WITHIN / (nanometresOf(stock) || Infinity)
  return AXIS_PLACES.find((place) => Math.abs(share - HALVES[place] / 2) <= within)
}

/** How far zero lies along the stock, as a share of its size from its lower end: to be drawn. Undefined where that is not known. */
export function zeroShare(
  plan: AxisPlan,
  stock: WrittenLength,
  axis: PlanAxis,
): number | undefined {
  const halves = halvesOfTouch(plan, stock, axis)
  const [drawing, size] = [nanometresOf(plan.drawing), nanometresOf(stock)]
  if (halves === undefined || drawing === undefined) return undefined
  if (drawing === 0) return halves / 2
  return size === undefined || size === 0 ? undefined : halves / 2 - drawing / size
}

/** An axis with zero at a place of the stock, found where it lies: by the face there, or by both for the middle. */
export const withZeroAt = (stock: WrittenLength, axis: PlanAxis, place: AxisPlace): AxisPlan =>
  planOf(stock, axis, place, place === 'middle' ? FACES_OF_AXIS[axis] : [faceAt(axis, place)])

/**
 * The same zero, found by other faces of the stock: what the drawing says of them follows. Where zero lies elsewhere, or the size
 * that it is worked out with is not known, what the drawing says is left empty: to be typed.
 *
 * @param faces one of the axis, or both.
 */
export function withFaces(
  plan: AxisPlan,
  stock: WrittenLength,
  axis: PlanAxis,
  faces: readonly Face[],
): AxisPlan {
  const place = zeroPlaceOf(plan, stock, axis)
  if (place !== undefined) return planOf(stock, axis, place, faces)
  const found = planOf(stock, axis, 'low', faces)
  return { ...found, drawing: { text: '', unit: stock.unit } }
}

/** The stock has another size: zero stays at its place, where it was at one. */
export function withStockSize(
  plan: AxisPlan,
  axis: PlanAxis,
  before: WrittenLength,
  now: WrittenLength,
): AxisPlan {
  const faces = facesTouched(plan, axis)
  const place = faces.length > 0 ? zeroPlaceOf(plan, before, axis) : undefined
  if (place === undefined) return plan
  const next = planOf(now, axis, place, faces)
  return next.by === 'two-faces' && plan.by === 'two-faces'
    ? { ...next, tolerance: plan.tolerance }
    : next
}

/** Where zero lies in height, by how far it is below the stock top. */
export function zeroHeightOf(facing: WrittenLength, stock: WrittenLength): ZeroHeight {
  const [below, size] = [nanometresOf(facing), nanometresOf(stock)]
  if (below === 0) return 'top'
  return below !== undefined && below === size ? 'bottom' : 'below'
}

/** How far zero lies below the stock top, with it put elsewhere; empty where that is to be typed. */
export function withZeroHeight(
  facing: WrittenLength,
  stock: WrittenLength,
  height: ZeroHeight,
): WrittenLength {
  switch (height) {
    case 'top':
      return { text: '0', unit: stock.unit }
    case 'bottom':
      return stock
    case 'below':
      return zeroHeightOf(facing, stock) === 'below' ? facing : { text: '', unit: stock.unit }
  }
}

function planOf(
  stock: WrittenLength,
  axis: PlanAxis,
  place: AxisPlace,
  faces: readonly Face[],
): AxisPlan {
  const [face = faceAt(axis, 'low'), other] = faces
  const halves = other === undefined ? (face === FACES_OF_AXIS[axis][0] ? 0 : 2) : 1
  const drawing = halvesOf(stock, halves - HALVES[place])
  return other === undefined
    ? { by: 'one-face', face, side: 'outside', drawing }
    : {
        by: 'two-faces',
        side: 'outside',
        drawing,
        size: stock,
        tolerance: usualTolerance(stock.unit),
      }
}

const faceAt = (axis: PlanAxis, place: AxisPlace): Face =>
  FACES_OF_AXIS[axis][place === 'high' ? 1 : 0]

/** Where what is touched lies, in halves of the stock from its lower end. */
function halvesOfTouch(plan: AxisPlan, stock: WrittenLength, axis: PlanAxis): number | undefined {
  const faces = facesTouched(plan, axis)
  if (faces.length === 0) return undefined
  if (plan.by === 'two-faces')
    // The middle of a step or a boss is not the stock's.
    return nanometresOf(plan.size) === nanometresOf(stock) ? 1 : undefined
  return faces[0] === FACES_OF_AXIS[axis][0] ? 0 : 2
}

/** So many halves of a length, as a drawing has it; empty where the length cannot be read. */
function halvesOf(length: WrittenLength, halves: number): WrittenLength {
  const { unit } = length
  if (halves === 0) return { text: '0', unit }
  const nm = nanometresOf(length)
  return { text: nm === undefined ? '' : shortest((nm * halves) / 2, unit), unit }
}

/** With as many decimals as it takes. */
const shortest = (nm: number, unit: LengthUnit): string =>
  formatLength(toNanometres(Math.round(nm)), unit, 6).replace(/\.?0+$/, '')
