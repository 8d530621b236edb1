import { unknownName, valueProblems, type KnownNames } from '../fields/walk'
import type { Entered } from '../journal/entered'
import type { Problem } from '../problem/problem'
import { quantityKey } from '../quantities/quantities'
import { checkSheet } from '../sheet/check/check-sheet'
import { namesOf } from '../sheet/check/names'
import { LIST_OF, LISTED_KINDS, SETUP_BODIES } from './bodies/bodies'
import type { SetupDocument } from './document'
import type { SetupEvent } from './bodies/event'
import { rebaseOf } from './rebase'

/**
 * Everything that is wrong with a document of the right shape, in one pass: numbers that cannot be
 * read, sizes below zero, names that point nowhere, numbers given twice.
 */
export function checkDocument(document: SetupDocument): readonly Problem[] {
  const names = namesOf(document.sheet)
  return [
    ...checkSheet(document.sheet),
    ...LISTED_KINDS.flatMap((kind) =>
      document[LIST_OF[kind]].flatMap((fact) =>
        valueProblems(SETUP_BODIES[kind], fact, at(fact), names),
      ),
    ),
    ...readingProblems(document),
    ...document.events.flatMap((event) => eventProblems(document, event, names)),
  ]
}

/** Where a fact stands in the file. */
const at = ({ place }: Pick<Entered, 'place'>): string => `facts.${place}.body`

/** What an event says of others that its fields do not tell by themselves. */
function eventProblems(
  document: SetupDocument,
  event: SetupEvent,
  names: KnownNames,
): readonly Problem[] {
  const place = at(event)
  if (event.kind === 'check-failed')
    return event.lastGood !== undefined && event.goodThrough < 0
      ? [{ ...UNKNOWN_READING, place: `${place}.lastGood`, received: event.lastGood }]
      : []
  if (event.kind === 'rebased')
    return names.tools.has(`T${event.tool}`) && rebaseOf(document, event) === undefined
      ? [{ code: 'rebase-undetermined', place, received: `T${event.tool}` }]
      : []
  if (event.kind !== 'order-told') return []
  const idsOf = (facts: readonly Entered[]) => new Set(facts.map(({ id }) => id))
  return [
    ...unknownName(`${place}.reading`, event.reading, idsOf(document.readings)),
    ...unknownName(`${place}.event`, event.event, idsOf(document.events)),
  ]
}

/** A reading of a part is not reused, and replaces only an earlier one of the same quantity. */
function readingProblems({ readings }: SetupDocument): readonly Problem[] {
  const earlier = new Map<string, string>()
  return readings.flatMap((reading) => {
    const place = at(reading)
    const key = quantityKey(reading)
    const problems: readonly Problem[] = [
      ...(reading.kept !== undefined && 'row' in reading
        ? [{ code: 'kept-of-part', place: `${place}.kept`, received: reading.of } as const]
        : []),
      ...supersedesProblem(place, reading.supersedes, key, earlier),
    ]
    earlier.set(reading.id, key)
    return problems
  })
}

const UNKNOWN_READING = { code: 'reference-unknown', limit: 'the ids of earlier readings' } as const

/** A reading may replace only an earlier one of the same quantity. */
function supersedesProblem(
  place: string,
  supersedes: string | undefined,
  key: string,
  earlier: ReadonlyMap<string, string>,
): readonly Problem[] {
  if (supersedes === undefined) return []
  const of = earlier.get(supersedes)
  if (of === key) return []
  const where = { place: `${place}.supersedes`, received: supersedes }
  return of === undefined
    ? [{ ...where, ...UNKNOWN_READING }]
    : [{ ...where, code: 'supersedes-other', limit: of }]
}
