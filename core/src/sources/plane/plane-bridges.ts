import type { Reading } from '../../facts/bodies/reading'
import type { SetupDocument } from '../../facts/document'
import type { SetupEvent } from '../../facts/bodies/event'
import { planeFamilies } from './plane-families'
import type { SourceReader } from '../sources'

/** One tool's touches on the plane where it lay for one family of readings, and where it lies for a later one. */
export interface PlaneBridge {
  readonly from: string
  readonly to: string
  readonly before: Reading
  readonly after: Reading
}

type Rebased = Pick<Extract<SetupEvent, { kind: 'rebased' }>, 'tool' | 'place'>

/**
 * What re-basing on a tool ties together: each family of readings in which the tool was touched to the one of its last
 * touch. It carries over no reading of another family, however often the plane moved between.
 */
export function bridgesBy(
  document: SetupDocument,
  sources: SourceReader,
  { tool, place }: Rebased,
): readonly PlaneBridge[] {
  const familyOf = planeFamilies(document, sources)
  const superseded = new Set(document.readings.map(({ supersedes }) => supersedes))
  const touches = document.readings.filter(
    (reading) =>
      reading.of === 'tip-on-plane' &&
      reading.tool === tool &&
      reading.place < place &&
      !superseded.has(reading.id),
  )
  const after = touches.at(-1)
  const to = after && familyOf(after)
  if (after === undefined || to === undefined || generationOf(to) !== generationAt(document, place))
    return []
  const last = new Map(
    touches.flatMap((touch) => {
      const from = familyOf(touch)
      return from === undefined || generationOf(from) >= generationOf(to)
        ? []
        : [[from, touch] as const]
    }),
  )
  return [...last].map(([from, before]) => ({ from, to, before, after }))
}

// Asked for every reading on the plane: worked out once for each reader of a document.
const workedOut = new WeakMap<SourceReader, readonly PlaneBridge[]>()

/** What all re-bases of a set-up tie together, the newest first. */
function bridgesOf(document: SetupDocument, sources: SourceReader): readonly PlaneBridge[] {
  const known = workedOut.get(sources)
  if (known !== undefined) return known
  const bridges = document.events
    .filter((event) => event.kind === 'rebased')
    .toReversed()
    .flatMap((event) => bridgesBy(document, sources, event))
  workedOut.set(sources, bridges)
  return bridges
}

const generationOf = (family: string): number => Number.parseInt(family, 10)

/** How often the plane had been moved before a place of the stream. */
const generationAt = ({ events }: Pick<SetupDocument, 'events'>, place: number): number =>
  events.filter((one) => one.kind === 'plane-moved' && one.place < place).length

/**
 * The bridges that carry a reading to where the plane lies as far as re-bases tell, one after the other; none where it
 * belongs to no family, or nothing ties its own to a later one.
 */
export function bridgesOver(
  document: SetupDocument,
  sources: SourceReader,
  reading: Reading,
): readonly PlaneBridge[] {
  const bridges = bridgesOf(document, sources)
  if (bridges.length === 0) return []
  const pathFrom = (family: string): readonly PlaneBridge[] => {
    const [furthest] = bridges
      .filter(({ from }) => from === family)
      .toSorted((one, other) => generationOf(other.to) - generationOf(one.to))
    return furthest === undefined ? [] : [furthest, ...pathFrom(furthest.to)]
  }
  const family = planeFamilies(document, sources)(reading)
  return family === undefined ? [] : pathFrom(family)
}
