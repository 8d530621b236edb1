import { createHash } from 'node:crypto'
import type { KeptProgramText, Member } from '@pine/contract'
import { looksLikeText } from '@pine/core/program'
import type { Clock } from '../../clock'
import { accept, refuse, type Outcome } from '../../refusal'
import type { Store } from '../../store/store'
import { notAllowed } from '../people/allowed'

/** Keeps the text of a program under the hash of its bytes; the same text again is the same. */
export async function keepProgramText(
  store: Store,
  clock: Clock,
  person: Member,
  sha256: string,
  bytes: Uint8Array,
): Promise<Outcome<KeptProgramText>> {
  const refusal = notAllowed(person, 'enter')
  if (refusal) return { ok: false, refusal }
  const found = createHash('sha256').update(bytes).digest('hex')
  if (found !== sha256)
    return refuse('input-wrong', {
      place: 'sha256',
      message: 'The text that came is not the one of this hash.',
      expected: `bytes whose SHA-256 is ${sha256}`,
      received: `${bytes.length} bytes of ${found}`,
      remedy: 'The file was changed while it was sent, or cut short. Pick it again.',
    })
  if (bytes.length === 0 || !looksLikeText(bytes.subarray(0, SAMPLE_BYTES)))
    return refuse('input-wrong', {
      place: 'bytes',
      message: 'This is no text of a program.',
      expected: 'words of letters and numbers',
      received: bytes.length === 0 ? 'nothing' : 'bytes that are no text',
      remedy: 'Pick the file that goes to the machine.',
    })
  await store.keepProgramText({ sha256, bytes, personId: person.id, at: clock() })
  return accept({ sha256, bytes: bytes.length })
}

/** The text of a program, if it was kept. */
export async function programText(store: Store, sha256: string): Promise<Outcome<Uint8Array>> {
  const bytes = IS_SHA256.test(sha256) ? await store.programText(sha256) : undefined
  return bytes === undefined
    ? refuse('not-found', {
        place: 'sha256',
        message: 'The text of this program was not kept.',
        expected: 'the hash of a program whose text was sent',
        received: sha256.slice(0, 80),
        remedy: 'Pick the file: its lines are then shown from it.',
      })
    : accept(bytes)
}

const SAMPLE_BYTES = 65_536
const IS_SHA256 = /^[0-9a-f]{64}$/
