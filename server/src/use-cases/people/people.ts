import { randomInt } from 'node:crypto'
import {
  CODE_LETTERS,
  LEAST_LEAD_DIGITS,
  type Member,
  type MemberHistory,
  type Person,
  type PersonChange,
  type Role,
  type ShownJoinCode,
} from '@pine/contract'
import { accept, refuse, type Outcome } from '../../refusal'
import type { Insertion, Pause, PeopleStore } from '../../store/people-store'
import type { Clock } from '../../clock'
import { notAllowed } from './allowed'
import { secretOf } from './secrets'
import { hashToken, paused, type SignInSource } from './sign-in'

/** Codes are guessed by nobody: forty bits, an hour, and ten tries from an address before a pause. */
const CODE_LENGTH = 8
const CODE_HOURS = 1
/** Whoever starts a server may have to walk to a phone first. */
const FIRST_CODE_HOURS = 24
const CODE_PAUSE: Pause = { freeTries: 10, first: 30, longest: 15 * 60, forgottenAfter: 15 * 60 }

export interface NewPerson extends Person {
  readonly pin: string
  readonly code?: string | undefined
}

/**
 * Adds a person: the first of an empty product, who is its lead, or one with a code that a lead has shown. The same id and
 * name again are the same person; a name can be taken once.
 *
 * @param firstNeedsCode on a network the first person needs a code as well: the one that the server printed (firstCode).
 */
export async function addPerson(
  store: PeopleStore,
  clock: Clock,
  request: NewPerson,
  { address }: SignInSource,
  firstNeedsCode: boolean,
): Promise<Outcome<Person>> {
  const { id, name, pin, code } = request
  const now = clock()
  if (code === undefined) {
    if ((await store.members()).length > 0) return (await same(store, request)) ?? codeNeeded()
    if (firstNeedsCode) return firstCodeNeeded()
    if (isTooShort('lead', pin.length)) return pinTooShort()
    const written = await store.addFirstPerson({ id, name, ...(await secretOf(pin)) }, now)
    return written === 'not-first' ? codeNeeded() : added(store, request, written)
  }
  const byAddress = `code:${address}`
  const counted = await store.countTry(byAddress, now, CODE_PAUSE)
  if (!counted.allowed) return paused('from here', counted, now)
  const codeHash = hashToken(code)
  const role = await store.roleOfCode(codeHash, now)
  // The code is not spent by a PIN that its role asks more of.
  if (role !== undefined && isTooShort(role, pin.length)) return pinTooShort()
  const person = { id, name, ...(await secretOf(pin)) }
  const written = await store.addByCode(person, codeHash, now)
  if (written === 'no-such-code') return (await same(store, request)) ?? codeWrong()
  await store.takeTryBack(byAddress)
  return added(store, request, written)
}

const isTooShort = (role: Role, digits: number | null): boolean =>
  role === 'lead' && (digits === null || digits < LEAST_LEAD_DIGITS)

/**
 * A code for the first person of a product on a network, who is its lead: made at each start while nobody is here, so that
 * none lies about that was printed long ago. Undefined where somebody is.
 */
export async function firstCode(store: PeopleStore, clock: Clock): Promise<string | undefined> {
  if ((await store.members()).length > 0) return undefined
  const code = newCode()
  const now = clock()
  const expiresAt = new Date(now.getTime() + FIRST_CODE_HOURS * 3_600_000)
  await store.keepJoinCode({ codeHash: hashToken(code), role: 'lead', expiresAt }, now)
  return code
}

const newCode = (): string =>
  Array.from({ length: CODE_LENGTH }, () => CODE_LETTERS[randomInt(CODE_LETTERS.length)]).join('')

/** Adds a person with a role, as the demonstration does. */
export async function admit(
  store: PeopleStore,
  clock: Clock,
  { id, name, pin, role }: Member & { readonly pin: string },
): Promise<Outcome<Member>> {
  await store.addPerson({ id, name, role, ...(await secretOf(pin)) }, clock())
  return accept({ id, name, role })
}

/** A new code to let one person in by, in a role. It is shown once. */
export async function makeJoinCode(
  store: PeopleStore,
  clock: Clock,
  lead: Member,
  role: Role,
): Promise<Outcome<ShownJoinCode>> {
  const refusal = notAllowed(lead, 'people')
  if (refusal) return { ok: false, refusal }
  const code = newCode()
  const now = clock()
  const expiresAt = new Date(now.getTime() + CODE_HOURS * 3_600_000)
  await store.keepJoinCode({ codeHash: hashToken(code), role, madeBy: lead.id, expiresAt }, now)
  return accept({ code, role, expiresAt: expiresAt.toISOString() })
}

/** Everybody who is or was here, for whoever looks after people. */
export async function membersOf(
  store: PeopleStore,
  lead: Member,
): Promise<Outcome<readonly MemberHistory[]>> {
  const refusal = notAllowed(lead, 'people')
  return refusal ? { ok: false, refusal } : accept(await store.members())
}

/** What is done to a person’s place. */
export type PlaceChange =
  | Exclude<PersonChange, { readonly kind: 'joined' | 'new-pin' }>
  | { readonly kind: 'new-pin'; readonly pin: string }

/** Changes a person’s place: a lead anybody’s; everybody may leave, and give themselves another PIN. */
export async function changePerson(
  store: PeopleStore,
  clock: Clock,
  by: Member,
  personId: string,
  change: PlaceChange,
): Promise<Outcome<{ readonly id: string }>> {
  const isOwn = by.id === personId && (change.kind === 'left' || change.kind === 'new-pin')
  const refusal = isOwn ? undefined : notAllowed(by, 'people')
  if (refusal) return { ok: false, refusal }
  const stamp = { personId, byId: by.id, at: clock() }
  const place = await store.placeOf(personId)
  // A program is what its token says until that ends: then it gets another one.
  if (place?.isProgram && change.kind !== 'left') return notOfProgram()
  if (change.kind === 'new-pin' && place && isTooShort(place.role, change.pin.length))
    return pinTooShort()
  if (change.kind === 'role' && place && isTooShort(change.role, place.pinDigits))
    return pinTooShort()
  const changed = await store.changePerson(
    change.kind === 'new-pin'
      ? { ...stamp, change: { kind: 'new-pin' }, ...(await secretOf(change.pin)) }
      : { ...stamp, change },
  )
  if (changed === 'not-found') return noPerson(personId)
  return changed === 'last-lead' ? lastLead() : accept({ id: personId })
}

async function same(
  store: PeopleStore,
  { id, name }: Person,
): Promise<Outcome<Person> | undefined> {
  const there = (await store.people()).some((person) => person.id === id && person.name === name)
  return there ? accept({ id, name }) : undefined
}

async function added(
  store: PeopleStore,
  request: Person,
  written: Insertion,
): Promise<Outcome<Person>> {
  const { id, name } = request
  if (written === 'written') return accept({ id, name })
  return (await same(store, request)) ?? nameTaken(name)
}

export const nameTaken = (name: string) =>
  refuse('name-already-used', {
    place: 'name',
    message: `There is, or was, a “${name}” here.`,
    expected: 'a name that nobody here has had',
    received: name,
    remedy: 'Pick your name from the list, or add an initial.',
  })

const codeNeeded = () =>
  refuse('code-wrong', {
    place: 'code',
    message: 'Who is new here joins by a code.',
    expected: 'a code of eight letters and digits',
    received: 'none',
    remedy: 'Ask a lead for one: under their own name they find “Let somebody in”.',
  })

const firstCodeNeeded = () =>
  refuse('code-wrong', {
    place: 'code',
    message: 'Who is first here joins by the code that the server printed when it started.',
    expected: 'a code of eight letters and digits',
    received: 'none',
    remedy: 'Look where “npm start” runs, or start it again: it prints a new one.',
  })

const pinTooShort = () =>
  refuse('pin-too-short', {
    place: 'pin',
    message: `A lead’s PIN has ${LEAST_LEAD_DIGITS} digits or more: a lead lets people in.`,
    expected: `${LEAST_LEAD_DIGITS} to 8 digits`,
    received: 'a shorter PIN',
    remedy: 'Choose a longer PIN first.',
  })

const codeWrong = () =>
  refuse('code-wrong', {
    place: 'code',
    message: 'This code lets nobody in: it was mistyped, used, or is older than an hour.',
    expected: 'the code that a lead shows',
    received: 'another one',
    remedy: 'Compare it letter by letter, or ask for a new one.',
  })

const noPerson = (id: string) =>
  refuse('not-found', {
    message: 'There is no such person.',
    expected: 'somebody in the list',
    received: id,
    remedy: 'Load the list again.',
  })

const notOfProgram = () =>
  refuse('not-allowed', {
    message: 'A program has no PIN, and stays what its token was made for.',
    expected: 'somebody with a PIN',
    received: 'a program with a token',
    remedy: 'End this token and make another one.',
  })

const lastLead = () =>
  refuse('last-lead', {
    message: 'Nobody would be left to look after machines, gauges and people.',
    expected: 'another lead beside',
    received: 'the last one',
    remedy: 'Make somebody else a lead first.',
  })
