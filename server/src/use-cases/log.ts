import type { LogPage, LogQuery } from '@pine/contract'
import { foldSetup, type SetupFact } from '@pine/core/facts'
import { describeShopFact, storyLine } from '@pine/core/words'
import { validate as isUuid } from 'uuid'
import { accept, refuse, type Outcome } from '../refusal'
import type { LogCursor, LoggedFact } from '../store/log-store'
import type { Store } from '../store/store'

/** So many lines are on a page. */
const A_PAGE = 50

/** A page of everything that was entered in the shop, the youngest first. */
export async function logPage(
  store: Store,
  { before, from, to, ...asked }: LogQuery,
): Promise<Outcome<LogPage>> {
  const cursor = before === undefined ? undefined : cursorOf(before)
  if (before !== undefined && cursor === undefined) return noCursor(before)
  const found = await store.loggedFacts({
    ...asked,
    ...{ before: cursor, most: A_PAGE + 1 },
    ...(from !== undefined && { from: new Date(from) }),
    ...(to !== undefined && { to: new Date(to) }),
  })
  const facts = found.slice(0, A_PAGE)
  const declared = await store.declarationsOf([...new Set(facts.map(({ stream }) => stream.id))])
  const last = facts.at(-1)
  return accept({
    lines: inStreamOrder(facts).flatMap((one) => lineOf(one, declared.get(one.stream.id))),
    next: found.length > A_PAGE && last !== undefined ? written(last) : null,
  })
}

/**
 * Facts of one stream in the order of their places, whatever their clocks say: two that were sent one after the other may be told
 * some milliseconds the other way round. Each stream keeps the lines that it has among the others.
 */
function inStreamOrder(facts: readonly LoggedFact[]): readonly LoggedFact[] {
  const byStream = new Map<string, LoggedFact[]>()
  for (const fact of facts) {
    const own = byStream.get(fact.stream.id)
    if (own === undefined) byStream.set(fact.stream.id, [fact])
    else own.push(fact)
  }
  for (const own of byStream.values()) own.sort((one, other) => one.place - other.place)
  // From the youngest on: the last place of its stream comes first.
  return facts.flatMap(({ stream }) => byStream.get(stream.id)?.pop() ?? [])
}

function lineOf(
  { stream, place, fact }: LoggedFact,
  declared: object | undefined,
): LogPage['lines'] {
  if (declared === undefined) return []
  const { id, kind, by, recordedAt, body } = fact
  const at = recordedAt.toISOString()
  const name = 'name' in declared ? String(declared.name) : ''
  const line = { id, at, by: by.name, stream: { ...stream, name } }
  if (stream.kind !== 'setup') {
    const told = describeShopFact(stream.kind, kind, body, place)
    return told === undefined ? [] : [{ ...line, ...told }]
  }
  // Its sheet says what its tools and gauges are called: nothing else of the set-up is asked for.
  const sheet = { id, kind: 'sheet', by, at, via: fact.via, body: declared } as SetupFact
  const document = foldSetup({ id: stream.id, facts: [sheet] })
  const { tells, words } = storyLine(document, { ...fact, at } as unknown as SetupFact, place)
  return [{ ...line, tells, words }]
}

/** Where a page ended, as it travels. Moments are kept to the millisecond, as the server's clock gives them. */
const written = ({ stream, place, fact }: LoggedFact): string =>
  `${fact.recordedAt.toISOString()}_${stream.id}_${place}`

function cursorOf(text: string): LogCursor | undefined {
  const [at = '', stream = '', place = ''] = text.split('_')
  const isSound = !Number.isNaN(Date.parse(at)) && isUuid(stream) && /^\d{1,7}$/.test(place)
  return isSound ? { at: new Date(at), stream, place: Number(place) } : undefined
}

const noCursor = (received: string) =>
  refuse('input-wrong', {
    place: 'before',
    message: 'This is no end of a page.',
    expected: 'what the page before said as next',
    received: received.slice(0, 80),
    remedy: 'Begin with the first page.',
  })
