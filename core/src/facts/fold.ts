import {
  LIST_OF,
  type ListedKind,
  type PutAway,
  type SetupFact,
  type SetupFile,
} from './bodies/bodies'
import type { SetupDocument } from './document'

/** Facts after which a released set-up is still what was released. */
const CHANGES_NOTHING: readonly SetupFact['kind'][] = [
  'record',
  'program-check',
  'put-away',
  'note',
]

/**
 * A set-up as it stands after all facts of its stream: the same on the device, on the server and on the command line.
 *
 * @throws RangeError where the stream does not begin with a sheet: no use case writes such a one.
 */
export function foldSetup({ id, facts }: Pick<SetupFile, 'id' | 'facts'>): SetupDocument {
  const [first, ...rest] = facts
  if (first?.kind !== 'sheet')
    throw new RangeError(`set-up ${id} begins with ${first?.kind ?? 'nothing'}, not with a sheet`)
  // Grown in place while nobody else has it: a copy of every list for every fact takes the square of their number.
  const lists = Object.fromEntries(
    Object.values(LIST_OF).map((list) => [list, [] as object[]]),
  ) as Growing
  const grown = {
    ...(lists as unknown as Pick<SetupDocument, keyof Growing>),
    ...{ id, sheet: first.body, sheetPlace: 0, length: 1, lastChange: 0 },
  }
  for (const fact of rest) {
    if (fact.kind === 'sheet') {
      grown.sheet = fact.body
      grown.sheetPlace = grown.length
    } else lists[LIST_OF[fact.kind]].push(enteredAs(fact, grown))
    grown.lastChange = lastChangeAfter(fact, grown)
    grown.length += 1
  }
  for (const list of Object.values(LIST_OF)) Object.freeze(lists[list])
  return Object.freeze(grown)
}

/** The lists of a set-up while they are filled. */
type Growing = Record<(typeof LIST_OF)[ListedKind], object[]>

type Standing = Pick<SetupDocument, 'length' | 'lastChange' | 'readings'>

/** The set-up with one more fact at its end; the one before stays as it was. */
export function appendFact(document: SetupDocument, fact: SetupFact): SetupDocument {
  const grown = {
    ...document,
    length: document.length + 1,
    lastChange: lastChangeAfter(fact, document),
  }
  if (fact.kind === 'sheet') return { ...grown, sheet: fact.body, sheetPlace: document.length }
  const list = LIST_OF[fact.kind]
  return { ...grown, [list]: [...document[list], enteredAs(fact, document)] }
}

const lastChangeAfter = ({ kind }: SetupFact, { length, lastChange }: Standing): number =>
  CHANGES_NOTHING.includes(kind) ? lastChange : length

/** A fact as it stands in its list, with its place in the stream. */
function enteredAs(fact: SetupFact, { length: place, readings }: Standing): object {
  const { id, by, at, via, seen, device, kind, body } = fact
  return {
    ...body,
    // What it says by the id of another is told as its place.
    ...(kind === 'event' &&
      body.kind === 'check-failed' && {
        goodThrough: readings.find((reading) => reading.id === body.lastGood)?.place ?? -1,
      }),
    ...(seen !== undefined && { seen }),
    ...(device !== undefined && { device }),
    ...{ id, by, at, via, place },
  }
}

/** Whether the last record stands for the set-up as it is: nothing that changes it was entered since. */
export const isReleased = ({ records, lastChange }: SetupDocument): boolean =>
  (records.at(-1)?.place ?? -1) > lastChange

/** The last word on whether it is put away, where it is. What is entered later, by whoever did not know, brings it back. */
export function putAway({ putAways, lastChange }: SetupDocument): PutAway | undefined {
  const last = putAways.at(-1)
  return last?.moves === 'away' && last.place > lastChange ? last : undefined
}

/** The ids of every fact in a set-up, but of its sheets. */
export const factIds = (document: SetupDocument): ReadonlySet<string> =>
  new Set(Object.values(LIST_OF).flatMap((list) => document[list].map(({ id }) => id)))
