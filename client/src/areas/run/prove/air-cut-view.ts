import { type Lift, type LiftPlace } from '@pine/core/facts'
import { formatLength, type LengthUnit, type Nanometres } from '@pine/core/length'
import { standingCheckOff } from '@pine/core/plan'
import { activeLift, airCutLift, mayLift } from '@pine/core/proof'
import { lowestZ } from '@pine/core/running'
import { describeCheck, LIFT_PLACE_WORDS, typographic, type CheckWords } from '@pine/core/words'
import type { LoadedSetup } from '@/data/setup/standing'
import { lengthWriter } from '../frame/entry/write-length'
import type { FactDraft } from '@/data/outbox/fact-draft'
import { liftRowView, rowsToRaise, type LiftRowView } from './lift-rows-view'

const PLACES: readonly { readonly value: LiftPlace; readonly label: string }[] = [
  { value: 'external-offset', label: 'external offset Z' },
  { value: 'work-offsets', label: 'Z of each work offset' },
  { value: 'lengths', label: 'each length' },
]

/** A run in air: row by row everything is raised, it stays so until it is let down row by row, or how it was seen to. */
export type AirCutView =
  | { readonly shows: 'row'; readonly row: LiftRowView }
  | { readonly shows: 'raised'; readonly words: CheckWords }
  /** Every row was keyed to its own number some other way: the lift is out once that is said. */
  | { readonly shows: 'down'; readonly words: CheckWords; readonly facts: readonly FactDraft[] }
  | { readonly shows: 'done'; readonly words: CheckWords; readonly text: string }
  | {
      readonly shows: 'raise'
      readonly words: CheckWords
      readonly places: typeof PLACES
      /** How much everything is raised by, in the control's digits; a dash before both numbers are known. */
      readonly raiseBy: string
      readonly into: string
      /** What each row shows now and will show; empty before both numbers are known. */
      readonly rows: readonly string[]
      /** Where the lowest Z comes from, where nobody had to type it. */
      readonly lowestOf?: string
    }

export interface LiftTyped {
  readonly where: LiftPlace
  readonly lowest: Nanometres | undefined
  readonly margin: Nanometres | undefined
}

/** Air that is enough to see beneath the tip, and little enough to see it (common practice, no source). */
const AIR: Readonly<Record<LengthUnit, string>> = { mm: '10', in: '0.5' }

/** What need not be typed: how deep the newest program goes, and the usual air. */
export function liftKnown({
  document: { programs, sheet },
}: LoadedSetup): Partial<Record<'lowest' | 'margin', string>> {
  const { unit, machine } = sheet
  const program = programs.at(-1)
  const lowest = program && lowestZ(program.reading)
  return {
    margin: AIR[unit],
    ...(lowest !== undefined && {
      lowest: formatLength(lowest, unit, machine.control.decimals[unit]),
    }),
  }
}

/**
 * @param typed as far as it is: the lowest Z of the program and the air beneath the tip there.
 * @param begun pressed here: everything is to be raised, or it ran and is to be let down.
 */
export function airCutView(
  setup: LoadedSetup,
  { where, lowest, margin }: LiftTyped,
  begun?: Lift['moves'],
): AirCutView {
  const { document, solution } = setup
  const { sheet } = document
  const { unit } = sheet
  const words = describeCheck(document, 'air-cut')
  const lift = activeLift(document)
  if (lift !== undefined) return raisedView(setup, words, lift, begun)
  const done = standingCheckOff(document, 'air-cut')
  if (done !== undefined)
    return {
      shows: 'done',
      words,
      text: done.leftOut === undefined ? `ran clear, ${done.by.name}` : `left out: ${done.leftOut}`,
    }
  const raiseBy =
    lowest === undefined || margin === undefined ? undefined : airCutLift(lowest, margin)
  const amount = raiseBy && { text: formatLength(raiseBy, unit, solution.decimals), unit }
  const row = begun === 'in' && amount ? liftRowView(setup, { where, amount }, 'in') : undefined
  if (row !== undefined) return { shows: 'row', row }
  const program = document.programs.at(-1)
  const write = lengthWriter(solution)
  return {
    shows: 'raise',
    words,
    places: PLACES.filter(({ value }) => mayLift(value, sheet)),
    raiseBy: raiseBy === undefined ? '–' : write(raiseBy),
    into: LIFT_PLACE_WORDS[where],
    rows: amount ? rowsToRaise(setup, { where, amount }) : [],
    ...(program &&
      lowest !== undefined &&
      lowest === lowestZ(program.reading) && { lowestOf: `${program.name} goes no deeper.` }),
  }
}

/** Once one row is raised: the others, the run in air, and the way down, which goes on where it was left. */
function raisedView(
  setup: LoadedSetup,
  words: CheckWords,
  lift: Lift,
  begun: Lift['moves'] | undefined,
): AirCutView {
  const isComingDown =
    begun === 'out' ||
    setup.document.readBacks.some(({ moment, place }) => moment === 'lowered' && place > lift.place)
  const row = liftRowView(setup, lift, isComingDown ? 'out' : 'in')
  if (row !== undefined) return { shows: 'row', row }
  const { where, amount } = lift
  return isComingDown
    ? {
        shows: 'down',
        words: { ...words, sentence: 'Every row shows its own number again.', points: [] },
        facts: [
          { kind: 'lift', body: { moves: 'out', where, amount } },
          { kind: 'check-off', body: { of: 'air-cut', how: 'lifted' } },
        ],
      }
    : { shows: 'raised', words: runInAir(words, lift) }
}

const runInAir = (words: CheckWords, { amount, where }: Lift): CheckWords => ({
  ...words,
  sentence: 'Run it in air. Then take the lift out.',
  points: [
    'Every move watched: clamps, jaws, the tool change.',
    `${typographic(amount.text)} ${amount.unit} is in ${LIFT_PLACE_WORDS[where]}: it comes out row by row.`,
  ],
})
