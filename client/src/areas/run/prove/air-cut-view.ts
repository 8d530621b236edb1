import { type Lift, type LiftPlace } from '@pine/core/facts'
import { formatLength, type LengthUnit, type Nanometres } from '@pine/core/length'
import { standingCheckOff } from '@pine/core/plan'
import { activeLift, airCutLift, mayLift } from '@pine/core/proof'
import { lowestZ } from '@pine/core/running'
import { describeCheck, LIFT_PLACE_WORDS, typographic, type CheckWords } from '@pine/core/words'
import type { Said } from '@/data/outbox/said'
import type { StandingSetup } from '@/data/setup/standing'
import { lengthWriter } from '../frame/write-length'

const PLACES: readonly { readonly value: LiftPlace; readonly label: string }[] = [
  { value: 'external-offset', label: 'external offset Z' },
  { value: 'work-offsets', label: 'Z of each work offset' },
  { value: 'lengths', label: 'each length' },
]

/** A run in air: everything is raised, the lift stays active until it is taken out, or how it was seen to. */
export type AirCutView =
  | { readonly shows: 'raised'; readonly words: CheckWords; readonly facts: readonly Said[] }
  | { readonly shows: 'done'; readonly words: CheckWords; readonly says: string }
  | {
      readonly shows: 'raise'
      readonly words: CheckWords
      readonly places: typeof PLACES
      /** How much everything is raised by, in the control's digits; a dash before both numbers are known. */
      readonly raiseBy: string
      readonly into: string
      /** How deep the newest program goes, where it was read. */
      readonly reached?: { readonly text: string; readonly offer: string }
      /** The lift as it would be entered; none before both numbers are known. */
      readonly said: Said | undefined
    }

export interface LiftTyped {
  readonly where: LiftPlace
  /** In which the lowest Z is typed. */
  readonly unit: LengthUnit
  readonly lowest: Nanometres | undefined
  readonly margin: Nanometres | undefined
}

/** @param typed as far as it is: the lowest Z of the program and the air beneath the tip there. */
export function airCutView(
  { document, solution }: StandingSetup,
  { where, unit: typedIn, lowest, margin }: LiftTyped,
): AirCutView {
  const { sheet } = document
  const { unit } = sheet
  const words = describeCheck(document, 'air-cut')
  const lift = activeLift(document)
  if (lift !== undefined)
    return { shows: 'raised', words: takeOutWords(words, lift), facts: takenOut(lift) }
  const done = standingCheckOff(document, 'air-cut')
  if (done !== undefined)
    return {
      shows: 'done',
      words,
      says: done.leftOut === undefined ? `ran clear, ${done.by.name}` : `left out: ${done.leftOut}`,
    }
  const amount =
    lowest === undefined || margin === undefined ? undefined : airCutLift(lowest, margin)
  const program = document.programs.at(-1)
  const reached = program && lowestZ(program.reading)
  const write = lengthWriter(solution)
  return {
    shows: 'raise',
    words,
    places: PLACES.filter(({ value }) => mayLift(value, sheet)),
    raiseBy: amount === undefined ? '–' : write(amount),
    into: LIFT_PLACE_WORDS[where],
    ...(reached !== undefined &&
      lowest === undefined && {
        reached: {
          text: formatLength(reached, typedIn, sheet.machine.control.decimals[typedIn]),
          offer: `${program?.name} goes to Z ${write(reached)} ${unit}: take it`,
        },
      }),
    said:
      amount === undefined
        ? undefined
        : {
            kind: 'lift',
            body: {
              moves: 'in',
              where,
              amount: { text: formatLength(amount, unit, solution.decimals), unit },
            },
          },
  }
}

const takeOutWords = (words: CheckWords, { amount, where }: Lift): CheckWords => ({
  ...words,
  sentence: 'Run it in air. Then take the lift out.',
  points: [
    'Every move watched: clamps, jaws, the tool change.',
    `Take ${typographic(amount.text)} ${amount.unit} out of ${LIFT_PLACE_WORDS[where]}, and look that it is gone.`,
  ],
})

const takenOut = ({ where, amount }: Lift): readonly Said[] => [
  { kind: 'lift', body: { moves: 'out', where, amount } },
  { kind: 'check-off', body: { of: 'air-cut', how: 'lifted' } },
]
