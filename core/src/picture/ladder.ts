import { EMPTY_CHAIN, scaleChain, sumChains, valueOf, type Chain } from '../chain/chain'
import { toNanometres, type Nanometres, type WrittenLength } from '../length/length'
import { stockDrawn } from '../sheet/stock-drawn'
import { readLength } from '../length/read-length'
import type { SetupDocument } from '../facts/document'
import type { OffsetRow } from '../address/row'
import { standingReadings } from '../freshness/standing'
import { quantityKey, type QuantityName } from '../quantities/quantities'
import type { Solution } from '../solve/solution'
import { SourceReader } from '../sources/sources'
import type { ContactEnd } from '../quantities/contact-ends'

/** Whose machine position the rungs are labelled with. */
export type LadderFrame =
  | { readonly of: 'nose' }
  | { readonly of: 'tool'; readonly tool: number }
  | { readonly of: 'plane' }

export type RungKey = 'nose' | 'tip' | 'plane' | 'part-top' | 'zero'

export interface Rung {
  readonly key: RungKey
  /** Above the setting plane; what the drawing is scaled by. */
  readonly height: Nanometres
  /** In the ladder's frame; absent while it is not known. */
  readonly label?: Chain
  /** Not read yet: drawn where the stock would lie, and said to be a guess. */
  readonly guessed?: true
}

/** A distance worth showing between two rungs. */
export interface Span {
  readonly from: RungKey
  readonly to: RungKey
  readonly kind: 'tool-length' | 'gauge' | 'part-above-plane'
  readonly chain: Chain
}

/** Z as rungs, to scale, computed from the same chains as the registers. */
export interface Ladder {
  readonly frame: LadderFrame
  readonly rungs: readonly Rung[]
  readonly spans: readonly Span[]
  /** What stands on the touched rung: a tool, the bare nose, or nothing. */
  readonly body: 'nose' | 'tool' | 'none'
  /** Whether it stands over the setting plane or over the part. */
  readonly touches: 'plane' | 'part'
}

/** A height above the setting plane, as far as it is known. */
interface Height {
  readonly key: RungKey
  readonly chain: Chain
  /** Undefined: the height is drawn, but its number is not known yet. */
  readonly known: boolean
  readonly guessed?: true
}

/**
 * The ladder for a step, or for the whole set-up when no quantity is given.
 *
 * In the nose's frame a rung says where the bare nose would stand; where the nose was never
 * touched, a tool's rungs say where that tool's tip would stand; a carried difference is counted
 * from the plane.
 *
 * @param using gauges chosen for a touch that is not read yet, so that the picture can show it.
 */
export function ladderOf(
  document: SetupDocument,
  solution: Solution,
  quantity?: QuantityName,
  using: readonly string[] = [],
): Ladder {
  const row =
    quantity !== undefined && 'row' in quantity ? quantity.row : document.sheet.offsets[0]?.row
  const part = partHeights(document, solution, row, quantity)
  const plane: Height = { key: 'plane', chain: EMPTY_CHAIN, known: true }
  const spans = partSpans(solution, row)
  const { noseOnPlane, tipOnPlane } = solution.heights
  if (quantity?.of === 'tip-on-plane') {
    const tip = tipOnPlane[quantity.tool]
    const byNose = document.sheet.school === 'gauge-line'
    const tool = toolHeights(document, solution, quantity, using)
    return {
      frame: byNose ? { of: 'nose' } : { of: 'tool', tool: quantity.tool },
      body: 'tool',
      touches: 'plane',
      rungs: labelled(byNose ? noseOnPlane : tip, [...tool.heights, plane, ...part]),
      spans: tool.spans,
    }
  }
  if (quantity?.of === 'nose-on-plane' || quantity?.of === 'nose-on-part') {
    const nose = touchHeight(document, solution, quantity, using, 'nose', part)
    return {
      frame: { of: 'nose' },
      body: 'nose',
      touches: quantity.of === 'nose-on-part' ? 'part' : 'plane',
      rungs: labelled(noseOnPlane, [nose, plane, ...part]),
      spans,
    }
  }
  if (quantity?.of === 'tip-on-part') return onPartLadder(document, solution, quantity, using)
  const byNose = noseOnPlane !== undefined && quantity?.of !== 'carried-difference'
  return {
    frame: { of: byNose ? 'nose' : 'plane' },
    body: 'none',
    touches: 'plane',
    rungs: labelled(byNose ? noseOnPlane : EMPTY_CHAIN, [plane, ...part]),
    spans,
  }
}

function toolHeights(
  document: SetupDocument,
  solution: Solution,
  quantity: Extract<QuantityName, { of: 'tip-on-plane' }>,
  using: readonly string[],
): { readonly heights: readonly Height[]; readonly spans: readonly Span[] } {
  const { noseOnPlane, tipOnPlane } = solution.heights
  const touched = tipOnPlane[quantity.tool]
  const tip = touchHeight(document, solution, quantity, using, 'tip', [])
  const length = touched && noseOnPlane && sumChains(touched, scaleChain(noseOnPlane, -1))
  return {
    heights: [
      ...(length
        ? [{ key: 'nose' as const, chain: sumChains(tip.chain, length), known: true }]
        : []),
      tip,
    ],
    spans: [
      ...(length ? [{ from: 'nose', to: 'tip', kind: 'tool-length', chain: length } as const] : []),
      ...(tip.chain.terms.length > 0
        ? [{ from: 'tip', to: 'plane', kind: 'gauge', chain: tip.chain } as const]
        : []),
    ],
  }
}

/**
 * A tool on the stock top, in machine Z of its tip. Where no plane is known the part is drawn from its
 * own foot, and only what lies on its top is numbered.
 */
function onPartLadder(
  document: SetupDocument,
  solution: Solution,
  quantity: Extract<QuantityName, { of: 'tip-on-part' }>,
  using: readonly string[],
): Ladder {
  const { row, tool } = quantity
  const { partTop, tipOnPart } = solution.heights
  const touched = tipOnPart[quantityKey({ of: 'tip-on-part', row, tool })]
  const top = partTop[row]
  const ground = top ?? stockHeight(document)
  const gauge = touched ? gaugeBeneath(touched) : gaugeToCome(document, quantity, using)
  const facing = document.sheet.offsets.find((offset) => offset.row === row)?.Z.facing
  const cut = facing ? declared(facing, `sheet.offsets.${row}.Z.facing`, 'facing') : EMPTY_CHAIN
  const known = touched !== undefined
  const heights: readonly Height[] = [
    { key: 'tip', chain: sumChains(ground, gauge), known },
    { key: 'part-top', chain: ground, known, ...(top === undefined && { guessed: true }) },
    ...(valueOf(cut) === 0
      ? []
      : [{ key: 'zero', chain: sumChains(ground, scaleChain(cut, -1)), known } as const]),
    ...(top ? [{ key: 'plane', chain: EMPTY_CHAIN, known } as const] : []),
  ]
  return {
    frame: { of: 'tool', tool },
    body: 'tool',
    touches: 'part',
    rungs: labelled(touched && sumChains(touched, scaleChain(ground, -1)), heights),
    spans:
      gauge.terms.length > 0
        ? [{ from: 'tip', to: 'part-top', kind: 'gauge', chain: gauge }]
        : partSpans(solution, row),
  }
}

/** Where the touching body stands above the plane: on the gauge of its touch, or of the one to come. */
function touchHeight(
  document: SetupDocument,
  solution: Solution,
  quantity: Extract<QuantityName, { of: 'nose-on-plane' | 'tip-on-plane' | 'nose-on-part' }>,
  using: readonly string[],
  key: 'nose' | 'tip',
  part: readonly Height[],
): Height {
  const { heights } = solution
  const touched =
    quantity.of === 'tip-on-plane'
      ? heights.tipOnPlane[quantity.tool]
      : quantity.of === 'nose-on-part'
        ? heights.noseOnPart[quantity.row]
        : heights.noseOnPlane
  const isRead = touched !== undefined && standingReadings(document, quantity).length > 0
  const gauge = isRead ? gaugeBeneath(touched) : gaugeToCome(document, quantity, using)
  const ground = part.find((height) => height.key === 'part-top')?.chain ?? EMPTY_CHAIN
  return { key, chain: sumChains(ground, gauge), known: isRead }
}

/** What would lie between at a touch that is still to come. */
function gaugeToCome(
  document: SetupDocument,
  { of }: QuantityName,
  gauges: readonly string[],
): Chain {
  const onPlane = of === 'nose-on-plane' || of === 'tip-on-plane'
  const end: ContactEnd = { share: 1, gauges, approach: undefined, onPlane }
  return (
    new SourceReader(document).gaugesUnder(end, {
      of,
      place: 'ladder',
      at: document.length,
    }) ?? EMPTY_CHAIN
  )
}

/** The gauge of a touched plane: it was taken off there, so it is turned back. */
function gaugeBeneath(plane: Chain): Chain {
  return scaleChain({ terms: plane.terms.filter(({ role }) => role === 'gauge-beneath') }, -1)
}

function partHeights(
  document: SetupDocument,
  solution: Solution,
  row: OffsetRow | undefined,
  quantity: QuantityName | undefined,
): readonly Height[] {
  const top = row && solution.heights.partTop[row]
  const zero = row && solution.heights.zero[row]
  if (top === undefined) {
    const isCompared = quantity?.of === 'nose-on-part' || quantity?.of === 'carried-difference'
    return isCompared
      ? [{ key: 'part-top', chain: stockHeight(document), known: false, guessed: true }]
      : []
  }
  const faced = zero !== undefined && valueOf(top) !== valueOf(zero)
  return [
    { key: 'part-top', chain: top, known: true },
    ...(faced ? [{ key: 'zero' as const, chain: zero, known: true }] : []),
  ]
}

/** A part that is not read yet is drawn as if it stood on the plane. */
const stockHeight = ({ sheet }: SetupDocument): Chain =>
  declared(stockDrawn(sheet).Z, 'sheet.stock.Z', 'stock')

/** A length of the sheet as a height; one that cannot be read draws as nothing. */
function declared(written: WrittenLength, id: string, name: string): Chain {
  const length = readLength(written)
  if (!length.ok) return EMPTY_CHAIN
  const source = { id, kind: 'drawing', name, length: length.value } as const
  return { terms: [{ source, coefficient: 1, role: 'drawing-coordinate' }] }
}

function partSpans(solution: Solution, row: OffsetRow | undefined): readonly Span[] {
  const zero = row && solution.heights.zero[row]
  const top = row && solution.heights.partTop[row]
  if (!zero || !top) return []
  const to = valueOf(top) === valueOf(zero) ? 'part-top' : 'zero'
  return [{ from: 'plane', to, kind: 'part-above-plane', chain: zero }]
}

/** Rungs with their numbers, counted from where the plane stands in the ladder's frame. */
function labelled(planeInFrame: Chain | undefined, heights: readonly Height[]): readonly Rung[] {
  return heights.map(({ key, chain, known, guessed }) => ({
    key,
    height: toNanometres(valueOf(chain)),
    ...(known && planeInFrame && { label: sumChains(planeInFrame, chain) }),
    ...(guessed && { guessed }),
  }))
}
