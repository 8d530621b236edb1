import type { SetupDocument } from '../facts/document'
import { isBehind } from '../freshness/stale'
import { bridgesBy } from '../sources/plane/plane-bridges'
import { planeFamilies } from '../sources/plane/plane-families'
import { SourceReader } from '../sources/sources'

/** Lengths from before a plane moved that one tool carries over it: it is touched before and after, or still to be. */
export interface CarriedOver {
  readonly by: number
  /** It was touched again already: what is left is to say so. */
  readonly isTouched: boolean
  readonly tools: readonly number[]
}

/**
 * Of tools that are to be touched again, those that need not be, because all that happened since their touch is that the plane
 * moved: as a whole, so that one of them tells by how much (docs/domain.md, “What ends a number”). Undefined where it did not, or it would carry none.
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
  const others = events.filter(({ kind }) => kind !== 'plane-moved')
  const superseded = new Set(readings.map(({ supersedes }) => supersedes))
  const sources = new SourceReader(document)
  const familyOf = planeFamilies(document, sources)
  const held = open.flatMap((tool) => {
    const before = readings.findLast(
      (one) =>
        one.of === 'tip-on-plane' &&
        one.tool === tool &&
        one.place < moved.place &&
        !superseded.has(one.id),
    )
    const family = before && familyOf(before)
    const holds = before && !others.some((event) => isBehind(event, before, document))
    return holds && family !== undefined ? [{ tool, family }] : []
  })
  /** Other tools that are to be touched, whose last touch is of one of those families. */
  const carriedBy = (by: number, families: ReadonlySet<string>) =>
    held.flatMap(({ tool, family }) => (families.has(family) && tool !== by ? [tool] : []))
  for (const { number } of sheet.tools) {
    const bridges = bridgesBy(document, sources, { tool: number, place: document.length })
    const tools = carriedBy(number, new Set(bridges.map(({ from }) => from)))
    if (tools.length > 0) return { by: number, isTouched: true, tools }
  }
  // Of several that would carry others, the one that carries the most is touched.
  const [most] = held
    .map(({ tool }) => {
      const touched = readings.flatMap((one) =>
        one.of === 'tip-on-plane' && one.tool === tool && !superseded.has(one.id)
          ? (familyOf(one) ?? [])
          : [],
      )
      return { by: tool, tools: carriedBy(tool, new Set(touched)) }
    })
    .toSorted((one, other) => other.tools.length - one.tools.length)
  return most === undefined || most.tools.length === 0 ? undefined : { ...most, isTouched: false }
}
