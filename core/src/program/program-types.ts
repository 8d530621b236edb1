import type { LengthUnit, Nanometres } from '../length/length'
import type { MachineAxis } from '../address/row'
import type { BLOCK_FAULTS } from './block'
import type { HeadNumber } from './head-numbers'

/** What a reader could not follow, or what is wrong in a line. None is fatal. */
export const PROGRAM_PROBLEMS = [
  'code-unknown',
  'arc-undetermined',
  'arc-radius-differs',
  'arc-start-unknown',
  'subprogram-not-followed',
  'subprogram-too-long',
  'cycle-incomplete',
  'repeats-too-many',
  'line-too-long',
  'operations-too-many',
] as const

export type ProgramProblemCode = (typeof PROGRAM_PROBLEMS)[number] | (typeof BLOCK_FAULTS)[number]

export interface ProgramProblem {
  readonly code: ProgramProblemCode
  /** From 1. */
  readonly line: number
  readonly column: number
  /** What stands there. */
  readonly excerpt: string
}

/** A row that a program can select: G54 to G59, or one of the further ones. */
export type ProgramRow = string

/** Lowest and highest work position, in the program's own frame. */
export type Extent = readonly [Nanometres, Nanometres]
export type Extents = Readonly<Partial<Record<MachineAxis, Extent>>>

/** A place in the program. */
export interface ProgramPlace {
  readonly line: number
  readonly excerpt: string
}

/** A register that an operation calls for, and where it first does. */
export interface RegisterCall {
  readonly register: number
  readonly at: ProgramPlace
}

/** A work offset that an operation moves in, where it first does, and how far. */
export interface RowUse {
  readonly row: ProgramRow
  readonly at: ProgramPlace
  readonly extents: Extents
  /** Of Z: what was reached while no length was active, and beside it while one was; absent where one always was. */
  readonly bareZ?: Extent
  readonly heldZ?: Extent
}

/** What is done with one tool between two tool changes. Plain data: it is sent and kept as it is. */
export interface Operation {
  /** Undefined before the first change. */
  readonly tool?: number | undefined
  readonly from: ProgramPlace
  /** Last comment before it: what the program calls it. */
  readonly name?: string
  readonly lengths: readonly RegisterCall[]
  readonly diameters: readonly RegisterCall[]
  readonly rows: readonly RowUse[]
  readonly lowestZ?: { readonly z: Nanometres; readonly at: ProgramPlace }
  /** The first move towards the part in Z. */
  readonly firstApproach?: ProgramPlace
  /** The first move at rapid along X or Y while the tip is below the row's Z0. */
  readonly rapidBelowZero?: ProgramPlace
  /** A speed that only a comment speaks of. */
  readonly spokenSpeed?: ProgramPlace
  /** Cutter compensation is switched on (G41 or G42). */
  readonly compensates?: boolean
  /** Turns a minute; the one that was set last stands last. */
  readonly speeds: readonly number[]
  /** A minute, in the program's own unit, as written. */
  readonly feeds: readonly number[]
  /** Path at feed and at rapid, millimetres. */
  readonly cutMm: number
  readonly rapidMm: number
  /** Time at feed alone, minutes; moves whose feed is not known are left out. */
  readonly cutMinutes: number
  /** Something in it was not followed: its extents may be too small. */
  readonly uncertain: boolean
}

/** What a machinist is told about a program by itself. Words: words/program-words.ts. */
export const PROGRAM_JUDGEMENTS = [
  'length-differs-from-tool',
  'diameter-differs-from-tool',
  'moves-before-length',
  'length-not-cancelled',
  'compensation-not-cancelled',
  'shift-active',
  'units-switched',
  'no-unit',
  'no-safe-line',
  'cancel-moves-all-axes',
  'home-goes-down',
  'tool-not-changed',
  'rapid-below-zero',
  'speed-only-in-comment',
  'feeds-for-another-override',
  'writes-offset',
] as const

/** What it is told against a set-up: what the program needs, and what is there. */
export const NEED_JUDGEMENTS = [
  'unit-differs',
  'tool-not-on-sheet',
  'length-not-set',
  'length-stale',
  'length-unproven',
  'no-length-registers',
  'offset-not-on-sheet',
  'offset-not-set',
  'offset-stale',
  'offset-unproven',
  'offset-not-used',
  'diameter-not-set',
  'diameter-stale',
  'speed-above-limit',
  'speed-above-finder',
  'substitute-compensated',
  'substitute-not-compensated',
  'lift-active',
  'beyond-travel',
  'reaches-jaws',
  'reaches-parallels',
  'cuts-far-beneath',
  'head-differs',
  'head-grips-nothing',
] as const

export type ProgramJudgementCode =
  (typeof PROGRAM_JUDGEMENTS)[number] | (typeof NEED_JUDGEMENTS)[number]

/** What the text of a program tells by itself. */
export interface TextJudgement extends ProgramPlace {
  readonly code: ProgramJudgementCode
  /** `danger`: it can crash or scrap; `look`: it may be meant; `note`: good to know. */
  readonly severity: 'danger' | 'look' | 'note'
  readonly tool?: number
  readonly register?: number
  readonly row?: ProgramRow
  readonly axis?: MachineAxis
  /**
   * How far beyond the travel; how far from the jaws, below zero in them; or how far off its wall a
   * substituted tool cuts, below zero into it.
   */
  readonly amount?: Nanometres
  /** Turns a minute that are called for. */
  readonly speed?: number
  /** Turns a minute that are allowed. */
  readonly limit?: number
}

/** The same, or what it tells beside a sheet. */
export interface ProgramJudgement extends TextJudgement {
  /** A number in the comments at its head, and the sheet's own. */
  readonly head?: {
    readonly of: HeadNumber['of']
    readonly says: Nanometres
    readonly sheet: Nanometres
  }
}

export interface ProgramReading {
  readonly lines: number
  /** Comments before the first tool and the first move: often the set-up sheet. */
  readonly header: readonly string[]
  /** The first unit that is set; undefined where none is. */
  readonly unit?: LengthUnit | undefined
  readonly operations: readonly Operation[]
  readonly problems: readonly ProgramProblem[]
  readonly judgements: readonly TextJudgement[]
  /** Problems and judgements beyond the first so many: counted, not kept. */
  readonly leftOut: number
  /** Work offsets that the program itself writes. */
  readonly writesOffsets: readonly ProgramPlace[]
}
