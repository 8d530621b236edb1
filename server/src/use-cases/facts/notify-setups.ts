import type { Member, NewFact } from '@pine/contract'
import type { SetupSheet } from '@pine/core/sheet'
import { rechecksNote } from '@pine/core/words'
import { v5 as uuidOf } from 'uuid'
import type { Clock } from '../../clock'
import type { Store } from '../../store/store'
import type { FactMetadata } from './sent-facts'
import type { Outcome } from '../../refusal'

/** What takes a fact into a set-up: all that telling them needs of what set-ups can do. */
interface FactSink {
  add(
    person: Member,
    setupId: string,
    fact: NewFact,
    beside?: FactMetadata,
  ): Promise<Outcome<unknown>>
}

/** What is needed to tell set-ups of what happened outside of them. */
export interface Shop {
  readonly store: Store
  readonly clock: Clock
  readonly setups: FactSink
}

type EventOf = Extract<NewFact, { kind: 'event' }>['body']

/** What happened, as a fact of a set-up; its id follows from both, so that what is sent twice is told once. */
export async function notifySetup(
  setups: FactSink,
  person: Member,
  happening: string,
  setup: string,
  body: EventOf,
): Promise<void> {
  const id = uuidOf(setup, happening)
  // A set-up that does not take it is none of those that are worked on: what it holds is not wrong by it.
  await setups.add(person, setup, { id, kind: 'event', body })
}

/** A tool that was measured again with no job in hand: everybody who works with it is told, and where it was corrected touches it again. */
export async function notifyRecheck(
  { store, setups }: Pick<Shop, 'store' | 'setups'>,
  person: Member,
  { from, sheet }: { readonly from: string; readonly sheet: SetupSheet },
  { id, body }: Extract<NewFact, { kind: 'event' }>,
): Promise<void> {
  if (body.kind !== 'tool-rechecked') return
  const assembly = sheet.tools.find(({ number }) => number === body.tool)?.assembly
  if (assembly === undefined) return
  for (const { setup, number } of await store.openUsesOf(assembly)) {
    if (setup === from) continue
    if (!body.kept)
      await notifySetup(setups, person, id, setup, { kind: 'tool-changed', tool: number })
    const note = { text: rechecksNote(body, number) }
    await setups.add(person, setup, { id: uuidOf(`${setup} note`, id), kind: 'note', body: note })
  }
}
