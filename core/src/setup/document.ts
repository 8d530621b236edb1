import type { LengthUnit, WrittenLength } from '../length/length'
import type { School } from '../schools/schools'
import type { GaugeKind } from '../touch/gauge-kinds'
import type { Face, Side } from '../touch/touch'

/** The work offset rows that a control keeps. */
export const OFFSET_ROWS = ['G54', 'G55', 'G56', 'G57', 'G58', 'G59'] as const

export type OffsetRow = (typeof OFFSET_ROWS)[number]

/** How a register is changed: overwritten, or by a difference. */
export type KeyMode = 'set' | 'add'

/** How a control stores and takes numbers. Described by what it does, never by its maker. */
export interface ControlProfile {
  /** Decimals that the control shows and takes, by unit. */
  readonly decimals: Readonly<Record<LengthUnit, number>>
  readonly lengthKey: KeyMode
  readonly workOffsetKey: KeyMode
}

export interface MachineDeclaration {
  readonly name: string
  readonly kind: 'mill' | 'router'
  readonly control: ControlProfile
}

export interface Gauge {
  readonly id: string
  readonly kind: GaugeKind
  readonly name: string
  /** Marked height, thickness or diameter: which one is said by GAUGE_FACTS. */
  readonly size: WrittenLength
}

export interface Tool {
  readonly number: number
  readonly name: string
  /** Row of the tool length register (H). */
  readonly lengthRegister: number
}

/** How X or Y of a work offset is found. */
export type AxisPlan =
  | {
      readonly by: 'one-face'
      readonly face: Face
      readonly side: Side
      /** What the drawing says this face is, in the program's coordinates. */
      readonly drawing: WrittenLength
    }
  | {
      readonly by: 'two-faces'
      readonly side: Side
      /** Distance of the two faces on the drawing, and how far the implied size may differ. */
      readonly size: WrittenLength
      readonly tolerance: WrittenLength
      /** What the drawing says the middle is, in the program's coordinates. */
      readonly drawing: WrittenLength
    }

/** How Z of a work offset is found. `facing` is how far program zero lies below the raw top. */
export interface ZPlan {
  readonly by: 'carried-difference' | 'nose-on-part'
  readonly facing: WrittenLength
}

export interface OffsetPlan {
  readonly row: OffsetRow
  readonly X: AxisPlan
  readonly Y: AxisPlan
  readonly Z: ZPlan
}

export interface Stock {
  readonly X: WrittenLength
  readonly Y: WrittenLength
  readonly Z: WrittenLength
}

/** What is declared before anything is read. Replaced as a whole when it is revised. */
export interface SetupSheet {
  readonly name: string
  readonly unit: LengthUnit
  readonly machine: MachineDeclaration
  readonly school: School
  /** Where the drawing's zero lies, in words. */
  readonly zero: string
  /** What the setting plane is: the fixed jaw, a block, the table. */
  readonly plane: string
  readonly stock: Stock
  readonly gauges: readonly Gauge[]
  readonly tools: readonly Tool[]
  readonly offsets: readonly OffsetPlan[]
}

interface Fact {
  /** UUID v7, made where the fact was entered, so that a repeated request is the same fact. */
  readonly id: string
  readonly by: string
  /** ISO 8601 with zone. */
  readonly at: string
}

/** Which quantity a reading is a reading of. */
export type Quantity =
  | { readonly of: 'nose-on-plane' }
  | { readonly of: 'tip-on-plane'; readonly tool: number }
  | { readonly of: 'face'; readonly row: OffsetRow; readonly face: Face }
  | { readonly of: 'nose-on-part'; readonly row: OffsetRow }
  | {
      readonly of: 'carried-difference'
      readonly row: OffsetRow
      /** Where the relative counter was zeroed; it was read at the other of the two. */
      readonly zeroedOn: 'plane' | 'part'
      /** Gauge ids beneath at the plane; what lay beneath at the part is the reading's `with`. */
      readonly withOnPlane: readonly string[]
    }

/** What was read: a machine position at contact, or a relative counter for a carried difference. */
export type Reading = Fact &
  Quantity & {
    readonly read: WrittenLength
    /** Gauge ids: what lay between, or what stood in the spindle. A gauge used twice is listed twice. */
    readonly with: readonly string[]
    /** The reading that this one replaces, and why. */
    readonly supersedes?: string
    readonly reason?: string
  }

export interface KeyIn extends Fact {
  readonly address: string
  readonly mode: KeyMode
  /** What the key-in sheet said to type. */
  readonly typed: WrittenLength
}

export interface ReadBack extends Fact {
  readonly address: string
  /** Shown before the key-in (needed to add), or after it. */
  readonly moment: 'before' | 'after'
  readonly shown: WrittenLength
}

export interface SetupDocument {
  readonly format: 'pine-compass/setup'
  readonly version: 1
  readonly id: string
  readonly sheet: SetupSheet
  readonly readings: readonly Reading[]
  readonly keyIns: readonly KeyIn[]
  readonly readBacks: readonly ReadBack[]
}
