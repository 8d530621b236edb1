import type { Member, NewFactOf, ShopStream, StreamAnswer } from '@pine/contract'
import type { StreamKind } from '@pine/core/journal'
import type { SetupSheet } from '@pine/core/sheet'
import { validate as isUuid } from 'uuid'
import { accept, type Outcome } from '../../refusal'
import { answer, appendToShop } from './append-to-shop'
import type { FactMetadata } from './sent-facts'
import type { Setups } from '../setups/setups'
import { enteredByAnother, noStream } from './stream-refusals'
import type { Shop } from './notify-setups'

/** The streams of a shop: set-ups, machines, gauges, tools. Every fact of all of them comes in here. */
export interface Streams {
  /** Writes a fact at the end of its stream, or begins the stream with it. The same fact again changes nothing. */
  append<Kind extends StreamKind>(
    person: Member,
    stream: { readonly kind: Kind; readonly id: string },
    fact: NewFactOf<Kind>,
    beside?: FactMetadata,
  ): Promise<Outcome<StreamAnswer>>
  /** The facts of a stream from a place on. */
  since(
    stream: { readonly kind: StreamKind; readonly id: string },
    from: number,
  ): Promise<Outcome<StreamAnswer>>
}

export type AllOfShop = Omit<Shop, 'setups'> & { readonly setups: Setups }

export function streamsOf(shop: AllOfShop): Streams {
  const { store, setups } = shop
  return {
    async append(person, { kind, id }, fact, beside = {}) {
      if (beside.by !== undefined && beside.by !== person.id) return enteredByAnother()
      if (kind === 'setup')
        return appendToSetup(setups, person, id, fact as NewFactOf<'setup'>, beside)
      return appendToShop(shop, person, { kind, id }, fact as NewFactOf<ShopStream>, beside)
    },

    async since({ kind, id }, from) {
      if (kind === 'setup') return (await setups.since(id, from)) as Outcome<StreamAnswer>
      const facts = isUuid(id) ? await store.streamFacts({ kind, id }) : []
      return facts === 'another' || facts.length === 0
        ? noStream(kind, id)
        : accept(answer(facts, from))
    },
  }
}

/** A sheet begins a set-up that is not there. */
async function appendToSetup(
  setups: Setups,
  person: Member,
  id: string,
  fact: NewFactOf<'setup'>,
  beside: FactMetadata,
): Promise<Outcome<StreamAnswer>> {
  const added = await setups.add(person, id, fact, beside)
  if (added.ok || fact.kind !== 'sheet' || added.refusal.code !== 'not-found' || !isUuid(id))
    return added as Outcome<StreamAnswer>
  const sheet: SetupSheet = fact.body
  const begun = await setups.create(person, { id, sheetFactId: fact.id, sheet }, beside)
  return begun.ok
    ? (accept({ from: 0, facts: begun.value.file.facts }) as Outcome<StreamAnswer>)
    : begun
}
