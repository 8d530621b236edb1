import type { Member, MemberHistory, Person, PersonChange, Role } from '@pine/contract'

/** How trying a secret (a PIN, a code) slows down. */
export interface Pause {
  /** Tries in a row without a pause. */
  readonly freeTries: number
  /** Seconds of the first pause; it doubles with every further try, up to the longest. */
  readonly first: number
  readonly longest: number
  /** Seconds without a try after which they are counted anew; a right one alone does that, where it is not said. */
  readonly forgottenAfter?: number
}

/** A try that was counted. */
export interface CountedTry {
  /** Whether the secret may be looked at: no, where a pause is on. */
  readonly allowed: boolean
  /** Tries in a row, this one counted in. */
  readonly tries: number
  /** The pause that follows if this one is wrong; the one that is on, where it is not allowed. */
  readonly lockedUntil: Date | null
}

/** Whether a row was written, or was there already (the same id, or the same unique name). */
export type Insertion = 'written' | 'id-exists' | 'name-exists'

export interface NewMember extends Member {
  readonly pinHash: string
  /** How many digits the PIN has: a lead's has more. */
  readonly pinDigits: number
}

/** A program that is let in by its token. */
export interface NewProgram extends Member {
  readonly tokenHash: string
  readonly expiresAt: Date
}

export interface JoinCode {
  readonly codeHash: string
  readonly role: Role
  /** The lead who made it; nobody, of the one that lets the first person in. */
  readonly madeBy?: string
  readonly expiresAt: Date
}

export interface NewSession {
  readonly tokenHash: string
  readonly personId: string
  /** From now on this device is one on which this person has signed in. */
  readonly deviceHash: string
  readonly at: Date
  readonly expiresAt: Date
}

/** A change of a person's place, as it is told, with who made it. */
export interface MemberChange {
  readonly personId: string
  readonly change: Exclude<PersonChange, { kind: 'joined' }>
  readonly byId: string
  readonly at: Date
  /** Of the new PIN, where that is what changed. */
  readonly pinHash?: string
  readonly pinDigits?: number
}

/** Who is in the shop, and what lets them in. */
export interface PeopleStore {
  /** Those who are here now: the names to pick from. */
  people(): Promise<readonly Person[]>
  /** Everybody who ever was, with what happened to their place. */
  members(): Promise<readonly MemberHistory[]>
  /**
   * Adds a person with the role; as the lead where nobody is here yet and `asFirst` is asked. Two that come at once to an
   * empty product are not both the first.
   */
  addPerson(person: NewMember, at: Date): Promise<Insertion>
  addFirstPerson(person: Omit<NewMember, 'role'>, at: Date): Promise<Insertion | 'not-first'>
  /** Adds the person whom a code lets in, and spends it, both or none. */
  addByCode(
    person: Omit<NewMember, 'role'>,
    codeHash: string,
    at: Date,
  ): Promise<Insertion | 'no-such-code'>
  /** Adds a program and opens its session, which is its token. */
  addProgram(program: NewProgram, byId: string, at: Date): Promise<Insertion>
  keepJoinCode(code: JoinCode, now: Date): Promise<void>
  /** The role that a code lets somebody in by, while it is good. */
  roleOfCode(codeHash: string, at: Date): Promise<Role | undefined>
  /** The role of somebody who is or was here, how many digits their PIN has (null where that is not known), and whether it is a program. */
  placeOf(personId: string): Promise<
    | {
        readonly role: Role
        readonly pinDigits: number | null
        readonly isProgram: boolean
      }
    | undefined
  >
  /** Tells a change and makes it; `last-lead` where nobody would be left to look after people. */
  changePerson(change: MemberChange): Promise<'changed' | 'not-found' | 'last-lead'>

  /** Hash of the PIN of somebody who is here now. */
  pinHash(personId: string): Promise<string | undefined>
  isKnownDevice(deviceHash: string, personId: string): Promise<boolean>
  /**
   * Counts a try before its secret is looked at, and pauses from the last free one on, in one statement: tries that come at
   * once are counted one after the other, in whichever process.
   *
   * @param subject whose tries are counted together: a name on a device, strangers to a name, an address.
   */
  countTry(subject: string, now: Date, pause: Pause): Promise<CountedTry>
  forgetTries(subjects: readonly string[]): Promise<void>
  /** Takes one counted try back: it was right, and says nothing of those that others made. */
  takeTryBack(subject: string): Promise<void>

  openSession(session: NewSession): Promise<void>
  memberOfSession(tokenHash: string, now: Date): Promise<Member | undefined>
  closeSession(tokenHash: string): Promise<void>
  /** Signs a person out on every device. */
  closeSessionsOf(personId: string): Promise<void>
  /** Forgets who was signed in a moment ago: another process has ended sessions. */
  sessionsChanged(): void
}
