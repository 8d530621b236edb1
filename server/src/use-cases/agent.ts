import type { AgentTold } from '@pine/contract'
import { validate as isUuid } from 'uuid'
import type { Agents } from '../agents/ask-agent'
import { accept, refuse, type Outcome } from '../refusal'
import type { Store } from '../store/store'
import { machinesOf, noMachine } from './shop'

/** What a machine says of itself now, asked by its agent. */
export async function askMachine(
  store: Store,
  agents: Agents,
  id: string,
): Promise<Outcome<AgentTold>> {
  const machine = isUuid(id) ? (await machinesOf(store)).find((one) => one.id === id) : undefined
  if (machine === undefined) return noMachine(id)
  if (machine.agent === undefined)
    return refuse('agent-silent', {
      place: 'agent',
      message: `Nothing is known of ${machine.machine.name} but what is typed.`,
      expected: 'a machine that is declared with the address of its agent',
      received: 'none',
      remedy: 'Type what the display shows; a lead can enter the address at the machine.',
    })
  const told = await agents.ask(machine.agent.address)
  if (!('silent' in told)) return accept(told)
  return refuse('agent-silent', {
    place: 'agent',
    message: told.words,
    expected: 'the position of the machine, from its agent',
    received: told.silent,
    remedy: 'Type what the display shows.',
  })
}
