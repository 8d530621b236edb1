import type { Readable } from 'node:stream'
import type { Member } from '@pine/contract'
import { writeArchive, type Archived } from '@pine/formats/archive'
import type { Clock } from '../../clock'
import { accept, type Outcome } from '../../refusal'
import type { FactRow } from '../../store/rows/fact-row'
import type { Store } from '../../store/store'
import { notAllowed } from '../people/allowed'

/** The whole shop as one file, as it is made: asked for by a lead, for it holds everything. */
export async function archiveOf(
  store: Store,
  clock: Clock,
  person: Member,
): Promise<Outcome<{ readonly name: string; readonly zip: Readable }>> {
  const refusal = notAllowed(person, 'people')
  if (refusal) return { ok: false, refusal }
  return accept(await archiveShop(store, clock, person.name))
}

/** The same for whoever has the keys of the server. */
export async function archiveShop(store: Store, clock: Clock, madeBy: string) {
  const { name } = await store.shop()
  const madeAt = clock().toISOString()
  const zip = writeArchive(archivedOf(store), { shop: name, madeBy, madeAt })
  return { name: `shop-${madeAt.slice(0, 10)}.pine.zip`, zip }
}

/** What is in an archive, one thing after the other: each is asked of the database when its turn comes. */
async function* archivedOf(store: Store): AsyncIterable<Archived> {
  yield one('people.json', async () => JSON.stringify(await store.archivedPeople(), null, 1))
  for (const { id, kind } of await store.streamKeys())
    yield {
      name: `streams/${kind}/${id}.jsonl`,
      bytes: async function* () {
        for (const fact of await store.factsFrom(id, 0)) yield `${JSON.stringify(factLine(fact))}\n`
      },
    }
  for (const id of await store.frozenIds())
    yield one(`records/${id}.json`, async () => JSON.stringify(await store.frozen(id)))
  for (const sha256 of await store.programHashes())
    yield one(`programs/${sha256}.nc`, async () => (await store.programText(sha256)) ?? '')
}

const one = (name: string, content: () => Promise<string | Uint8Array>): Archived => ({
  name,
  bytes: async function* () {
    yield await content()
  },
})

/** A fact as a line of its stream: the same fields as in a set-up’s file. */
const factLine = ({ id, kind, by, recordedAt, seen, device, via, body }: FactRow) => ({
  ...{ id, kind, by, at: recordedAt.toISOString(), seen, device, via, body },
})
