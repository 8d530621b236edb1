import { randomBytes } from 'node:crypto'
import { TOKEN_PREFIX, type Member, type NewToken, type ShownToken } from '@pine/contract'
import { accept, type Outcome } from '../../refusal'
import type { PeopleStore } from '../../store/people-store'
import type { Clock } from '../../clock'
import { notAllowed } from './allowed'
import { nameTaken } from './people'
import { hashToken } from './sign-in'

/**
 * A token for a program that reads or writes here: shown once, and kept as its hash. The program is in the shop as people are, under
 * a name of its own that its facts carry; ending its stay ends the token.
 */
export async function makeToken(
  store: PeopleStore,
  clock: Clock,
  lead: Member,
  { id, name, role, days }: NewToken,
): Promise<Outcome<ShownToken>> {
  const refusal = notAllowed(lead, 'people')
  if (refusal) return { ok: false, refusal }
  const token = `${TOKEN_PREFIX}${randomBytes(32).toString('base64url')}`
  const at = clock()
  const expiresAt = new Date(at.getTime() + days * 86_400_000)
  const written = await store.addProgram(
    { id, name, role, tokenHash: hashToken(token), expiresAt },
    lead.id,
    at,
  )
  // The same request again would need the same token, which is kept nowhere: it is asked for under another id.
  if (written !== 'written') return nameTaken(name)
  return accept({ id, name, role, token, expiresAt: expiresAt.toISOString() })
}
