import { createHash, randomBytes } from 'node:crypto'
import { hash, verify } from '@node-rs/argon2'
import type { Person } from '@pine/contract'
import { accept, refuse, type Outcome } from '../refusal'
import type { PinPause, PinTry, Store } from '../store/store'
import type { Clock } from '../clock'

/** Five wrong PINs in a row, then half a minute, doubling up to a quarter of an hour. */
const PAUSE: PinPause = { freeTries: 5, first: 30, longest: 15 * 60 }
/** A shift and its overtime: after that the name is asked for again. */
const SESSION_HOURS = 14

export interface OpenedSession {
  readonly person: Person
  /** Goes into the cookie; only its hash is kept. */
  readonly token: string
  readonly expiresAt: Date
}

/** Adds a person with a PIN. The same id again is the same person; a name can be taken once. */
export async function addPerson(
  store: Store,
  clock: Clock,
  request: { readonly id: string; readonly name: string; readonly pin: string },
): Promise<Outcome<Person>> {
  const { id, name, pin } = request
  const written = await store.addPerson({ id, name, pinHash: await hash(pin) }, clock())
  if (written === 'name-exists' || written === 'id-exists') {
    const same = (await store.people()).find((person) => person.id === id && person.name === name)
    if (same !== undefined) return accept(same)
    return refuse('name-already-used', {
      place: 'name',
      message: `There is already a “${name}”.`,
      expected: 'a name that nobody here has',
      received: name,
      remedy: 'Pick your name from the list, or add an initial.',
    })
  }
  return accept({ id, name })
}

/** Opens a session for a name and a PIN. Five wrong PINs in a row slow down. */
export async function signIn(
  store: Store,
  clock: Clock,
  request: { readonly personId: string; readonly pin: string },
): Promise<Outcome<OpenedSession>> {
  const credentials = await store.credentials(request.personId)
  if (credentials === undefined)
    return refuse('pin-wrong', {
      place: 'personId',
      message: 'This name is not known here.',
      expected: 'one of the people in the list',
      received: request.personId,
      remedy: 'Pick your name from the list, or add yourself.',
    })
  const now = clock()
  // Counted before the PIN is looked at: guesses that come at once would all be looked at before the first one counts.
  const counted = await store.countTry(request.personId, now, PAUSE)
  if (counted === undefined) return locked(credentials.lockedUntil ?? now, now)
  if (!(await verify(credentials.pinHash, request.pin))) return wrongPin(counted, now)
  await store.forgetWrongPins(request.personId)
  const person = (await store.people()).find(({ id }) => id === request.personId)
  if (person === undefined)
    throw new Error(`person ${request.personId} has credentials but no name`)
  const token = randomBytes(32).toString('base64url')
  const expiresAt = new Date(now.getTime() + SESSION_HOURS * 3_600_000)
  await store.openSession(hashToken(token), person.id, now, expiresAt)
  return accept({ person, token, expiresAt })
}

function wrongPin({ tries, lockedUntil }: PinTry, now: Date) {
  if (lockedUntil !== null) return locked(lockedUntil, now)
  const left = PAUSE.freeTries - tries
  return refuse('pin-wrong', {
    place: 'pin',
    message: 'That is not the PIN of this name.',
    expected: 'the PIN that was chosen with the name',
    received: 'another PIN',
    remedy: `Try again: ${left} more ${left === 1 ? 'try' : 'tries'} before a pause.`,
  })
}

function locked(until: Date, now: Date) {
  const seconds = Math.max(Math.ceil((until.getTime() - now.getTime()) / 1000), 1)
  return refuse(
    'pin-locked',
    {
      place: 'pin',
      message: `Too many wrong PINs. This name can sign in again in ${seconds} seconds.`,
      expected: 'a pause after five wrong PINs',
      received: 'another try',
      remedy: 'Wait, then type the PIN slowly.',
    },
    seconds,
  )
}

/** Only the hash is kept: a copy of the database opens no session. */
export const hashToken = (token: string): string => createHash('sha256').update(token).digest('hex')
