import { useMemo, useState } from 'react'
import { v7 as uuid } from 'uuid'
import { appendFact, type NewFact } from '@pine/contract'
import {
  asksForSpindle,
  FIELD_NAMES,
  impliedBy,
  quantityKey,
  readingBody,
  readingFields,
  solve,
  standingReadings,
  suggestGauges,
  type FieldKey,
  type QuantityName,
  type SetupDocument,
  type Solution,
  type Warning,
  type Way,
  type WayEnd,
  type WrittenLength,
} from '@pine/core'
import { useDraft } from '@/data/drafts'
import type { StandingSetup } from '@/data/setups'
import { useNumbers } from './use-numbers'

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
  /** Why an earlier reading is replaced; without it a further reading is a repeat. */
  readonly replaces?: string
}

type NewReading = Extract<NewFact, { kind: 'reading' }>['body']

/**
 * The reading of one step while it is typed: what it would give if it were entered now, so that
 * the drawing and the number beside it follow every key.
 */
export function useReading(setupId: string, setup: StandingSetup, quantity: QuantityName) {
  const { document } = setup
  const key = quantityKey(quantity)
  const fields = readingFields(quantity)
  const numbers = useNumbers<FieldKey>(
    `numbers:${setupId}:${key}`,
    document.sheet.unit,
    fields.map((field) => ({ key: field, label: FIELD_NAMES[field] })),
  )
  const initial = useMemo<ReadingDraft>(
    () => ({ with: suggestGauges(document, quantity), withOnPlane: [] }),
    [document, quantity],
  )
  const {
    value: draft,
    set,
    clear,
    started,
  } = useDraft<ReadingDraft>(`reading:${setupId}:${key}`, initial)
  const [asked, setAsked] = useState(false)
  const standing = standingReadings(document, quantity)
  const { written } = numbers
  const complete = fields.every((field) => numbers.value(field) !== undefined)
  const body = complete
    ? bodyOf(draft, quantity, written, standing.at(-1)?.id, asksForSpindle(document, quantity))
    : undefined
  const typedText = JSON.stringify(body)
  const preview = useMemo(
    () => (typedText === undefined ? document : previewOf(document, JSON.parse(typedText))),
    [document, typedText],
  )
  const solution = useMemo(
    () => (preview === document ? setup.solution : solve(preview)),
    [preview, document, setup.solution],
  )

  // What is said about this reading, or about the number it makes.
  const warnings = useMemo(
    () => (preview === document ? [] : warningsAt(solution, document, quantity)),
    [preview, document, solution, quantity],
  )

  return {
    draft,
    numbers,
    change: (changes: Partial<ReadingDraft>) => {
      setAsked(false)
      set({ ...draft, ...changes })
    },
    started: started || numbers.started,
    standing,
    preview,
    solution,
    complete,
    implied: impliedBy(preview, solution, quantity),
    warnings,
    /** Said once the person wants to go on. */
    problem:
      numbers.problem ?? (asked ? circumstanceProblem(document, draft, quantity) : undefined),
    /** The fact to enter, or undefined with the problem shown. */
    finish(): NewFact | undefined {
      if (!numbers.complete()) return undefined
      if (body === undefined) {
        setAsked(true)
        return undefined
      }
      return { id: uuid(), kind: 'reading', body }
    },
    clear() {
      clear()
      numbers.clear()
    },
  }
}

const toolOf = (said: string): number | null => (said === 'none' ? null : Number(said))

function bodyOf(
  draft: ReadingDraft,
  quantity: QuantityName,
  written: (key: FieldKey) => WrittenLength,
  standingId: string | undefined,
  asksSpindle: boolean,
): NewReading | undefined {
  const { zeroedOn, holds, controlSays, ways = {}, withOnFrom } = draft
  if (asksSpindle && (holds === undefined || controlSays === undefined)) return undefined
  const common = {
    read: written('read'),
    with: [...draft.with],
    ...(ways.own && { approach: ways.own }),
    ...(draft.replaces !== undefined && standingId !== undefined
      ? { supersedes: standingId, reason: draft.replaces }
      : {}),
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
        // Once its way is said, the other end speaks for itself.
        ...((withOnFrom !== undefined || ways.other !== undefined) && {
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

/** The document as it would be with this reading entered. */
const previewOf = (document: SetupDocument, body: NewReading): SetupDocument =>
  // Who and when are filled in by the server; for a preview they do not matter.
  appendFact(document, { id: 'preview', kind: 'reading', body }, { by: '', at: '' })

/** What is said about a reading that is being typed, by its own name or by its tool's register. */
function warningsAt(
  solution: Solution,
  { sheet }: SetupDocument,
  quantity: QuantityName,
): readonly Warning[] {
  const tool = 'tool' in quantity ? quantity.tool : undefined
  const register = sheet.tools.find(({ number }) => number === tool)?.lengthRegister
  const places = [quantityKey(quantity), ...(register === undefined ? [] : [`H${register}`])]
  return solution.warnings.filter(({ place }) => places.includes(place))
}

function circumstanceProblem(
  document: SetupDocument,
  { zeroedOn, holds, controlSays }: ReadingDraft,
  quantity: QuantityName,
): string | undefined {
  if (isDifference(quantity) && zeroedOn === undefined)
    return 'Say where the counter was zeroed: the sign follows from that.'
  if (asksForSpindle(document, quantity) && (holds === undefined || controlSays === undefined))
    return 'Say what stands in the spindle, and which tool the control takes for active.'
  return undefined
}

/** Read on the relative counter, between two surfaces. */
export const isDifference = (quantity: QuantityName): boolean =>
  quantity.of === 'carried-difference' || quantity.of === 'fixture-difference'
