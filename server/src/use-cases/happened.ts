import type { Member, NewMachineEvent, NewToolEvent, ToolHistory } from '@pine/contract'
import { validate as isUuid } from 'uuid'
import { accept, type Outcome } from '../refusal'
import { notAllowed } from './allowed'
import { machineName, machinesOf, noMachine } from './shop'
import { tell, type Shop } from './told-to-setups'
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
  const name = machineName(await machinesOf(store), machineId)
  const plane = body.what === 'plane-moved' ? body.plane : undefined
  for (const setup of await store.openOn({ id: machineId, name }, plane))
    await tell(setups, person, id, setup, { kind: body.what })
  return accept({ id })
}
