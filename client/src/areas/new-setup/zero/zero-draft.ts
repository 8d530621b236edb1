import type { WrittenLength } from '@pine/core/length'
import {
  facesTouched,
  planWay,
  withFaces,
  withStockSize,
  withZeroAt,
  withZeroHeight,
  zeroHeightOf,
  zeroPlaceOf,
  zeroShare,
  type AxisPlace,
  type OffsetPlan,
  type ZeroHeight,
} from '@pine/core/sheet'
import { axisOfFace, type Face } from '@pine/core/touch'
import { describeZeroHeight, describeZeroPlace } from '@pine/core/words'
import type { SheetDraft } from '../sheet-draft'

type Stock = SheetDraft['stock']

/** What the picture of zero shows of a work offset; none of its faces where a bore or a corner gives X and Y. */
export function zeroView(offset: OffsetPlan, stock: Stock) {
  const { X, Y, Z } = offset
  return {
    byFaces: planWay(offset) === 'faces',
    at: { X: zeroPlaceOf(X, stock.X, 'X'), Y: zeroPlaceOf(Y, stock.Y, 'Y') },
    share: { X: zeroShare(X, stock.X, 'X'), Y: zeroShare(Y, stock.Y, 'Y') },
    touched: [...facesTouched(X, 'X'), ...facesTouched(Y, 'Y')],
    height: zeroHeightOf(Z.facing, stock.Z),
  }
}

/** Zero is put where the stock was pressed: found by the faces there. */
export const withZeroPlaced = (
  offset: OffsetPlan,
  stock: Stock,
  X: AxisPlace,
  Y: AxisPlace,
): OffsetPlan => ({
  ...offset,
  X: withZeroAt(stock.X, 'X', X),
  Y: withZeroAt(stock.Y, 'Y', Y),
})

/** A face is touched, or left out; the last one of an axis stays, for something has to find it. */
export function withFaceTurned(offset: OffsetPlan, stock: Stock, face: Face): OffsetPlan {
  const axis = axisOfFace(face)
  const touched = facesTouched(offset[axis], axis)
  const next = touched.includes(face) ? touched.filter((one) => one !== face) : [...touched, face]
  return next.length === 0
    ? offset
    : { ...offset, [axis]: withFaces(offset[axis], stock[axis], axis, next) }
}

export const withZeroRaised = (
  offset: OffsetPlan,
  stock: Stock,
  height: ZeroHeight,
): OffsetPlan => ({
  ...offset,
  Z: { ...offset.Z, facing: withZeroHeight(offset.Z.facing, stock.Z, height) },
})

/** The stock has another size: where zero was put it stays, on every work offset. */
export function withStock(draft: SheetDraft, axis: keyof Stock, length: WrittenLength): SheetDraft {
  const { stock } = draft
  const offsets = draft.offsets.map((offset): OffsetPlan => {
    if (axis === 'Z')
      return zeroHeightOf(offset.Z.facing, stock.Z) === 'bottom'
        ? { ...offset, Z: { ...offset.Z, facing: length } }
        : offset
    return { ...offset, [axis]: withStockSize(offset[axis], axis, stock[axis], length) }
  })
  return { ...draft, stock: { ...stock, [axis]: length }, offsets }
}

/** Where the first work offset has its zero, as a person says it; undefined where that is not at a place of the stock. */
export function zeroWords({ offsets: [offset], stock }: Pick<SheetDraft, 'offsets' | 'stock'>) {
  if (offset === undefined) return undefined
  const { at, height } = zeroView(offset, stock)
  if (at.X === undefined || at.Y === undefined) return undefined
  return `${describeZeroPlace(at.X, at.Y)}, ${describeZeroHeight(height, offset.Z.facing)}`
}

/** The words for zero follow the picture, as long as nobody wrote others. */
export function withZeroWords(before: SheetDraft, next: SheetDraft): SheetDraft {
  const follows = next.zero.trim() === '' || next.zero === zeroWords(before)
  const words = zeroWords(next)
  return follows && words !== undefined ? { ...next, zero: words } : next
}

/** A face that must not be touched, or may be again. */
export function withSpared(offset: OffsetPlan, face: Face): OffsetPlan {
  const { spared = [], ...plan } = offset
  const now = spared.includes(face) ? spared.filter((one) => one !== face) : [...spared, face]
  return now.length === 0 ? plan : { ...plan, spared: now }
}
