import { useMemo, useState } from 'react'
import { standingReadings } from '@pine/core/freshness'
import { asksForSpindle, suggestGauges } from '@pine/core/plan'
import { quantityKey, readingFields, type FieldKey, type QuantityName } from '@pine/core/quantities'
import { solve } from '@pine/core/solve'
import { FIELD_NAMES, isVague } from '@pine/core/words'
import { useDraft } from '@/data/drafts'
import { withPreview } from '@/data/preview'
import type { Said } from '@/data/said'
import type { StandingSetup } from '@/data/standing'
import { asExpected, beliefOf, surpriseAtKey } from './expected'
import { bodyOf, circumstanceProblem, type NewReading, type ReadingDraft } from './reading-draft'
import { readingView } from './reading-view'
import { useNumbers } from '../frame/use-numbers'

/**
 * The reading of one step while it is typed: what it would give if it were entered now, so that
 * the drawing and the number beside it follow every key.
 */
export function useReading(
  setupId: string,
  setup: StandingSetup,
  quantity: QuantityName,
  again: boolean,
) {
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
  const belief = useMemo(() => beliefOf(document, draft, quantity), [document, draft, quantity])
  const typedText = JSON.stringify(body)
  const preview = useMemo(
    () =>
      typedText === undefined
        ? document
        : withPreview(document, { kind: 'reading', body: JSON.parse(typedText) as NewReading }),
    [document, typedText],
  )
  const solution = useMemo(
    () => (preview === document ? setup.solution : solve(preview)),
    [preview, document, setup.solution],
  )
  const surprise = useMemo(
    () =>
      surpriseAtKey(
        document,
        belief,
        typedText === undefined ? undefined : (JSON.parse(typedText) as NewReading),
      ),
    [document, belief, typedText],
  )
  // Until something is typed the drawing shows what is expected, faintly.
  const ghost = useMemo(() => {
    if (belief === undefined || isVague(belief) || standing.length > 0) return undefined
    const expected = asExpected(document, belief, draft, quantity)
    return { document: expected, solution: solve(expected) }
  }, [document, belief, draft, quantity, standing.length])
  const hasStarted = started || numbers.started
  const view = useMemo(
    () =>
      readingView(setup, quantity, {
        draft,
        complete,
        started: hasStarted,
        again,
        preview,
        solution,
        belief,
        surprise,
      }),
    [setup, quantity, draft, complete, hasStarted, again, preview, solution, belief, surprise],
  )

  return {
    draft,
    numbers,
    change: (changes: Partial<ReadingDraft>) => {
      setAsked(false)
      set({ ...draft, ...changes })
    },
    view,
    preview,
    solution,
    /** What is drawn: what was typed, or what is expected before that. */
    drawn: complete || ghost === undefined ? { document: preview, solution } : ghost,
    /** Said once the person wants to go on. */
    problem:
      numbers.problem ?? (asked ? circumstanceProblem(document, draft, quantity) : undefined),
    /** The fact to enter, or undefined with the problem shown. */
    finish(): Said | undefined {
      if (!numbers.complete()) return undefined
      if (body === undefined) {
        setAsked(true)
        return undefined
      }
      return { kind: 'reading', body }
    },
    clear() {
      clear()
      numbers.clear()
    },
  }
}
