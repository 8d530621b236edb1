import { createHash, randomBytes } from 'node:crypto'
import type { Member } from '@pine/contract'
import { accept, refuse, type Outcome } from '../../refusal'
import type { Clock } from '../../clock'
import { isSecret } from './secrets'
import type { CountedTry, Pause, PeopleStore } from '../../store/people-store'

/** Five wrong PINs in a row, then half a minute, doubling up to a quarter of an hour. */
const PIN_PAUSE: Pause = { freeTries: 5, first: 30, longest: 15 * 60 }
/** A shop may stand behind one address, with many people; who walks through the names from there is slowed down as well. */
const ADDRESS_PAUSE: Pause = {
  ...{ freeTries: 30, first: 30, longest: 15 * 60 },
  forgottenAfter: 15 * 60,
}
/** A shift and its overtime: after that the name is asked for again. */
const SESSION_HOURS = 14

export interface OpenedSession {
  readonly person: Member
  /** Goes into the cookie; only its hash is kept. */
  readonly token: string
  readonly expiresAt: Date
  /** Stays on the device: whoever signed in on it is no stranger to their own name there. */
  readonly device: string
}

/** Where a try comes from. */
export interface SignInSource {
  /** The network's address. */
  readonly address: string
  /** What an earlier sign-in left on this device. */
  readonly device?: string | undefined
}

/**
 * Opens a session for a name and a PIN. Wrong PINs in a row slow down: those of a device on which this person has signed in
 * before by themselves, those of all other devices together, so that a stranger who guesses locks out strangers only.
 */
export async function signIn(
  store: PeopleStore,
  clock: Clock,
  request: { readonly personId: string; readonly pin: string },
  { address, device }: SignInSource,
): Promise<Outcome<OpenedSession>> {
  const { personId, pin } = request
  const pinHash = await store.pinHash(personId)
  if (pinHash === undefined)
    return refuse('pin-wrong', {
      place: 'personId',
      message: 'This name is not known here.',
      expected: 'one of the people in the list',
      received: personId,
      remedy: 'Pick your name from the list, or add yourself.',
    })
  const now = clock()
  const known = device !== undefined && (await store.isKnownDevice(hashToken(device), personId))
  const byName = known ? `device:${hashToken(device)}:${personId}` : `name:${personId}`
  const byAddress = `address:${address}`
  // Counted before the PIN is looked at: guesses that come at once would all be looked at before the first one counts.
  const ofAddress = known ? undefined : await store.countTry(byAddress, now, ADDRESS_PAUSE)
  if (ofAddress?.allowed === false) return paused('from here', ofAddress, now)
  const counted = await store.countTry(byName, now, PIN_PAUSE)
  if (!counted.allowed) return paused('for this name', counted, now)
  if (!(await isSecret(pinHash, pin)))
    return counted.lockedUntil === null
      ? wrongPin(PIN_PAUSE.freeTries - counted.tries)
      : paused('for this name', counted, now)
  await store.forgetTries([byName])
  // Their own PIN was right: that says nothing of what else was tried from there.
  if (ofAddress !== undefined) await store.takeTryBack(byAddress)
  const token = secret()
  const ofDevice = device ?? secret()
  const expiresAt = new Date(now.getTime() + SESSION_HOURS * 3_600_000)
  await store.openSession({
    tokenHash: hashToken(token),
    personId,
    deviceHash: hashToken(ofDevice),
    at: now,
    expiresAt,
  })
  const person = await store.memberOfSession(hashToken(token), now)
  if (person === undefined) throw new Error(`the session of ${personId} is not there`)
  return accept({ person, token, expiresAt, device: ofDevice })
}

const wrongPin = (left: number) =>
  refuse('pin-wrong', {
    place: 'pin',
    message: 'That is not the PIN of this name.',
    expected: 'the PIN that was chosen with the name',
    received: 'another PIN',
    remedy: `Try again: ${left} more ${left === 1 ? 'try' : 'tries'} before a pause. A lead can give you a new one.`,
  })

/** The words for tries that came too fast. */
export function paused(where: string, { lockedUntil }: CountedTry, now: Date) {
  const until = lockedUntil ?? now
  const seconds = Math.max(Math.ceil((until.getTime() - now.getTime()) / 1000), 1)
  return refuse(
    'pin-locked',
    {
      place: 'pin',
      message: `Too many wrong tries ${where}. The next one is looked at in ${seconds} seconds.`,
      expected: 'a pause after wrong tries',
      received: 'another try',
      remedy: 'Wait, then type it slowly.',
    },
    seconds,
  )
}

const secret = (): string => randomBytes(32).toString('base64url')

/** Only the hash is kept: a copy of the database opens no session. */
export const hashToken = (token: string): string => createHash('sha256').update(token).digest('hex')
