import type { NewFactOf, ShopStream } from '@pine/contract'
import type { Author } from '@pine/core/journal'
import { v7 as uuid } from 'uuid'
import { postAndHear } from '../outbox/outbox'
import type { EntryOf, OutboxEntry } from '../outbox/outbox-entry'

type WithoutId<Fact> = Fact extends unknown ? Omit<Fact, 'id'> : never

/**
 * Enters a fact of a machine, a gauge or a tool: kept here, sent as soon as the server answers. Throws where the server refuses it;
 * true where the server has it, false where nobody answers and it waits.
 */
export async function enterOutside<Kind extends ShopStream>(
  stream: { readonly kind: Kind; readonly id: string },
  fact: WithoutId<NewFactOf<Kind>>,
  person: Author | null | undefined,
): Promise<boolean> {
  const entry = {
    stream,
    fact: { id: uuid(), ...structuredClone(fact) },
    by: person ? { id: person.id, name: person.name } : { name: '' },
    at: new Date().toISOString(),
  } as unknown as EntryOf<Kind>
  return postAndHear(entry as unknown as OutboxEntry)
}

/** What is declared on this device and still on its way, over what the server tells: a list as it will be. */
export function withWaiting<Kind extends ShopStream, Entry extends { readonly id: string }>(
  known: readonly Entry[] | undefined,
  outbox: readonly OutboxEntry[],
  kind: Kind,
  entryOf: (id: string, body: Extract<NewFactOf<Kind>, { kind: Kind }>['body']) => Entry,
): readonly Entry[] | undefined {
  const declared = new Map<string, Entry>()
  for (const { stream, fact, refused } of outbox)
    if (stream.kind === kind && fact.kind === kind && refused === undefined)
      declared.set(stream.id, entryOf(stream.id, fact.body as never))
  if (known === undefined || declared.size === 0) return known
  const here = new Set(known.map(({ id }) => id))
  return [
    ...known.map((entry) => declared.get(entry.id) ?? entry),
    ...[...declared.values()].filter(({ id }) => !here.has(id)),
  ]
}
