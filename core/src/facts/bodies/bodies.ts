import {
  addressOfSheet,
  count,
  either,
  field,
  fileName,
  length,
  name,
  oneOf,
  optional,
  recordOf,
  sentence,
  sha256,
  uuid,
  type RecordOf,
  type ValueOf,
} from '../../fields/shape'
import type { Entered } from '../../journal/entered'
import type { FactOf } from '../../journal/stream'
import { PROGRAM_READING_FIELDS } from '../../program/program-reading'
import { KEY_MODES } from '../../sheet/machine'
import { SHEET_FIELDS } from '../../sheet/sheet'
import { CHECK_OFF } from './check-off'
import { EVENT } from './event'
import { LIFT_FIELDS, PROOF_FIELDS } from './proving'
import { READING } from './reading'

const KEY_IN_FIELDS = {
  address: field(addressOfSheet, 'which register'),
  mode: field(oneOf(KEY_MODES), 'how it was keyed: [Keys](#keys)'),
  typed: field(length, 'what was typed'),
}

export type KeyIn = Entered & RecordOf<typeof KEY_IN_FIELDS>

/**
 * How a person tells what a control shows without typing all of it: its sign and last digits, or that it is what it should be.
 * Facts from before the sign was asked for say `last-digits`.
 */
const SHORT_READ_BACKS = ['sign-and-digits', 'last-digits', 'seen'] as const

export type ShortReadBack = (typeof SHORT_READ_BACKS)[number]

const READ_BACK_FIELDS = {
  address: field(addressOfSheet, 'which register'),
  moment: field(
    oneOf(['before', 'after', 'raised', 'lowered']),
    'before the key-in (needed to add), after it, or raised for a dry run and let down again',
  ),
  shown: field(length, 'what the control showed'),
  way: optional(
    oneOf(SHORT_READ_BACKS),
    'how much of it was typed, where that was not all of it; the rest is what it should have been. `last-digits` stands in files from before the sign was asked for',
  ),
}

/** What the control showed. What was read later is not what was keyed. */
export type ReadBack = Entered & RecordOf<typeof READ_BACK_FIELDS>

const ACCEPTANCE_FIELDS = {
  address: field(addressOfSheet, 'a number that is stale, or was not proven'),
  reason: field(sentence, 'why somebody takes responsibility for it'),
  accepts: field(
    name,
    'the id of the event or the `age` that it is stale by (a later one asks again), or `unproven`',
  ),
}

/** What is read or keyed after it is not covered by it. */
export type Acceptance = Entered & RecordOf<typeof ACCEPTANCE_FIELDS>

const PROGRAM_FIELDS = {
  name: field(fileName, 'of the file'),
  bytes: field(count, 'how long it is'),
  sha256: field(sha256, 'in lower-case hexadecimal: what makes it the same file anywhere'),
  reading: field(
    recordOf(PROGRAM_READING_FIELDS),
    'what it needs and what is wrong with it, as `bin/pine read --json` tells it: [programs.md](programs.md)',
  ),
}

/** A program that was read for this set-up. The last one is the one it is compared with. */
export type ProgramRead = Entered & RecordOf<typeof PROGRAM_FIELDS>

const PROGRAM_CHECK_FIELDS = {
  sha256: field(sha256, 'of the file that was taken back from the machine’s own memory or stick'),
}

export type ProgramChecked = Entered & RecordOf<typeof PROGRAM_CHECK_FIELDS>

const RECORD_FIELDS = {
  hash: field(
    sha256,
    'everything before it was frozen with its solution under this SHA-256: the set-up was released',
  ),
}

export type Recorded = Entered & RecordOf<typeof RECORD_FIELDS>

const PUT_AWAY_FIELDS = {
  moves: field(
    oneOf(['away', 'back']),
    'out of the list of set-ups that are worked on, or back into it; whatever is entered later brings it back too',
  ),
}

export type PutAway = Entered & RecordOf<typeof PUT_AWAY_FIELDS>

/** A few words to whoever goes on with the set-up, or that they were read. */
const NOTE = either(
  { text: field(sentence, 'a few words to whoever goes on with the set-up') },
  { noteRead: field(uuid, 'the note that somebody else has read') },
)

export type Note = Entered & ValueOf<typeof NOTE>

/** What can happen at a set-up, by the kind of its fact. To add one, see "Add a kind of fact" in docs/development.md. */
export const SETUP_BODIES = {
  sheet: recordOf(SHEET_FIELDS),
  reading: READING,
  'key-in': recordOf(KEY_IN_FIELDS),
  'read-back': recordOf(READ_BACK_FIELDS),
  event: EVENT,
  acceptance: recordOf(ACCEPTANCE_FIELDS),
  proof: recordOf(PROOF_FIELDS),
  lift: recordOf(LIFT_FIELDS),
  'check-off': CHECK_OFF,
  program: recordOf(PROGRAM_FIELDS),
  'program-check': recordOf(PROGRAM_CHECK_FIELDS),
  record: recordOf(RECORD_FIELDS),
  'put-away': recordOf(PUT_AWAY_FIELDS),
  note: NOTE,
} as const

export type SetupBodies = {
  readonly [Kind in keyof typeof SETUP_BODIES]: ValueOf<(typeof SETUP_BODIES)[Kind]>
}

/** The kinds of facts that stand in a list of their own; a sheet replaces the one before it. */
export type ListedKind = Exclude<keyof SetupBodies, 'sheet'>

/** Where each kind of fact stands in a set-up. */
export const LIST_OF = {
  reading: 'readings',
  'key-in': 'keyIns',
  'read-back': 'readBacks',
  event: 'events',
  acceptance: 'acceptances',
  proof: 'proofs',
  lift: 'lifts',
  'check-off': 'checkOffs',
  program: 'programs',
  'program-check': 'programChecks',
  record: 'records',
  'put-away': 'putAways',
  note: 'notes',
} as const satisfies Readonly<Record<ListedKind, string>>

export const LISTED_KINDS = Object.keys(LIST_OF) as readonly ListedKind[]

/** What each kind of fact is, for whoever reads a file. */
export const SETUP_SAYS: Readonly<Record<keyof SetupBodies, string>> = {
  sheet:
    'what is declared: [Sheet](#sheet). It is the first fact; a later one replaces it as a whole',
  reading: '[Readings](#readings)',
  'key-in': 'a number was keyed: [Key-in](#key-in)',
  'read-back': 'what the control showed: [Read-back](#read-back)',
  event: 'what changed in between: [Events](#events)',
  acceptance:
    'somebody takes responsibility for a number that is stale, or was not proven: [Acceptance](#acceptance)',
  proof: 'a cautious move that was watched to its end: [Proof](#proof)',
  lift: 'everything was raised for a dry run, or let down again: [Lift](#lift)',
  'check-off': 'what is seen to rather than read: [Check-off](#check-off)',
  program:
    'a program that was read; the last one is the one it is compared with: [Program](#program)',
  'program-check': '`sha256` of the file that was taken back from the machine',
  record:
    '`hash`: the set-up was released, everything before it frozen with its solution under this SHA-256',
  'put-away':
    '`moves` (`away`, `back`): out of the list of set-ups that are worked on, or back into it',
  note: '`text`: a few words to whoever goes on; or `noteRead`: the id of a note that somebody else has read',
}

export type SetupFact = FactOf<SetupBodies>

/** A set-up's file: its stream, which begins with its sheet. */
export interface SetupFile {
  readonly format: 'pine-compass/setup'
  readonly version: 2
  readonly id: string
  readonly facts: readonly SetupFact[]
}
