import { EMPTY_CHAIN, scaleChain, sumChains, valueOf, type Chain } from '../chain/chain'
import type { Nanometres } from '../length/length'
import type { OffsetRow, SetupDocument } from '../setup/document'
import { standingReadings, type QuantityName } from '../setup/quantity'
import type { Solution } from '../setup/solution'

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
  /** In the ladder's frame; absent while the frame is not known. */
  readonly label?: Chain
}

/** A distance worth showing between two rungs. */
export interface Span {
  readonly from: RungKey
  readonly to: RungKey
  readonly kind: 'tool-length' | 'gauge' | 'part-above-plane' | 'facing'
  readonly chain: Chain
}

/** Z as rungs, to scale, computed from the same chains as the registers. */
export interface Ladder {
  readonly frame: LadderFrame
  readonly rungs: readonly Rung[]
  readonly spans: readonly Span[]
  /** Tool that is drawn, or the bare nose, or nothing. */
  readonly body: 'nose' | 'tool' | 'none'
}

/**
 * The ladder for a step, or for the whole set-up when no quantity is given.
 *
 * In the nose's frame a rung says where the bare nose would stand; where the nose was never
 * touched, a tool's rungs say where that tool's tip would stand; a carried difference is shown
 * from the plane.
 */
export function ladderOf(
  document: SetupDocument,
  solution: Solution,
  quantity?: QuantityName,
): Ladder {
  const { noseOnPlane } = solution.heights
  const row = rowOf(document, quantity)
  const part = row === undefined ? [] : partRungs(solution, row)
  if (quantity?.of === 'tip-on-plane') return toolLadder(document, solution, quantity.tool, part)
  const frame: LadderFrame =
    noseOnPlane && quantity?.of !== 'carried-difference' ? { of: 'nose' } : { of: 'plane' }
  const nose = quantity?.of === 'nose-on-plane' || quantity?.of === 'nose-on-part'
  const contact = nose ? contactGauge(document, solution, quantity) : undefined
  return {
    frame,
    body: nose ? 'nose' : 'none',
    ...labelled(frame.of === 'nose' ? noseOnPlane : EMPTY_CHAIN, [
      ...(contact ? [{ key: 'nose' as const, chain: contact }] : []),
      { key: 'plane', chain: EMPTY_CHAIN },
      ...part,
    ]),
    spans: partSpans(solution, row),
  }
}

function toolLadder(
  document: SetupDocument,
  solution: Solution,
  tool: number,
  part: readonly { key: RungKey; chain: Chain }[],
): Ladder {
  const { noseOnPlane, tipOnPlane } = solution.heights
  const tip = tipOnPlane.get(tool)
  const gauge = contactGauge(document, solution, { of: 'tip-on-plane', tool })
  const length = tip && noseOnPlane && sumChains(tip, scaleChain(noseOnPlane, -1))
  const frame: LadderFrame =
    document.sheet.school === 'gauge-line' ? { of: 'nose' } : { of: 'tool', tool }
  return {
    frame,
    body: 'tool',
    ...labelled(frame.of === 'nose' ? noseOnPlane : tip, [
      ...(length && gauge ? [{ key: 'nose' as const, chain: sumChains(gauge, length) }] : []),
      ...(gauge ? [{ key: 'tip' as const, chain: gauge }] : []),
      { key: 'plane', chain: EMPTY_CHAIN },
      ...part,
    ]),
    spans: [
      ...(length && gauge
        ? [{ from: 'nose', to: 'tip', kind: 'tool-length', chain: length } as const]
        : []),
      ...(gauge && gauge.terms.length > 0
        ? [{ from: 'tip', to: 'plane', kind: 'gauge', chain: gauge } as const]
        : []),
    ],
  }
}

/** Rungs with labels in the frame whose plane stands at `planeInFrame`. */
function labelled(
  planeInFrame: Chain | undefined,
  rungs: readonly { readonly key: RungKey; readonly chain: Chain }[],
): Pick<Ladder, 'rungs'> {
  return {
    rungs: rungs.map(({ key, chain }) => ({
      key,
      height: valueOf(chain),
      ...(planeInFrame && { label: sumChains(planeInFrame, chain) }),
    })),
  }
}

function partRungs(solution: Solution, row: OffsetRow): readonly { key: RungKey; chain: Chain }[] {
  const top = solution.heights.partTop.get(row)
  const zero = solution.heights.zero.get(row)
  const faced = top && zero && valueOf(top) !== valueOf(zero)
  return [
    ...(top ? [{ key: 'part-top' as const, chain: top }] : []),
    ...(faced ? [{ key: 'zero' as const, chain: zero }] : []),
  ]
}

function partSpans(solution: Solution, row: OffsetRow | undefined): readonly Span[] {
  const zero = row && solution.heights.zero.get(row)
  const top = row && solution.heights.partTop.get(row)
  if (!zero || !top) return []
  const faced = valueOf(top) !== valueOf(zero)
  return [{ from: 'plane', to: faced ? 'zero' : 'part-top', kind: 'part-above-plane', chain: zero }]
}

/** How high above the plane the touching body stands: on what lay beneath at its touch. */
function contactGauge(
  document: SetupDocument,
  solution: Solution,
  quantity: QuantityName,
): Chain | undefined {
  const touch = standingReadings(document.readings, quantity).at(-1)
  if (touch === undefined) return undefined
  const { heights } = solution
  if (quantity.of === 'nose-on-part') {
    const touched = heights.noseOnPart.get(quantity.row)
    const top = heights.partTop.get(quantity.row)
    return touched && top && sumChains(top, gaugeBeneath(touched))
  }
  const plane =
    quantity.of === 'tip-on-plane' ? heights.tipOnPlane.get(quantity.tool) : heights.noseOnPlane
  return plane && gaugeBeneath(plane)
}

/** The gauge of a touched plane: it was taken off there, so it is turned back. */
function gaugeBeneath(plane: Chain): Chain {
  return scaleChain({ terms: plane.terms.filter(({ role }) => role === 'gauge-beneath') }, -1)
}

const rowOf = (
  document: SetupDocument,
  quantity: QuantityName | undefined,
): OffsetRow | undefined =>
  quantity !== undefined && 'row' in quantity ? quantity.row : document.sheet.offsets[0]?.row
