import { useMemo, useState } from 'react'
import { v7 as uuid } from 'uuid'
import { appendFact, type NewFact } from '@pine/contract'
import {
  describeProblem,
  impliedBy,
  otherUnit,
  quantityKey,
  readLength,
  solve,
  standingReadings,
  suggestGauges,
  type LengthUnit,
  type QuantityName,
  type SetupDocument,
} from '@pine/core'
import { useDraft } from '@/data/drafts'
import { erased, signTurned, typed } from '@/kit/number-text'
import type { StandingSetup } from '@/data/setups'

/** A reading while it is being typed. */
export interface ReadingDraft {
  readonly text: string
  readonly unit: LengthUnit
  readonly with: readonly string[]
  /** A difference only: at which end the counter was zeroed. Asked, never assumed. */
  readonly zeroedOn?: 'plane' | 'part' | 'row' | 'from'
  readonly withOnPlane: readonly string[]
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
  const initial: ReadingDraft = {
    text: '',
    unit: document.sheet.unit,
    with: suggestGauges(document, quantity),
    withOnPlane: [],
  }
  const {
    value: draft,
    set,
    clear,
    started,
  } = useDraft<ReadingDraft>(`reading:${setupId}:${key}`, initial)
  const [asked, setAsked] = useState(false)
  const standing = standingReadings(document, quantity)
  const read = readLength(draft)
  const preview = useMemo(() => previewOf(document, draft, quantity), [document, draft, quantity])
  const solution = useMemo(
    () => (preview === document ? setup.solution : solve(preview)),
    [preview, document, setup.solution],
  )

  return {
    draft,
    change: (changes: Partial<ReadingDraft>) => {
      setAsked(false)
      set({ ...draft, ...changes })
    },
    type: (character: string) => set({ ...draft, text: typed(draft.text, character) }),
    erase: () => set({ ...draft, text: erased(draft.text) }),
    turnSign: () => set({ ...draft, text: signTurned(draft.text) }),
    turnUnit: () => set({ ...draft, unit: otherUnit(draft.unit) }),
    started,
    standing,
    preview,
    solution,
    implied: impliedBy(preview, solution, quantity),
    /** Said once the person wants to go on. */
    problem: asked ? problemOf(draft, quantity, read) : undefined,
    /** The fact to enter, or undefined with the problem shown. */
    finish(): NewFact | undefined {
      const body = bodyOf(draft, quantity, standing.at(-1)?.id)
      if (!read.ok || body === undefined) {
        setAsked(true)
        return undefined
      }
      return { id: uuid(), kind: 'reading', body }
    },
    clear,
  }
}

function bodyOf(
  draft: ReadingDraft,
  quantity: QuantityName,
  standingId: string | undefined,
): NewReading | undefined {
  const common = {
    read: { text: draft.text.trim(), unit: draft.unit },
    with: [...draft.with],
    ...(draft.replaces !== undefined && standingId !== undefined
      ? { supersedes: standingId, reason: draft.replaces }
      : {}),
  }
  const { zeroedOn } = draft
  switch (quantity.of) {
    case 'carried-difference':
      if (zeroedOn !== 'plane' && zeroedOn !== 'part') return undefined
      return { ...quantity, ...common, zeroedOn, withOnPlane: [...draft.withOnPlane] }
    case 'fixture-difference':
      if (zeroedOn !== 'row' && zeroedOn !== 'from') return undefined
      return { ...quantity, ...common, zeroedOn }
    case 'circle-point':
    case 'edge-point':
    case 'sweep':
      // Read on two axes: this field takes one number, see problemOf.
      return undefined
    default:
      return { ...quantity, ...common }
  }
}

/** The document as it would be with this draft entered; the same document while nothing is typed. */
function previewOf(
  document: SetupDocument,
  draft: ReadingDraft,
  quantity: QuantityName,
): SetupDocument {
  const body = bodyOf(draft, quantity, standingReadings(document, quantity).at(-1)?.id)
  if (body === undefined || !readLength(body.read).ok) return document
  // Who and when are filled in by the server; for a preview they do not matter.
  return appendFact(document, { id: 'preview', kind: 'reading', body }, { by: '', at: '' })
}

function problemOf(
  draft: ReadingDraft,
  quantity: QuantityName,
  read: ReturnType<typeof readLength>,
): string | undefined {
  if (!read.ok) {
    const { message, remedy } = describeProblem(read.problem)
    return `${message} ${remedy}`
  }
  if (quantity.of === 'circle-point' || quantity.of === 'edge-point' || quantity.of === 'sweep')
    return 'A reading on two axes comes in by the set-up file: docs/setup-file.md.'
  if (isDifference(quantity) && draft.zeroedOn === undefined)
    return 'Say where the counter was zeroed: the sign follows from that.'
  return undefined
}

/** Read on the relative counter, between two surfaces. */
export const isDifference = (quantity: QuantityName): boolean =>
  quantity.of === 'carried-difference' || quantity.of === 'fixture-difference'
