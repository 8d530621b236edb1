import type { MachineReport } from '@pine/contract'
import { validate as isUuid } from 'uuid'
import type { Agents } from '../agents/ask-agent'
import { accept, refuse, type Outcome } from '../refusal'
import type { Store } from '../store/store'
import { machinesOf, noMachine } from './shop'

/** A machine's report of this moment, from its agent. */
export async function askMachine(
  store: Store,
  agents: Agents,
  id: string,
): Promise<Outcome<MachineReport>> {
  const machine = isUuid(id) ? (await machinesOf(store)).find((one) => one.id === id) : undefined
  if (machine === undefined) return noMachine(id)
  if (machine.agent === undefined)
    return refuse('agent-failed', {
      place: 'agent',
      message: `${machine.machine.name} has no network address: its numbers are typed.`,
      expected: 'a machine with the network address of its agent',
      received: 'none',
      remedy: 'Type what the display shows. A lead can enter the address on the machine’s page.',
    })
  const report = await agents.ask(machine.agent.address)
  if (!('failure' in report)) return accept(report)
  return refuse('agent-failed', {
    place: 'agent',
    message: report.words,
    expected: 'the position of the machine, from its agent',
    received: report.failure,
    remedy: 'Type what the display shows.',
  })
}
