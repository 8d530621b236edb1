import { isRoughlyKnown, registerOfTool } from '@pine/core/sheet'
import { type Reading, type SetupDocument } from '@pine/core/facts'
import { type Nanometres, type WrittenLength } from '@pine/core/length'
import {
  asksForContact,
  asksForSpindle,
  impliedBy,
  isDisputed,
  zeroesCounter,
  type Capture,
  type Implied,
} from '@pine/core/plan'
import { isAxisPosition, quantityKey, type QuantityName } from '@pine/core/quantities'
import { isHalfTyped, type Belief, type Surprise } from '@pine/core/expect'
import { isRemark, type Warning } from '@pine/core/registers'
import { type Solution } from '@pine/core/solve'
import { repeatSpread } from '@pine/core/sources'
import { standingReadings } from '@pine/core/freshness'
import {
  fieldOnDisplay,
  describeExpected,
  describeStep,
  describeWarning,
  isVague,
  lengthWords,
  setterRoom,
} from '@pine/core/words'
import type { LoadedSetup } from '@/data/setup/standing'
import { captureView, type CaptureView } from './position/capture-view'
import { betweenWords } from './position/between-words'
import { movedBetween, type MovedBetween } from './position/moved-between'
import { onlyNamed } from './only-named'
import { positionLabel, type PositionDraft } from './position/position-draft'
import { isDifference, type ReadingDraft } from './reading-draft'

/** A reading while it is typed: what is asked, what the number would mean, and whether it may be entered at once. */
export interface ReadingView {
  readonly words: ReturnType<typeof describeStep>
  readonly standing: readonly Reading[]
  /** An earlier reading no longer holds, and gives way by itself. */
  readonly stale: boolean
  /** It was read on a counter, and nothing can be counted from that: why it is read again, in words. */
  readonly unplaced: string | undefined
  /** It was touched more than once and the last stands alone: none of them counts, in words. */
  readonly disputed: string | undefined
  /** What was read is looked at; nothing is typed. */
  readonly reviewing: boolean
  readonly label: string
  /** Which number of the display it is can be said: not where the row tells it. */
  readonly asksPosition: boolean
  /** Keyed at the touch itself: the row tells where the axis stands. */
  readonly captured: CaptureView | undefined
  /** What is done with the relative counter, where the opposite face is halved. */
  readonly zeroesCounter: string | undefined
  /** What the touch is made with and how it was met, in a few words; empty where there is nothing to say of it. */
  readonly aside: string
  readonly asksZeroedOn: boolean
  readonly asksSpindle: boolean
  /** A fixed setter's cycle: its contact is asked for, and whether the tool clears it where the cycle begins is told. */
  readonly cycle: { readonly room: ReturnType<typeof setterRoom> } | undefined
  readonly warnings: readonly Warning[]
  readonly implied: Implied | undefined
  /** What should be read, in words; undefined where nothing is known that tells it. */
  readonly expected: string | undefined
  /** Nothing is known of the tool's length yet: a rule held to it would tell what to expect. */
  readonly asksForRule: boolean
  readonly surprise: Surprise | undefined
  /** More is to come of what is typed: it is not held against anything before Next. */
  readonly halfTyped: boolean
  /** It disagrees with something: looked at twice before it is entered. */
  readonly disagrees: boolean
  /** It lies further from the touch before it than the two repeat: no mean is taken of them, one of the two counts. */
  readonly apart: string | undefined
  /** What may have been moved between two touches that lie too far apart, and what is entered then. */
  readonly moved: MovedBetween | undefined
  /** Backed off and touched again with the same number: entered twice in one press. Of a face that was not read yet. */
  readonly mayRepeat: boolean
  /** What the second Next does with what disagrees. */
  readonly ifItIsSo: string
  readonly lastTime: string | undefined
  readonly spread: Nanometres | undefined
}

export interface ReadingInHand {
  readonly draft: ReadingDraft
  /** Every number of it can be read. */
  readonly complete: boolean
  /** Something of it was typed or said. */
  readonly started: boolean
  /** The person asked to read it once more, or in place of the last. */
  readonly again: boolean
  /** The set-up as it would stand with this reading, and its numbers; the set-up itself while the reading is not whole. */
  readonly preview: SetupDocument
  readonly solution: Solution
  /** What should be read, before it is. */
  readonly belief: Belief | undefined
  readonly surprise: Surprise | undefined
  /** What can be keyed at the touch itself, and what the row was read to show. */
  readonly capture: Capture | undefined
  readonly row: { readonly written: WrittenLength; readonly nm: Nanometres } | undefined
  /** Which number of the display is read. */
  readonly reads: PositionDraft
}

export function readingView(
  setup: LoadedSetup,
  quantity: QuantityName,
  {
    draft,
    complete,
    started,
    again,
    preview,
    solution,
    belief,
    surprise,
    capture,
    row,
    reads,
  }: ReadingInHand,
): ReadingView {
  const known = standingReadings(setup.document, quantity)
  // Taken over, and among those that are touched again: it is read as if for the first time.
  const standing = known.every(({ kept }) => kept?.check === true) ? [] : known
  const words = describeStep(preview, quantity, draft.with)
  const stale = setup.steps.some(
    ({ step, trust }) => step.key === quantityKey(quantity) && trust === 'stale',
  )
  const unplaced =
    unplacedAt(setup.solution, quantity) ??
    warningAt(setup.solution, quantity, 'gauge-size-unknown')
  const implied = impliedBy(preview, solution, quantity)
  const disputed = disputedAt(setup.solution, solution, standing, quantity)
  const found = preview === setup.document ? [] : warningsAt(solution, preview, quantity)
  // Around a circle the touch itself is told, with its slip, and not only that the size differs.
  const isShown =
    found.some(({ code }) => TOLD_CLOSER.includes(code) || OF_KEPT.includes(code)) ||
    (implied?.size?.agrees === false && surprise?.number === undefined)
  // A slip that is named says what to look at, and what else disagrees follows from it; without one, what compares the number says more.
  const isNamed = surprise?.slip !== undefined
  const surprising = isNamed || !isShown ? surprise : undefined
  // Where the machine does not go, nothing moved.
  const astray = found.some(({ code }) => code === 'outside-travel')
  const warnings = found.filter(
    ({ code }) => !(isNamed && FOLLOWS.includes(code)) && !(astray && OF_KEPT.includes(code)),
  )
  const last = standingReadings(preview, quantity).at(-1)
  const captured = capture && captureView(capture, quantity, row?.nm)
  return {
    words,
    standing,
    stale,
    unplaced: unplaced && describeWarning(unplaced, () => ''),
    disputed,
    reviewing:
      standing.length > 0 &&
      !started &&
      !again &&
      !stale &&
      unplaced === undefined &&
      disputed === undefined,
    label:
      captured?.label ??
      fieldLabel(
        positionLabel(fieldOnDisplay(words.field, reads.reads), reads),
        stale || unplaced !== undefined ? 0 : standing.length,
        draft.replaces,
      ),
    asksPosition: captured === undefined && isAxisPosition(quantity),
    captured,
    zeroesCounter: zeroesCounter(setup.document, quantity)
      ? 'Zero the relative counter here: at the opposite face it is halved.'
      : undefined,
    aside: betweenWords(preview, draft, quantity),
    asksZeroedOn: isDifference(quantity),
    asksSpindle: asksForSpindle(preview, quantity),
    cycle: asksForContact(preview, draft.with)
      ? { room: 'tool' in quantity ? setterRoom(preview.sheet, quantity.tool) : undefined }
      : undefined,
    warnings,
    implied: complete || standing.length > 0 ? implied && onlyNamed(implied, isNamed) : undefined,
    expected:
      belief === undefined || isVague(belief)
        ? undefined
        : describeExpected(belief, setup.document.sheet.unit),
    asksForRule:
      quantity.of === 'tip-on-plane' &&
      belief !== undefined &&
      isVague(belief) &&
      !isRoughlyKnown(setup.document.sheet, quantity.tool),
    surprise: surprising,
    halfTyped:
      belief !== undefined && last !== undefined && isHalfTyped(row?.written ?? last.read, belief),
    disagrees:
      surprising !== undefined ||
      warnings.some((warning) => !isRemark(warning)) ||
      implied?.size?.agrees === false,
    apart:
      draft.replaces === undefined && found.some(({ code }) => code === 'repeats-spread')
        ? 'Further apart than two touches repeat: no mean is taken. Touch again, or say that this one counts.'
        : undefined,
    moved: movedBetween(setup.document, quantity),
    mayRepeat:
      complete && quantity.of === 'face' && standing.length === 0 && captured === undefined,
    ifItIsSo: ifItIsSo(
      surprising !== undefined,
      found.some(({ code }) => OF_KEPT.includes(code)),
    ),
    lastTime: lastTime(preview, quantity),
    spread: last && repeatSpread(preview, last),
  }
}

/** It was read on a counter that nothing ties to what its number is counted from. */
export const unplacedAt = (solution: Solution, quantity: QuantityName): Warning | undefined =>
  warningAt(solution, quantity, 'counter-zero-unknown')

const warningAt = (
  solution: Solution,
  quantity: QuantityName,
  wanted: Warning['code'],
): Warning | undefined =>
  solution.warnings.find(({ code, place }) => code === wanted && place === quantityKey(quantity))

/** Until the number in hand agrees with one of them, or stands in their place. */
const disputedAt = (
  before: Solution,
  now: Solution,
  standing: readonly Reading[],
  quantity: QuantityName,
): string | undefined =>
  [before, now].every((solution) => isDisputed(solution, quantityKey(quantity)))
    ? `${standing.map(({ read }) => lengthWords(read)).join(' and ')} lie further apart than two touches repeat: none counts. Touch again; those that agree count.`
    : undefined

/** What compares the number itself with another one knows more of it than what was expected. */
const TOLD_CLOSER: readonly Warning['code'][] = [
  'differs-from-last-time',
  'known-length-differs',
  'ways-differ',
]

/** What a slip of the same number brings with it: one sentence with the slip is enough. */
const FOLLOWS: readonly Warning['code'][] = [
  ...TOLD_CLOSER,
  'outside-travel',
  'kept-differs',
  'kept-moved',
  'repeats-spread',
]

const OF_KEPT: readonly Warning['code'][] = ['kept-differs', 'kept-moved']

/** What falls by a reading is said before it is entered, also where a slip explains it better. */
function ifItIsSo(surprises: boolean, keptFalls: boolean): string {
  if (!surprises)
    return 'This disagrees. Look again. To enter it all the same, press Next once more.'
  return keptFalls
    ? 'Touch again. To enter it all the same, press Next once more: the reused lengths then no longer count.'
    : 'Touch again. To enter it all the same, press Next once more: the record says that you did.'
}

/** What is said about a reading that is being typed, by its own name or by its tool's register. */
function warningsAt(
  solution: Solution,
  { sheet }: SetupDocument,
  quantity: QuantityName,
): readonly Warning[] {
  const tool = 'tool' in quantity ? quantity.tool : undefined
  const register = tool === undefined ? undefined : registerOfTool(sheet, tool)
  return solution.warnings.filter(
    ({ place }) => place === quantityKey(quantity) || place === register,
  )
}

/** The field says when its number will stand beside, or in place of, another. */
function fieldLabel(field: string, standing: number, replaces: string | undefined): string {
  const short = field.replace(' at contact', '')
  if (replaces !== undefined) return `${short}, in place of the last`
  return standing > 0 ? `${short}, once more` : field
}

/** What the tool measured last time, where it has not been taken from its holder since. */
function lastTime({ sheet }: SetupDocument, quantity: QuantityName): string | undefined {
  if (quantity.of !== 'tip-on-plane') return undefined
  const last = sheet.tools.find(({ number }) => number === quantity.tool)?.lastLength
  return last && `${last.text} ${last.unit}`
}
