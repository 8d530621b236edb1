import type { NewFact } from '@pine/contract'
import { type SetupDocument } from '@pine/core/facts'
import { type WrittenLength } from '@pine/core/length'
import { asksForContact, asksForSpindle, readingBody, type WayEnd } from '@pine/core/plan'
import { type DisplayedPosition, type FieldKey, type QuantityName } from '@pine/core/quantities'
import { type Way } from '@pine/core/touch'
import { sendable } from '@/data/server/api'
import type { PositionDraft } from './position/position-draft'
import type { Taken } from './position/taken'

/** A reading while it is being typed: its numbers are kept beside it (use-numbers.ts). */
export interface ReadingDraft {
  readonly with: readonly string[]
  /** A difference only: at which end the counter was zeroed. Asked, never assumed. */
  readonly zeroedOn?: 'plane' | 'part' | 'row' | 'from'
  readonly withOnPlane: readonly string[]
  /** A difference from another part: what lay between there, where it was not the same as here. */
  readonly withOnFrom?: readonly string[]
  /** From which sides the axes came, where that was said. */
  readonly ways?: Readonly<Partial<Record<WayEnd, Way>>>
  /** Where Z is set: what stands in the spindle, and what the control takes for active; `none` is the bare nose. */
  readonly holds?: string
  readonly controlSays?: string
  /** Of a face: moved on by half the tip. Of a dial: pushed in, it counts down. */
  readonly movedOver?: boolean
  readonly dialFalls?: boolean
  /** Of a fixed setter: its contact was pressed by hand, and the control showed it, or did not. */
  readonly contact?: 'shown' | 'dead'
  /** Which number of the display is read; as at the last touch, where nobody said otherwise. */
  readonly position?: PositionDraft
  /** Why an earlier reading is replaced; without it a further reading is a repeat. */
  readonly replaces?: string
  /** The position is read, though the row could tell it; with what the row showed, where that was typed before. */
  readonly apart?: { readonly shown?: WrittenLength }
  readonly taken?: Taken
  /** Why a reading that was not expected stands all the same. */
  readonly surprise?: string
}

export type NewReading = Extract<NewFact, { kind: 'reading' }>['body']

const toolOf = (choice: string): number | null => (choice === 'none' ? null : Number(choice))

/** What is entered, once everything is said that the touch needs; undefined while something is not. */
export function bodyOf(
  draft: ReadingDraft,
  quantity: QuantityName,
  written: (key: FieldKey) => WrittenLength,
  standingId: string | undefined,
  asksSpindle: boolean,
  position?: DisplayedPosition,
): NewReading | undefined {
  const { zeroedOn, holds, controlSays, ways = {}, withOnFrom } = draft
  if (asksSpindle && (holds === undefined || controlSays === undefined)) return undefined
  const common = {
    read: written('read'),
    with: [...draft.with],
    ...(position && { position: sendable(position) }),
    ...(draft.movedOver === true && quantity.of === 'face' && { movedOver: true as const }),
    ...(draft.dialFalls === true && quantity.of === 'sweep' && { dialFalls: true as const }),
    ...(ways.own && { approach: ways.own }),
    ...(draft.replaces !== undefined && standingId !== undefined
      ? { supersedes: standingId, reason: draft.replaces }
      : {}),
    ...(draft.surprise !== undefined && { surprise: draft.surprise }),
    ...(asksSpindle && holds !== undefined && controlSays !== undefined
      ? { spindle: { holds: toolOf(holds), controlSays: toolOf(controlSays) } }
      : {}),
  }
  switch (quantity.of) {
    case 'carried-difference':
      if (zeroedOn !== 'plane' && zeroedOn !== 'part') return undefined
      return {
        ...quantity,
        ...common,
        zeroedOn,
        withOnPlane: [...draft.withOnPlane],
        ...(ways.other && { approachOnPlane: ways.other }),
      }
    case 'fixture-difference':
      if (zeroedOn !== 'row' && zeroedOn !== 'from') return undefined
      return {
        ...quantity,
        ...common,
        zeroedOn,
        // Once anything is said of an end, each speaks for itself: where the file says nothing of the other one, it
        // was met as this one.
        ...((withOnFrom ?? ways.own ?? ways.other) !== undefined && {
          withOnFrom: [...(withOnFrom ?? draft.with)],
        }),
        ...(ways.other && { approachOnFrom: ways.other }),
      }
    case 'circle-point':
    case 'edge-point':
    case 'sweep':
      return {
        ...quantity,
        ...common,
        ...readingBody(quantity, written),
        ...((ways.X || ways.Y) && {
          approaches: { ...(ways.X && { X: ways.X }), ...(ways.Y && { Y: ways.Y }) },
        }),
      } as NewReading
    default:
      return { ...quantity, ...common }
  }
}

/** A contact that does not show lets the tool go on into the setter. */
const DEAD_CONTACT =
  'Do not start the cycle: the tool would go on into the setter. See to clip, cable and plug first.'

/** What has to be said before a reading is whole, in words; undefined where nothing is missing. */
export function circumstanceProblem(
  document: SetupDocument,
  { zeroedOn, holds, controlSays, contact, with: using }: ReadingDraft,
  quantity: QuantityName,
): string | undefined {
  if (isDifference(quantity) && zeroedOn === undefined)
    return 'Say where the counter was zeroed: the sign follows from that.'
  if (asksForSpindle(document, quantity) && (holds === undefined || controlSays === undefined))
    return 'Say what stands in the spindle, and which tool the control takes for active.'
  if (!asksForContact(document, using)) return undefined
  if (contact === 'dead') return DEAD_CONTACT
  if (contact === undefined)
    return 'Before its cycle, press the setter’s contact by hand. Does the control show it? Say so.'
  return undefined
}

/** Read on the relative counter, between two surfaces. */
export const isDifference = (quantity: QuantityName): boolean =>
  quantity.of === 'carried-difference' || quantity.of === 'fixture-difference'
