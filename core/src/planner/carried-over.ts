import type { SetupDocument } from '../facts/document'
import { rebaseOf } from '../facts/rebase'
import { isBehind } from '../freshness/stale'

/** Lengths from before a plane moved that one tool carries over it: it is touched before and after, or still to be. */
export interface CarriedOver {
  readonly by: number
  /** It was touched again already: what is left is to say so. */
  readonly isTouched: boolean
  readonly tools: readonly number[]
}

/**
 * Of tools that are to be touched again, those that need not be, because all that happened since their touch is that the plane
 * moved: as a whole, so that one of them tells by how much (domain.md §12). Undefined where it did not, or it would carry none.
 *
 * @param open numbers of the tools that are to be touched.
 */
export function carriedOver(
  document: SetupDocument,
  open: readonly number[],
): CarriedOver | undefined {
  const { readings, events, sheet } = document
  const moved = events.findLast(({ kind }) => kind === 'plane-moved')
  if (moved === undefined) return undefined
  // What was read before an earlier move that nothing was re-based over stands two moves back: one touch does not bridge them.
  const from = events.findLast(
    ({ kind, place }) => (kind === 'plane-moved' || kind === 'rebased') && place < moved.place,
  )
  const since = from?.kind === 'plane-moved' ? from.place : -1
  const others = events.filter(({ kind }) => kind !== 'plane-moved')
  const superseded = new Set(readings.map(({ supersedes }) => supersedes))
  const held = open.filter((tool) => {
    const before = readings.findLast(
      (one) =>
        one.of === 'tip-on-plane' &&
        one.tool === tool &&
        one.place < moved.place &&
        one.place > since &&
        !superseded.has(one.id),
    )
    return before !== undefined && !others.some((event) => isBehind(event, before, document))
  })
  const by = sheet.tools.find(({ number }) => {
    const pair = rebaseOf(document, { tool: number, place: document.length })
    return pair !== undefined && pair.before.place > since
  })?.number
  if (by !== undefined) return held.length === 0 ? undefined : { by, isTouched: true, tools: held }
  const [first, ...rest] = held
  return first === undefined || rest.length === 0
    ? undefined
    : { by: first, isTouched: false, tools: rest }
}
