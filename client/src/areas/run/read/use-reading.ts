import { useMemo, useState } from 'react'
import { v7 as uuid } from 'uuid'
import type { NewFact } from '@pine/contract'
import { lengthAddress } from '@pine/core/address'
import { type SetupDocument } from '@pine/core/facts'
import { standingReadings } from '@pine/core/freshness'
import { asksForSpindle, impliedBy, suggestGauges } from '@pine/core/plan'
import { quantityKey, readingFields, type FieldKey, type QuantityName } from '@pine/core/quantities'
import { type Warning } from '@pine/core/registers'
import { solve, type Solution } from '@pine/core/solve'
import { FIELD_NAMES } from '@pine/core/words'
import { useDraft } from '@/data/drafts'
import { withPreview } from '@/data/preview'
import type { StandingSetup } from '@/data/setups'
import { bodyOf, circumstanceProblem, type NewReading, type ReadingDraft } from './reading-draft'
import { useNumbers } from './use-numbers'

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

/** What is said about a reading that is being typed, by its own name or by its tool's register. */
function warningsAt(
  solution: Solution,
  { sheet }: SetupDocument,
  quantity: QuantityName,
): readonly Warning[] {
  const tool = 'tool' in quantity ? quantity.tool : undefined
  const register = sheet.tools.find(({ number }) => number === tool)?.lengthRegister
  const places = [
    quantityKey(quantity),
    ...(register === undefined ? [] : [lengthAddress(register)]),
  ]
  return solution.warnings.filter(({ place }) => places.includes(place))
}
