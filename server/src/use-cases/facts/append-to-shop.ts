import type { Member, NewFactOf, ShopStream, StreamAnswer } from '@pine/contract'
import { validate as isUuid } from 'uuid'
import { accept, type Outcome } from '../../refusal'
import type { FactRow, NewFactRow } from '../../store/rows/fact-row'
import { QueueTimeout } from './keyed-queue'
import { isSame, momentOf, type FactMetadata } from './sent-facts'
import { decideOf, followsFrom, toolRowOf } from './shop-facts'
import { idInUse, noStream } from './stream-refusals'
import type { Shop } from './notify-setups'

/** So often another may be first: each time, its fact is written. */
const MOST_TRIES = 20

/**
 * Decides of a fact by what stands in its stream, and writes it at the next place. Where another was first there, what came since
 * is read and it is decided anew.
 */
export async function appendToShop(
  shop: Shop,
  person: Member,
  stream: { readonly kind: ShopStream; readonly id: string },
  fact: NewFactOf<ShopStream>,
  entered: Pick<FactMetadata, 'at' | 'sent'> = {},
): Promise<Outcome<StreamAnswer>> {
  const { store, clock } = shop
  const { kind, id } = stream
  if (!isUuid(id)) return noStream(kind, id)
  let length = -1
  for (let tries = 0; tries < MOST_TRIES; tries += 1) {
    const before = await store.streamFacts(stream)
    if (before === 'another') return idInUse(id)
    const place = before.findIndex((one) => one.id === fact.id)
    const same = before[place]
    if (same !== undefined) {
      if (same.kind !== fact.kind || !isSame(same.body, fact.body)) return idInUse(fact.id)
      // Whoever sends it again may do so because what follows from it failed.
      await followsFrom(kind, { shop, person, id, before: before.slice(0, place), fact })
      return accept(answer(before, place))
    }
    // Its place is free, so it is its id that something else has.
    if (before.length === length) return idInUse(fact.id)
    length = before.length
    const sent = { shop, person, id, before, fact }
    const decided = decideOf(kind, sent)
    if (!decided.ok) return decided
    const row: NewFactRow = {
      id: fact.id,
      kind: fact.kind,
      body: decided.value,
      via: fact.via ?? 'typed',
      personId: person.id,
      // Entered without a network it is of the moment when it was entered.
      recordedAt: momentOf(entered, clock()),
    }
    const tool = fact.kind === 'tool' ? toolRowOf(id, decided.value) : undefined
    if ((await store.appendOutside(stream, length, row, tool)) === 'taken') continue
    await followsFrom(kind, sent)
    const { personId, ...kept } = row
    const by = { id: personId, name: person.name }
    return accept(answer([...before, { ...kept, by }], length))
  }
  throw new QueueTimeout('others were always first')
}

/** Facts of a stream from a place on, as they are told. */
export const answer = (facts: readonly FactRow[], from: number): StreamAnswer => ({
  from,
  facts: facts.slice(from).map(({ recordedAt, ...fact }) => ({
    ...fact,
    body: { ...fact.body },
    at: recordedAt.toISOString(),
  })),
})
