import { randomInt } from 'node:crypto'
import { hash } from '@node-rs/argon2'
import {
  CODE_LETTERS,
  type Member,
  type MemberHistory,
  type Person,
  type PersonChange,
  type Role,
  type ShownJoinCode,
} from '@pine/contract'
import { accept, refuse, type Outcome } from '../refusal'
import type { Insertion, Pause, PeopleStore } from '../store/people-store'
import type { Clock } from '../clock'
import { notAllowed } from './allowed'
import { hashToken, paused, type Asker } from './sign-in'

/** Codes are guessed by nobody: forty bits, an hour, and ten tries from an address before a pause. */
const CODE_LENGTH = 8
const CODE_HOURS = 1
const CODE_PAUSE: Pause = { freeTries: 10, first: 30, longest: 15 * 60 }

export interface NewPerson extends Person {
  readonly pin: string
  readonly code?: string | undefined
}

/**
 * Adds a person: the first of an empty product, who is its lead, or one with a code that a lead has shown. The same id and
 * name again are the same person; a name can be taken once.
 */
export async function addPerson(
  store: PeopleStore,
  clock: Clock,
  request: NewPerson,
  { address }: Asker,
): Promise<Outcome<Person>> {
  const { id, name, pin, code } = request
  const now = clock()
  if (code === undefined) {
    if ((await store.members()).length > 0) return (await same(store, request)) ?? codeNeeded()
    const written = await store.addFirstPerson({ id, name, pinHash: await hash(pin) }, now)
    return written === 'not-first' ? codeNeeded() : added(store, request, written)
  }
  const byAddress = `code:${address}`
  const counted = await store.countTry(byAddress, now, CODE_PAUSE)
  if (!counted.allowed) return paused('from here', counted, now)
  const person = { id, name, pinHash: await hash(pin) }
  const written = await store.addByCode(person, hashToken(code), now)
  if (written === 'no-such-code') return (await same(store, request)) ?? codeWrong()
  await store.forgetTries([byAddress])
  return added(store, request, written)
}

/** Adds a person with a role, as the demonstration does. */
export async function admit(
  store: PeopleStore,
  clock: Clock,
  { id, name, pin, role }: Member & { readonly pin: string },
): Promise<Outcome<Member>> {
  await store.addPerson({ id, name, role, pinHash: await hash(pin) }, clock())
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
  const code = Array.from(
    { length: CODE_LENGTH },
    () => CODE_LETTERS[randomInt(CODE_LETTERS.length)],
  ).join('')
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
  const told = { personId, byId: by.id, at: clock() }
  const changed = await store.changePerson(
    change.kind === 'new-pin'
      ? { ...told, change: { kind: 'new-pin' }, pinHash: await hash(change.pin) }
      : { ...told, change },
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

const nameTaken = (name: string) =>
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

const lastLead = () =>
  refuse('last-lead', {
    message: 'Nobody would be left to look after machines, gauges and people.',
    expected: 'another lead beside',
    received: 'the last one',
    remedy: 'Make somebody else a lead first.',
  })
