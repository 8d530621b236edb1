import type { Entered } from '../journal/entered'
import type { Kept } from './kept'
import type { FactOf } from '../journal/stream'
import type { WrittenLength } from '../length/length'
import type { ProgramReading } from '../program/program-types'
import type { DisplayedPosition } from '../quantities/displayed'
import type { Quantity } from '../quantities/quantities'
import type { Way } from '../touch/touch'
import type { SetupSheet } from '../sheet/sheet'
import type { KeyMode } from '../sheet/machine'
import type { Address } from '../address/address'
import type { MachineAxis, OffsetRow } from '../address/row'
import type { EventBody, SetupEvent } from './event'
import type { Measured } from './measured'

/** What every reading says, whatever it reads. */
export interface ReadAtContact {
  readonly read: WrittenLength
  /** Gauge ids: what lay between, or what stood in the spindle. A gauge used twice is listed twice. */
  readonly with: readonly string[]
  /**
   * The way the axis moved last, where not the usual one of this touch. On both axes: the face's, or X's; `approaches` says both.
   */
  readonly approach?: Way
  /** Which of the positions on the display it is; the machine's, where it is not said. */
  readonly position?: DisplayedPosition
  /** Where Z is set: the tool in the spindle, and the one that the control takes for active. */
  readonly spindle?: SpindleState
  /** The reading that this one replaces, and why. */
  readonly supersedes?: string
  readonly reason?: string
  /** It was not what was to be expected; why it stands all the same. */
  readonly surprise?: string
  /** It was read in an earlier set-up and is taken over: what it tells of is where it was. */
  readonly kept?: Kept
  /** Of a face: after the touch the axis was moved on by half the tip, and stands over the face. */
  readonly movedOver?: true
  /** Of a swept dial: it counts down when its plunger is pushed in. */
  readonly dialFalls?: true
  /** A fixed setter's contact was pressed by hand just before, and the control showed it. */
  readonly contactShown?: true
}

/** What was read: a machine position at contact, or a relative counter for a carried difference. */
export type ReadingBody = Quantity & ReadAtContact

export type Reading = Entered & ReadingBody

/** A tool number, or null for the bare nose and for no length active. */
export interface SpindleState {
  readonly holds: number | null
  readonly controlSays: number | null
}

export interface KeyInBody {
  readonly address: Address
  readonly mode: KeyMode
  /** What the key-in sheet said to type. */
  readonly typed: WrittenLength
}

export type KeyIn = Entered & KeyInBody

/**
 * How a person tells what a control shows without typing all of it: its sign and last digits, or that it is what it should be.
 * Facts from before the sign was asked for say `last-digits`.
 */
export const SHORT_READ_BACKS = ['sign-and-digits', 'last-digits', 'seen'] as const

export type ShortReadBack = (typeof SHORT_READ_BACKS)[number]

export const READ_BACK_MOMENTS = ['before', 'after', 'raised', 'lowered'] as const

export interface ReadBackBody {
  readonly address: Address
  /** Shown before the key-in (needed to add), after it, or raised for a dry run and let down again. */
  readonly moment: (typeof READ_BACK_MOMENTS)[number]
  readonly shown: WrittenLength
  /** How much of it was typed, where that was not all of it; the rest is what it should have been. */
  readonly way?: ShortReadBack
}

/** What the control showed. What was read later is not what was keyed. */
export type ReadBack = Entered & ReadBackBody

/** A stale number that somebody takes responsibility for. */
export interface AcceptanceBody {
  readonly address: Address
  readonly reason: string
  /** What is accepted: the event or the `age` that it is stale by (a later one asks again), or that it is `unproven`. */
  readonly accepts: string
}

/** What is read or keyed after it is not covered by it. */
export type Acceptance = Entered & AcceptanceBody

/** A cautious move that was watched to its end: how a work offset and a tool stood in the metal. */
export interface ProofBody {
  readonly row: OffsetRow
  readonly tool: number
  /** Work Z that the move was commanded to. */
  readonly clearance: WrittenLength
  /** Height of the block that just passed under the tip there. */
  readonly gap: WrittenLength
  /** Whether the tip stood over X0 Y0 as the drawing has it. */
  readonly overZero: boolean
  /** The tool in the spindle and the one whose length the control takes for active, as they were looked at before the move. */
  readonly spindle?: SpindleState
  /** By the eye alone, with nothing beneath: it shows what is grossly wrong, and proves no number. */
  readonly byEye?: true
  /** Work Z and distance to go, read off the screen at a stop on the way down. */
  readonly stop?: { readonly position: WrittenLength; readonly distanceToGo: WrittenLength }
}

/** What is read or keyed after it is not proven by it. */
export type Proof = Entered & ProofBody

/** Where everything can be raised for a dry run. */
export const LIFT_PLACES = ['external-offset', 'work-offsets', 'lengths'] as const

export type LiftPlace = (typeof LIFT_PLACES)[number]

/** Everything is raised for a dry run, or let down again. */
export interface LiftBody {
  readonly moves: 'in' | 'out'
  readonly where: LiftPlace
  readonly amount: WrittenLength
  /** Of the external offset, which is no row of its own: what it showed then. Rows are read back one by one. */
  readonly shown?: WrittenLength
}

export type Lift = Entered & LiftBody

/** Where an axis without switches stands: what its dial and its coarse scale show, of those that it has. */
export interface AxisMark {
  readonly dial?: WrittenLength
  readonly coarse?: WrittenLength
  /** The dial counts down as the axis moves towards plus; up where it is not said. */
  readonly dialFalls?: true
}

/** By axis; one that has neither dial nor scale is not there. */
export type AxisMarks = Readonly<Partial<Record<MachineAxis, AxisMark>>>

/** What is seen to rather than read; each once in a set-up, and again after what undoes it. */
export type CheckOffBody = {
  /** Why it was left out, where it was. */
  readonly leftOut?: string
} & (
  | {
      readonly of: 'home'
      readonly marks?: AxisMarks
      /** Which axes were homed, on a machine that homes each by itself; all of them where it is not said. */
      readonly axes?: readonly MachineAxis[]
    }
  /** What dials and scales show with the axes at X and Y zero of a row: it is found by them without the machine's zero. */
  | { readonly of: 'part-zero'; readonly row: OffsetRow; readonly marks: AxisMarks }
  | {
      readonly of: 'clean' | 'gauges' | 'holding' | 'program' | 'look'
      /** Why it is as it should be although the sheet speaks against it: a grip that is small, say. */
      readonly because?: string
    }
  /** One tool at a time: the program was run with this one, up to where the next is called. */
  | { readonly of: 'cut'; readonly tool: number }
  | { readonly of: 'air-cut'; readonly how?: 'lifted' | 'graphics' }
  | { readonly of: 'first-part'; readonly measured: readonly Measured[] }
)

export type CheckOff = Entered & CheckOffBody

/** A program that was read for this set-up. The last one is the one it is held against. */
export interface ProgramBody {
  /** Name of the file. */
  readonly name: string
  readonly bytes: number
  /** SHA-256 of the file, in lower-case hexadecimal: what makes it the same file anywhere. */
  readonly sha256: string
  readonly reading: ProgramReading
}

export type ProgramRead = Entered & ProgramBody

/** A file that was taken back from the machine's own memory or stick, to hold against the one that was read. */
export interface ProgramCheckBody {
  readonly sha256: string
}

export type ProgramChecked = Entered & ProgramCheckBody

/** The set-up was released: everything before it was frozen, with its solution, under this hash. */
export interface RecordBody {
  /** SHA-256 in lower-case hexadecimal. */
  readonly hash: string
}

export type Recorded = Entered & RecordBody

/** The set-up goes out of the list of those that are worked on, or comes back into it. */
export interface PutAwayBody {
  readonly moves: 'away' | 'back'
}

export type PutAway = Entered & PutAwayBody

/** A few words to whoever goes on with the set-up, or that they were read. */
export type NoteBody = { readonly text: string } | { readonly noteRead: string }

export type Note = Entered & NoteBody

/** What can happen at a set-up, by the kind of its fact. */
export interface SetupBodies {
  readonly sheet: SetupSheet
  readonly reading: ReadingBody
  readonly 'key-in': KeyInBody
  readonly 'read-back': ReadBackBody
  readonly event: EventBody
  readonly acceptance: AcceptanceBody
  readonly proof: ProofBody
  readonly lift: LiftBody
  readonly 'check-off': CheckOffBody
  readonly program: ProgramBody
  readonly 'program-check': ProgramCheckBody
  readonly record: RecordBody
  readonly 'put-away': PutAwayBody
  readonly note: NoteBody
}

export type SetupFact = FactOf<SetupBodies>

/** A set-up's file: its stream, which begins with its sheet. */
export interface SetupFile {
  readonly format: 'pine-compass/setup'
  readonly version: 2
  readonly id: string
  readonly facts: readonly SetupFact[]
}

/** A set-up as it stands: its facts sorted by kind, each with its place in the stream (fold.ts). */
export interface SetupDocument {
  readonly id: string
  /** The sheet that is in force, which replaced those before it. */
  readonly sheet: SetupSheet
  /** Where that sheet stands in the stream. */
  readonly sheetPlace: number
  readonly readings: readonly Reading[]
  readonly keyIns: readonly KeyIn[]
  readonly readBacks: readonly ReadBack[]
  readonly events: readonly SetupEvent[]
  readonly acceptances: readonly Acceptance[]
  readonly proofs: readonly Proof[]
  readonly lifts: readonly Lift[]
  readonly checkOffs: readonly CheckOff[]
  readonly programs: readonly ProgramRead[]
  readonly programChecks: readonly ProgramChecked[]
  readonly records: readonly Recorded[]
  readonly putAways: readonly PutAway[]
  readonly notes: readonly Note[]
  /** How many facts it is made of: the place of the next one. */
  readonly length: number
  /** Place of the last fact that changed it: a record does not, nor a look at the file at the machine, nor putting it away. */
  readonly lastChange: number
}
