import type { Member, NewFact, NewMachineEvent, NewToolEvent, ToolHistory } from '@pine/contract'
import { v5 as uuidOf, validate as isUuid } from 'uuid'
import type { Clock } from '../clock'
import { accept, refuse, type Outcome } from '../refusal'
import type { Store } from '../store/store'
import { notAllowed } from './allowed'
import type { Setups } from './setups'
import { entered, noTool, toolHistory } from './tools'

/** Something happened to a tool outside of a set-up: every open set-up that it was touched in is told. Sent twice it happened once. */
export async function addToolEvent(
  { store, clock, setups }: Shop,
  person: Member,
  toolId: string,
  { id, ...body }: NewToolEvent,
): Promise<Outcome<ToolHistory>> {
  const refusal = notAllowed(person, 'enter')
  if (refusal) return { ok: false, refusal }
  const fact = { id, kind: 'tool-event', body, ...entered(person, clock) } as const
  const added = isUuid(toolId) ? await store.addOutside('tool', toolId, fact) : 'missing'
  if (added === 'missing') return noTool(toolId)
  for (const { setup, number } of await store.openUsesOf(toolId))
    await tell(setups, person, id, setup, { kind: 'tool-changed', tool: number })
  return toolHistory(store, clock, toolId)
}

/** Something happened to a machine outside of a set-up: every open set-up on it, and on that plane, is told. */
export async function addMachineEvent(
  { store, clock, setups }: Shop,
  person: Member,
  machineId: string,
  { id, ...body }: NewMachineEvent,
): Promise<Outcome<{ readonly id: string }>> {
  const refusal = notAllowed(person, 'enter')
  if (refusal) return { ok: false, refusal }
  const fact = { id, kind: 'machine-event', body, ...entered(person, clock) } as const
  const added = isUuid(machineId) ? await store.addOutside('machine', machineId, fact) : 'missing'
  if (added === 'missing') return noMachine(machineId)
  const plane = body.what === 'plane-moved' ? body.plane : undefined
  for (const setup of await store.openOn(machineId, plane))
    await tell(setups, person, id, setup, { kind: body.what })
  return accept({ id })
}

interface Shop {
  readonly store: Store
  readonly clock: Clock
  readonly setups: Setups
}

type EventOf = Extract<NewFact, { kind: 'event' }>['body']

/** What happened, as a fact of a set-up; its id follows from both, so that what is sent twice is told once. */
async function tell(
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

const noMachine = (received: string) =>
  refuse('not-found', {
    message: 'There is no such machine.',
    expected: 'a machine of the shop',
    received,
    remedy: 'Load the list again.',
  })
