import type { WrittenLength } from '../length/length'
import type { Face } from '../touch/touch'
import type { KeyMode, OffsetRow, SetupSheet } from './sheet'

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
  | {
      readonly of: 'circle-point'
      readonly row: OffsetRow
      /** Which touch around the circle, from 1. */
      readonly point: number
      /** Machine Y of the spindle axis; `read` is its machine X. */
      readonly readY: WrittenLength
    }
  | {
      readonly of: 'sweep'
      readonly row: OffsetRow
      /** Machine Y of the spindle axis; `read` is its machine X. */
      readonly readY: WrittenLength
      /** The dial, a quarter turn apart; it counts up when its plunger is pushed in. */
      readonly dial: Readonly<Record<Face, WrittenLength>>
    }
  | { readonly of: 'nose-on-part'; readonly row: OffsetRow }
  | { readonly of: 'tip-on-part'; readonly tool: number; readonly row: OffsetRow }
  | { readonly of: 'tool-diameter'; readonly tool: number }
  | {
      readonly of: 'fixture-difference'
      readonly row: OffsetRow
      readonly from: OffsetRow
      /** At which of the two raw tops the counter was zeroed; it was read at the other. */
      readonly zeroedOn: 'row' | 'from'
    }
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
    /** The way the axis moved last, where it was not the usual way of this touch (down, or into the face). */
    readonly approach?: '+' | '-'
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

/**
 * Something changed that makes numbers stale. It stands in the order of the readings, not of
 * clocks: it happened after the first `afterReadings` of them.
 */
export type SetupEvent = Fact & { readonly afterReadings: number } & (
    | { readonly kind: 'part-changed'; readonly row: OffsetRow }
    | { readonly kind: 'plane-moved' }
    | { readonly kind: 'tool-changed'; readonly tool: number }
    | { readonly kind: 'home-lost' }
  )

export interface SetupDocument {
  readonly format: 'pine-compass/setup'
  readonly version: 1
  readonly id: string
  readonly sheet: SetupSheet
  readonly readings: readonly Reading[]
  readonly keyIns: readonly KeyIn[]
  readonly readBacks: readonly ReadBack[]
  readonly events?: readonly SetupEvent[]
}
