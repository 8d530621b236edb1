import { quantityKey, type QuantityName } from '../../quantities/quantities'
import { subtractChains, sumChains, type Chain } from '../../chain/chain'
import type { SetupDocument } from '../../facts/document'
import { countingTouches } from '../../sources/counting-touches'
import type { OffsetRow } from '../../address/row'
import { heightFrom } from '../../sources/plane/height-from'
import type { SourceReader } from '../../sources/sources'
import { meanOfKnown } from './mean-of-known'
import type { Heights } from '../solution'

/** Stock tops above the plane, in the order of the fixtures: a later one may be counted from an earlier. */
export function partTops(
  document: SetupDocument,
  sources: SourceReader,
  heights: { readonly noseOnPlane: Chain | undefined } & Pick<
    Heights,
    'tipOnPlane' | 'noseOnPart' | 'tipOnPart'
  >,
): Heights['partTop'] {
  const { noseOnPlane, tipOnPlane, noseOnPart, tipOnPart } = heights
  const tops = new Map<OffsetRow, Chain>()
  const anyTip = (row: OffsetRow, only?: number): Chain | undefined => {
    // A tool that touched both the plane and the part carries the difference by itself.
    for (const { number: tool } of document.sheet.tools) {
      const onPlane = tipOnPlane[tool]
      const onPart =
        only === undefined || tool === only
          ? tipOnPart[quantityKey({ of: 'tip-on-part', row, tool })]
          : undefined
      if (onPart !== undefined && onPlane !== undefined) return subtractChains(onPart, onPlane)
    }
    return undefined
  }
  for (const { row, Z } of document.sheet.offsets) {
    const top = ((): Chain | undefined => {
      switch (Z.by) {
        case 'nose-on-part': {
          const touched = noseOnPart[row]
          return touched && noseOnPlane && subtractChains(touched, noseOnPlane)
        }
        case 'tool-on-part':
          return anyTip(row, Z.tool)
        case 'part-top':
          return anyTip(row)
        case 'fixture-difference': {
          const from = tops.get(Z.from)
          const difference = fixtureDifference(document, sources, row, Z.from)
          return from && difference && sumChains(from, difference)
        }
        case 'carried-difference':
          return carriedTop(document, sources, row)
      }
    })()
    if (top !== undefined) tops.set(row, top)
  }
  return Object.fromEntries(tops)
}

/** The stock top above the plane, by every standing difference that was carried there. */
const carriedTop = (
  document: SetupDocument,
  sources: SourceReader,
  row: OffsetRow,
): Chain | undefined => differenceOf(document, sources, { of: 'carried-difference', row })

/** Stock top of a fixture above that of another. */
export const fixtureDifference = (
  document: SetupDocument,
  sources: SourceReader,
  row: OffsetRow,
  from: OffsetRow,
): Chain | undefined => differenceOf(document, sources, { of: 'fixture-difference', row, from })

const differenceOf = (
  document: SetupDocument,
  sources: SourceReader,
  quantity: QuantityName,
): Chain | undefined =>
  meanOfKnown(
    countingTouches(document, sources, quantity).counting.map((reading) =>
      heightFrom(document, sources, reading),
    ),
  )
