import type { LengthUnit, WrittenLength } from '../length/length'
import type { School } from '../schools/schools'
import type { BlockGrade } from '../touch/gauge-block-limits'
import type { GaugeKind } from '../touch/gauge-kinds'
import type { OffsetRow } from '../address/row'
import type { Face, Side } from '../touch/touch'
import type { MachineDeclaration } from './machine'

/** When numbers are typed into the control: each `as-known`, at the machine where it was touched, or all `together`. */
export const KEYINGS = ['as-known', 'together'] as const

export type Keying = (typeof KEYINGS)[number]

export interface Gauge {
  readonly id: string
  readonly kind: GaugeKind
  readonly name: string
  /** Marked height, thickness or diameter: which one is said by GAUGE_FACTS. */
  readonly size: WrittenLength
  /** Nobody measured that size: it is about so, and a number in which it does not cancel is none. */
  readonly sizeRough?: true
  /** Thickness of a plate's wall, for X and Y. */
  readonly wall?: WrittenLength
  /** One standard deviation of a touch with it, where the shop knows better than the default. */
  readonly repeatability?: WrittenLength
  /** Standard uncertainty of its size, from its certificate. */
  readonly uncertainty?: WrittenLength
  /** How high its foot stands above the setting plane, below zero where it stands lower: a setter on the table, say. */
  readonly foot?: WrittenLength
  /** Standard uncertainty of that height. */
  readonly footUncertainty?: WrittenLength
  /** Grade of a gauge block by ISO 3650, where there is no certificate. */
  readonly grade?: BlockGrade
  /** Half the angle of a tapered or V bit, in degrees: its full diameter stands above its tip. */
  readonly halfAngle?: number
  /** Turns a minute that it bears, for one that turns: an edge finder or a wobbler. */
  readonly maxSpeed?: number
  /** Of a sensor: its styli. With each it is a tool of another length. */
  readonly styli?: readonly Stylus[]
}

/** A stylus, by the length that its sensor has with it: nose to tip, under its preload. */
export interface Stylus {
  readonly name: string
  readonly length: WrittenLength
}

export interface Tool {
  readonly number: number
  readonly name: string
  /** The shop's own tool in its holder: what was measured of it before is asked by this id. */
  readonly assembly?: string
  /** Row of the tool length register (H); absent on a control that keeps no lengths. */
  readonly lengthRegister?: number
  /** Nose to tip, known from a presetter or a bench; a sensor's length under its preload. */
  readonly length?: WrittenLength
  /** Standard uncertainty of that known length. */
  readonly lengthUncertainty?: WrittenLength
  /** Nose to tip when it was last measured, in its holder ever since: to hold today's length against. */
  readonly lastLength?: WrittenLength
  /** Nose to tip by a rule held to it: no number is made of it, it only says what is to be expected. */
  readonly rough?: WrittenLength
  /** Nominal diameter, and the row (D) that holds it. */
  readonly diameter?: WrittenLength
  readonly diameterRegister?: number
  /** Diameter of the tool that the program was written for, where this one stands in for it. */
  readonly programDiameter?: WrittenLength
  /** The gauges that it is to be touched with, by their ids, where that was planned. */
  readonly touchWith?: readonly string[]
}

/** A tool of the job that is not set today. */
export interface LeftOutTool {
  readonly tool: Tool
  readonly reason: string
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
      /** Distance of the two faces on the drawing, and how far the implied size may differ; left out where nobody knows it: then the middle is taken unchecked. */
      readonly size?: WrittenLength
      readonly tolerance?: WrittenLength
      /** What the drawing says the middle is, in the program's coordinates. */
      readonly drawing: WrittenLength
    }
  /** Centre of a bore (inside) or a boss (outside) from three or more touches around it. */
  | {
      readonly by: 'circle'
      readonly side: Side
      readonly diameter: WrittenLength
      /** How far the implied diameter may differ. */
      readonly tolerance: WrittenLength
      readonly drawing: WrittenLength
    }
  /** Centre of a bore or a boss by a dial that is swept around it. */
  | { readonly by: 'sweep'; readonly side: Side; readonly drawing: WrittenLength }
  /**
   * Outside corner of a part that may be turned: two touches on its front or back face, one on its left
   * or right. X and Y are found together, so both are planned this way.
   */
  | { readonly by: 'turned-corner'; readonly face: Face; readonly drawing: WrittenLength }

/** Which side of the feature an axis plan touches; a turned corner is always an outside one. */
export const sideOf = (plan: AxisPlan): Side =>
  plan.by === 'turned-corner' ? 'outside' : plan.side

interface ZPlanCommon {
  /** How far program zero lies below the stock top. */
  readonly facing: WrittenLength
  /** How far a quill is out, when Z is measured and when the program runs; both in where it is not said. */
  readonly quill?: {
    readonly measured: WrittenLength
    readonly running: WrittenLength
    /** Standard uncertainty of each of the two: how well its scale is read. */
    readonly uncertainty?: WrittenLength
  }
}

/** How Z of a work offset is found. */
export type ZPlan =
  | (ZPlanCommon & { readonly by: 'carried-difference' | 'nose-on-part' })
  /** Every tool was touched on this part's stock top: only the facing is left. */
  | (ZPlanCommon & { readonly by: 'part-top' })
  /** A tool or sensor whose register is known stands on the stock top. */
  | (ZPlanCommon & { readonly by: 'tool-on-part'; readonly tool: number })
  /** By the difference of the stock tops from a fixture that is listed earlier. */
  | (ZPlanCommon & { readonly by: 'fixture-difference'; readonly from: OffsetRow })

export interface OffsetPlan {
  readonly row: OffsetRow
  readonly X: AxisPlan
  readonly Y: AxisPlan
  readonly Z: ZPlan
  /** An edge that is squared first: which one, and what it may run out over the part's length. */
  readonly edge?: { readonly face: Face; readonly tolerance: WrittenLength }
  /** Outside faces that must not be touched: finished already, or soft. */
  readonly spared?: readonly Face[]
}

export interface Stock {
  readonly X: WrittenLength
  readonly Y: WrittenLength
  readonly Z: WrittenLength
}

/** How the part is held, and how deep its sides are cut. */
export interface Holding {
  /** Height of the jaws above the seat of the parallels. */
  readonly jaw: WrittenLength
  readonly parallels: WrittenLength
  /** Deepest cut along a side, below the stock top. */
  readonly sideCut?: WrittenLength
  /** The setting plane is the top of these jaws: then the stock top is to be expected so far from it. */
  readonly plane?: 'jaws'
  /** Which faces of the first part lie against what stays on the machine: they stand where the last part's stood. */
  readonly against?: Against
}

/** Faces against the fixed jaw and against the stop. */
export type Against = Readonly<Partial<Record<StaysPut, Face>>>

export const STAYS_PUT = ['jaw', 'stop'] as const

/** What stays on a machine from one part to the next. */
export type StaysPut = (typeof STAYS_PUT)[number]

/** Where things stood in an earlier set-up on the same machine, in machine position: no number is made of it, it only says what is to be expected. */
export interface StoodBefore {
  /** Of the bare nose on the setting plane. */
  readonly plane?: WrittenLength
  readonly faces?: readonly {
    readonly row: OffsetRow
    readonly face: Face
    readonly at: WrittenLength
    /** What it lay against, where that stays on the machine: then it tells of another job's part as well. */
    readonly against?: StaysPut
  }[]
}

/** What a school counts from, where it is not the plane or the nose itself. */
export interface SchoolReference {
  /** Gauge line: H = L − constant, as small rotary-axis machines have it. */
  readonly constant?: WrittenLength
  /** Standard uncertainty of the constant, and of the length that the master is declared with. */
  readonly constantUncertainty?: WrittenLength
  readonly masterLengthUncertainty?: WrittenLength
  /** Master tool: the tool that all others are compared with. */
  readonly masterTool?: number
  /** Master tool: the length that it is declared with, so that no H turns negative; zero where it is not said. */
  readonly masterLength?: WrittenLength
  /** A row that keeps the setting plane itself as a work offset: its Z is where the bare nose touches it. */
  readonly planeRow?: OffsetRow
}

/** What is declared before anything is read. Replaced as a whole when it is revised. */
export interface SetupSheet {
  readonly name: string
  readonly unit: LengthUnit
  /** The shop's machine of which the declaration was taken; what the shop asks of it now is in force. */
  readonly machineId?: string
  readonly machine: MachineDeclaration
  readonly school: School
  /** Declared constants of the school. */
  readonly reference?: SchoolReference
  /** Half-widths of what the job allows: Z of every tool, X and Y of every offset. */
  readonly needs?: { readonly depth?: WrittenLength; readonly position?: WrittenLength }
  /**
   * A quick one: numbers for the control and no job yet. `lengths` asks for its tools alone, `row` for its work offsets as well,
   * `recheck` whether the lengths that the control holds are still what it finds; left out once it has become a job.
   */
  readonly quick?: 'lengths' | 'row' | 'recheck'
  /** When numbers are keyed; `together` where it is not said. What a control captures is keyed where it was touched anyway. */
  readonly keying?: Keying
  /** Where the drawing's zero lies, in words. */
  readonly zero: string
  /** What the setting plane is: the fixed jaw, a block, the table. */
  readonly plane: string
  /** Size of the raw part; only jaws, bores near an edge and turned parts ask for it. */
  readonly stock?: Stock
  readonly holding?: Holding
  readonly stood?: StoodBefore
  readonly gauges: readonly Gauge[]
  /** In the order in which they are touched. */
  readonly tools: readonly Tool[]
  /** Tools that were planned and are left out for now, each with the reason: nothing is asked of them. */
  readonly leftOut?: readonly LeftOutTool[]
  readonly offsets: readonly OffsetPlan[]
}
