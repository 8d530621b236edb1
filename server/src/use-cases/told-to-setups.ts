import type { Member, NewFact } from '@pine/contract'
import { v5 as uuidOf } from 'uuid'
import type { Clock } from '../clock'
import type { Store } from '../store/store'
import type { Setups } from './setups'

/** What is needed to tell set-ups of what happened outside of them. */
export interface Shop {
  readonly store: Store
  readonly clock: Clock
  readonly setups: Setups
}

type EventOf = Extract<NewFact, { kind: 'event' }>['body']

/** What happened, as a fact of a set-up; its id follows from both, so that what is sent twice is told once. */
export async function tell(
  setups: Setups,
  person: Member,
  happening: string,
  setup: string,
  body: EventOf,
): Promise<void> {
  const id = uuidOf(setup, happening)
  // A set-up that does not take it is none of those that are worked on: what it holds is not wrong by it.
  await setups.add(person, setup, { id, kind: 'event', body })
}
