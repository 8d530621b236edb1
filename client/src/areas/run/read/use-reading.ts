import { useMemo, useState } from 'react'
import type { Address } from '@pine/core/address'
import { standingReadings } from '@pine/core/freshness'
import {
  asksForContact,
  asksForSpindle,
  capturedReading,
  rowExpected,
  suggestGauges,
  type TakenPosition,
} from '@pine/core/plan'
import type { WrittenLength } from '@pine/core/length'
import { isSurelyBelowZero } from '@pine/core/expect'
import { quantityKey, readingFields, type FieldKey, type QuantityName } from '@pine/core/quantities'
import { solve } from '@pine/core/solve'
import { FIELD_NAMES, isVague } from '@pine/core/words'
import { useDraft } from '@/data/device/drafts'
import { withPreview } from '@/data/setup/preview'
import type { FactDraft } from '@/data/outbox/fact-draft'
import type { LoadedSetup } from '@/data/setup/standing'
import { capturedFacts } from './position/capture-view'
import { asExpected, beliefOf, captureOf, surpriseAtKey } from './expected'
import { bodyOf, circumstanceProblem, type NewReading, type ReadingDraft } from './reading-draft'
import {
  positionOf,
  positionProblem,
  positionSuggested,
  zeroedHere,
  type PositionDraft,
} from './position/position-draft'
import { cameBy, standsAsTaken, takenOf } from './position/taken'
import { readingView, unplacedAt } from './reading-view'
import { useNumbers } from '../frame/entry/use-numbers'

/** Why a surprise stands: what was asked before it could be entered. */
export const TOUCHED_AGAIN = 'touched again, and so it is'

/**
 * The reading of one step while it is typed: what it would give if it were entered now, so that
 * the drawing and the number beside it follow every key.
 */
export function useReading(
  setupId: string,
  setup: LoadedSetup,
  quantity: QuantityName,
  again: boolean,
) {
  const { document } = setup
  const key = quantityKey(quantity)
  const fields = readingFields(quantity)
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
  const [submitted, setSubmitted] = useState(false)
  const reads = useMemo(
    () =>
      draft.position ??
      // Read on a counter it was no number: it is the machine position that is asked for now.
      (unplacedAt(setup.solution, quantity) === undefined
        ? positionSuggested(document, quantity)
        : { reads: 'machine' as const }),
    [draft.position, document, setup.solution, quantity],
  )
  const position = useMemo(
    () => positionOf(document, setup.solution, quantity, reads),
    [document, setup.solution, quantity, reads],
  )
  const standing = standingReadings(document, quantity)
  const standingId = standing.at(-1)?.id
  // Whatever could be captured: also while the position is read beside it.
  const couldCapture = useMemo(
    () => captureOf(document, draft, quantity, standingId, position),
    [document, draft, quantity, standingId, position],
  )
  const capture = draft.apart === undefined ? couldCapture : undefined
  const unplaced =
    capture === undefined ? positionProblem(document, setup.solution, quantity, reads) : undefined
  const numbers = useNumbers<FieldKey>(
    `numbers:${setupId}:${key}`,
    document.sheet.unit,
    fields.map((field) => ({
      key: field,
      label: FIELD_NAMES[field],
      isBelowZero:
        (reads.reads === 'machine' || capture !== undefined) &&
        isSurelyBelowZero(document, quantity, field, capture?.atZero),
    })),
  )
  const { written } = numbers
  const complete = fields.every((field) => numbers.value(field) !== undefined)
  const rowNm = capture && numbers.value('read')
  const capturedAt = capture && rowNm !== undefined ? capturedReading(capture, rowNm) : undefined
  // A number of which nobody says what it is tells nothing yet.
  const body =
    complete && unplaced === undefined
      ? bodyOf(
          draft,
          quantity,
          (field) => capturedAt ?? written(field),
          standingId,
          asksForSpindle(document, quantity),
          // What the row tells is a position of the machine, unless it is the counter that was copied.
          capture === undefined ? position : capture.position,
        )
      : undefined
  const zeroed = zeroedHere(quantity, reads)
  const readBelief = useMemo(
    () =>
      unplaced === undefined
        ? beliefOf(
            document,
            draft,
            quantity,
            // A row that is captured tells a position of the machine.
            capture === undefined ? position : capture.position,
          )
        : undefined,
    [document, draft, quantity, capture, position, unplaced],
  )
  const belief = useMemo(
    () => (readBelief && capture ? rowExpected(capture, readBelief) : readBelief),
    [readBelief, capture],
  )
  const taken = standsAsTaken(draft.taken, fields, (field) => written(field).text)
  const typedText = JSON.stringify(body)
  const shownText = rowNm === undefined ? undefined : JSON.stringify(written('read'))
  const row = useMemo(
    () =>
      shownText === undefined || rowNm === undefined
        ? undefined
        : { written: JSON.parse(shownText) as WrittenLength, nm: rowNm },
    [shownText, rowNm],
  )
  const preview = useMemo(
    () =>
      typedText === undefined
        ? document
        : withPreview(zeroed === undefined ? document : withPreview(document, zeroed), {
            kind: 'reading',
            body: JSON.parse(typedText) as NewReading,
          }),
    [document, typedText, zeroed],
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
        row?.written,
      ),
    [document, belief, typedText, row],
  )
  // Until something is typed the drawing shows what is expected, faintly.
  const ghost = useMemo(() => {
    if (readBelief === undefined || isVague(readBelief) || standing.length > 0) return undefined
    const asRead = capture === undefined ? position : capture.position
    const expected = asExpected(document, readBelief, draft, quantity, asRead)
    return { document: expected, solution: solve(expected) }
  }, [document, readBelief, draft, quantity, standing.length, capture, position])
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
        capture,
        row,
        reads,
      }),
    [
      setup,
      quantity,
      draft,
      complete,
      hasStarted,
      again,
      preview,
      solution,
      belief,
      surprise,
      capture,
      row,
      reads,
    ],
  )

  return {
    draft,
    numbers,
    change: (changes: Partial<ReadingDraft>) => {
      setSubmitted(false)
      set({ ...draft, ...changes })
    },
    view,
    /** Which number of the display is read, and what is asked about it. */
    reads,
    changePosition(changes: Partial<PositionDraft>) {
      setSubmitted(false)
      set({ ...draft, position: { ...reads, ...changes } })
      // Zeroed here it shows nothing but zero.
      if (changes.zeroed === 'here') numbers.change('read', '0')
    },
    preview,
    solution,
    /** What is drawn: what was typed, or what is expected before that. */
    drawn: complete || ghost === undefined ? { document: preview, solution } : ghost,
    /** Said once the person wants to go on. */
    problem:
      numbers.problem ??
      (submitted || draft.contact === 'dead'
        ? (unplaced ??
          circumstanceProblem(document, draft, quantity) ??
          // Never refused without a sentence.
          (complete && body === undefined
            ? 'Something of this touch is still to be said: tap what stands to the right of the number’s name.'
            : undefined))
        : undefined),
    /** What was taken from the machine and stands in the field; undefined once it is typed over. */
    taken,
    /** Fills in what the machine told: a position of the machine, whatever was read before. */
    take(position: TakenPosition) {
      const told = takenOf(position, fields)
      set({ ...draft, position: { reads: 'machine' }, taken: told })
      numbers.fill(told.texts, document.sheet.unit)
    },
    /** The position is read instead of the row; what the row was read to show is kept for its comparison. */
    readAxis() {
      set({ ...draft, apart: row === undefined ? {} : { shown: row.written } })
      numbers.clear()
    },
    /**
     * The facts to enter, and the key-in that is done with them; undefined with the problem shown.
     *
     * @param surprise why it stands although it was not expected.
     * @param twice it was touched once more, and read the same.
     */
    finish(
      surprise?: string,
      twice = false,
    ): { facts: readonly FactDraft[]; keyed?: Address } | undefined {
      if (!numbers.complete()) return undefined
      // What a number is made of can be shown without the setter's contact; to be entered, it asks for it.
      if (
        body === undefined ||
        unplaced !== undefined ||
        circumstanceProblem(document, draft, quantity) !== undefined
      ) {
        setSubmitted(true)
        return undefined
      }
      const reading = {
        ...body,
        ...(asksForContact(document, draft.with) && { contactShown: true }),
        ...(surprise !== undefined && { surprise }),
        ...(taken && { captured: taken }),
      } as NewReading
      if (capture !== undefined)
        return {
          facts: capturedFacts(capture, 'captured', reading, written('read')),
          keyed: capture.address,
        }
      const shown = draft.apart?.shown
      if (couldCapture !== undefined && shown !== undefined)
        return { facts: capturedFacts(couldCapture, cameBy(taken).via ?? 'typed', reading, shown) }
      return {
        facts: [
          ...(zeroed === undefined ? [] : [zeroed]),
          ...Array.from({ length: twice ? 2 : 1 }, () => ({
            kind: 'reading' as const,
            ...cameBy(taken),
            body: reading,
          })),
        ],
      }
    },
    clear() {
      clear()
      numbers.clear()
    },
  }
}
