import { may, ROLE_WORDS, type Action, type Member } from '@pine/contract'
import { refuse, type Refusal } from '../../refusal'

const DOES: Readonly<Record<Action, string>> = {
  enter: 'enters anything into a set-up',
  declare: 'says what machines and gauges there are',
  'lower-policy': 'asks less of a machine than was asked before',
  'put-away': 'puts set-ups away',
  people: 'looks after people',
}

/** The refusal for who may not do it; undefined for who may. */
export function notAllowed(member: Member, action: Action): Refusal | undefined {
  if (may(member, action)) return undefined
  const role = ROLE_WORDS[member.role].name
  return refuse('not-allowed', {
    message: `Not every person here ${DOES[action]}.`,
    expected: action === 'enter' ? 'a setter or a lead' : 'a lead',
    received: `${member.name}, ${role}`,
    remedy: 'Ask a lead to do it, or to change what you are.',
  }).refusal
}
