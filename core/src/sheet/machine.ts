import type { MachineAxis } from '../address/row'
import type { LengthUnit, WrittenLength } from '../length/length'

/**
 * How a register is changed:
 * - `set`: overwritten by a number;
 * - `add`: by a difference from what it holds;
 * - `position`: by telling the control what the position is at which the machine stands now;
 * - `copy`: the machine position at which the axis stands is copied in, and a difference is added;
 * - `copy-counter`: the same with what the relative counter shows, which was zeroed at the nose or the master. Only a tool length;
 * - `stored`: the control's own cycle measures the tool and stores it: nothing is typed. Only a tool length;
 * - `halve`: the relative counter is zeroed on one face and halved on the other, and the position is
 *   told where the counter then reads zero. Only a middle of two faces can be halved.
 */
export const KEY_MODES = [
  'set',
  'add',
  'position',
  'copy',
  'copy-counter',
  'stored',
  'halve',
] as const

export type KeyMode = (typeof KEY_MODES)[number]

/** Which position a person reads on a machine as a rule. */
export const DISPLAY_HABITS = ['machine', 'counter', 'work'] as const

export type DisplayHabit = (typeof DISPLAY_HABITS)[number]

/** How a row of a work offset may be changed: no counter is copied into it, and no cycle stores it. */
export type OffsetKeyMode = Exclude<KeyMode, 'copy-counter' | 'stored'>

/** How a control stores and takes numbers. Described by what it does, never by its maker. */
export interface ControlProfile {
  /** Decimals that the control shows and takes, by unit. */
  readonly decimals: Readonly<Record<LengthUnit, number>>
  readonly lengthKey: Extract<KeyMode, 'set' | 'add' | 'copy' | 'copy-counter' | 'stored'>
  readonly workOffsetKey: OffsetKeyMode
  /** Axes whose rows are changed another way: X and Y copied, say, and Z typed. */
  readonly workOffsetKeys?: Readonly<Partial<Record<MachineAxis, OffsetKeyMode>>>
  /**
   * What the control keeps of its tools' lengths: a register for each where it is not said, or nothing. Then one tool is set at
   * a time, and Z of a row is set anew with each.
   */
  readonly toolLengths?: 'registers' | 'none'
  /** What the control does with a stored length: most add it (the default), some subtract it. */
  readonly lengthSign?: 'added' | 'subtracted'
  /** What a D row holds; a diameter where it is not said. */
  readonly diameterRegister?: 'diameter' | 'radius'
}

/** How far an axis travels, in machine position. */
export interface Travel {
  readonly min: WrittenLength
  readonly max: WrittenLength
}

export interface MachineDeclaration {
  readonly name: string
  readonly kind: 'mill' | 'router'
  readonly control: ControlProfile
  /** Backlash of each screw: how much the display moves before the axis does, on turning round. */
  readonly lostMotion?: Readonly<Partial<Record<MachineAxis, WrittenLength>>>
  /** Added by the control to every work offset at once; zero where it is not said. */
  readonly externalOffset?: Readonly<Partial<Record<MachineAxis, WrittenLength>>>
  readonly travels?: Readonly<Partial<Record<MachineAxis, Travel>>>
  /** How it finds its zero after power on: by switches, all axes in one go, where it is not said; each axis by itself; or by marks. */
  readonly homing?: 'switches' | 'axis-by-axis' | 'marks'
  /** What one turn of a hand-wheel's dial moves: marks are certain only to within a turn. */
  readonly dialTurn?: Readonly<Partial<Record<MachineAxis, WrittenLength>>>
  /** Which position people read on it at a touch, as a rule; the machine's, where it is not said. */
  readonly reads?: DisplayHabit
  readonly policy?: MachinePolicy
  /** Turns a minute that the spindle can do, to hold a program's speeds against. */
  readonly maxSpindleSpeed?: number
  /** The words that lift Z to where nothing stands in the way, as this machine takes them: before X and Y move. */
  readonly retract?: string
  /** How many pockets its changer has, in a ring that turns both ways; every tool is loaded by hand where it is not said. */
  readonly pockets?: number
  /** A setter that is bolted to it, for the control's own cycle. */
  readonly fixedSetter?: FixedSetter
  /** Where it stands while a tool is changed, in machine position; an axis that is not said stays where it is. */
  readonly toolChange?: Readonly<Partial<Record<MachineAxis, WrittenLength>>>
  /** A quill that can stay out while the head moves. */
  readonly quill?: Quill
}

/** A setter that is bolted to the machine, and the cycle that lowers tools onto it: all of it in machine position. */
export interface FixedSetter {
  readonly X: WrittenLength
  readonly Y: WrittenLength
  /** Z where the bare nose would stand on its top. */
  readonly top: WrittenLength
  /** Z from which the cycle lowers: a tool's tip has to be above the top there. */
  readonly from: WrittenLength
  /** How far the longest tip stays above the top there. */
  readonly margin: WrittenLength
}

/** How far a quill goes out, and the standard uncertainty of its scale. */
export interface Quill {
  readonly travel: WrittenLength
  readonly uncertainty?: WrittenLength
}

/** What the shop asks before a part is cut on a machine. */
export interface MachinePolicy {
  /** Readings older than this are stale. */
  readonly maxAgeDays?: number
  /** Another person looks at the set-up before it is released. */
  readonly secondLook?: boolean
  /** Which tools are proven by a cautious move: `all` that were touched, where it is not said, or the riskiest. */
  readonly proves?: Proves
  /** A grip of the jaws that is less asks for a reason. */
  readonly leastGrip?: WrittenLength
  /** How many of the lengths that are taken over are touched again before the others count; two, where it is not said. */
  readonly keptChecks?: number
}

export const PROVES = ['all', 'riskiest'] as const

export type Proves = (typeof PROVES)[number]
