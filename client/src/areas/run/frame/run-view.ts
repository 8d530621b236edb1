import type { Address } from '@pine/core/address'
import {
  followingStep,
  neededFirst,
  readAgain,
  type Station,
  type Step,
  type StepState,
} from '@pine/core/plan'
import { quantityKey } from '@pine/core/quantities'
import { type Register } from '@pine/core/registers'
import { type Solution } from '@pine/core/solve'
import { STATION_NAMES, stepName } from '@pine/core/words'
import { sendable } from '@/data/server/api'
import type { FactDraft } from '@/data/outbox/fact-draft'
import type { LoadedSetup } from '@/data/setup/standing'

/** Where a run stands: the step that is shown, what it waits for, and what the head says of it. */
export interface RunView {
  readonly current: StepState
  /** What has to be done before this step can be. */
  readonly waitsFor: StepState | undefined
  /** The register of a key-in step. */
  readonly register: Register | undefined
  readonly place: string
  readonly about: string
  /** The step after this one, and after the register that was keyed with it: the next that is open, or, going back over what
   * is done, the one that follows. */
  readonly following: (keyed?: Address) => string | undefined
  /** The very next one, whether this is done or not. */
  readonly later: string | undefined
  /** Of each station: the step that a tap on it leads to. */
  readonly entrance: (station: Station) => string | undefined
}

/** @param stepKey of the address; without one, or with one that is no step now, the next open step, else the record. */
export function runView(setup: LoadedSetup, stepKey: string | undefined): RunView {
  const { document, solution, steps } = setup
  const current = currentStep(setup, stepKey)
  const { step } = current
  const at = steps.findIndex((one) => one.step.key === step.key)
  return {
    current,
    waitsFor: waitsFor(setup, current),
    register: step.does === 'key-in' ? registerOf(solution, step) : undefined,
    place: placeWords(steps, current),
    about: aboutWords(setup, current),
    following: (keyed) =>
      followingStep(document.sheet, steps, [
        step.key,
        ...(keyed === undefined ? [] : [`key-in:${keyed}`]),
      ])?.step.key,
    later: steps[at + 1]?.step.key,
    entrance: (station) => {
      const here = steps.filter((one) => one.step.station === station)
      return (here.find(({ done }) => !done) ?? here[0])?.step.key
    },
  }
}

function currentStep({ steps, next }: LoadedSetup, stepKey: string | undefined): StepState {
  const current = steps.find(({ step }) => step.key === stepKey) ?? next ?? steps.at(-1)
  if (current === undefined)
    throw new Error('a set-up has no steps: it always has a sheet and a record')
  return current
}

/** A step that is done may be looked at whatever has been undone before it; the record tells what is open itself. */
function waitsFor(setup: LoadedSetup, { step, done }: StepState): StepState | undefined {
  const { document, solution, steps } = setup
  if (done || step.does === 'record') return undefined
  // A register that has its number can be keyed, even while another reading of it is open.
  // Where one tool is set at a time, its row still holds the number of the tool that is to cut before it.
  const hasNumber = step.does === 'key-in' && registerOf(solution, step)?.chain !== undefined
  if (hasNumber && step.stop === undefined) return undefined
  const first = neededFirst(document.sheet, steps, step)
  // A number that no longer holds asks for this very touch, though it is of a tool that comes later.
  if (first !== undefined && isAskedBy(setup, first.step, step)) return undefined
  return (
    first ??
    // Without its number there is nothing to key: whatever is still to be read may be what it lacks.
    (step.does === 'key-in' && !hasNumber
      ? steps.find((one) => one.step.does === 'read' && !one.done)
      : undefined)
  )
}

function isAskedBy({ document, solution, steps }: LoadedSetup, asking: Step, touch: Step): boolean {
  const register = asking.does === 'key-in' ? registerOf(solution, asking) : undefined
  if (register?.stale === undefined) return false
  return readAgain(document, solution, steps, register)?.key === touch.key
}

const registerOf = (
  { registers }: Solution,
  { address: wanted }: Extract<Step, { does: 'key-in' }>,
): Register | undefined => registers.find(({ address }) => address === wanted)

function placeWords(
  steps: readonly StepState[],
  { step: { station, key, stop } }: StepState,
): string {
  const here = steps.filter(({ step }) => step.station === station && step.stop === stop)
  const name = stop === undefined ? STATION_NAMES[station] : `With T${stop}`
  if (here.length === 1) return name
  return `${name} · ${here.findIndex(({ step }) => step.key === key) + 1} of ${here.length}`
}

/** What the step is about; where its own screen says that, what comes after. */
function aboutWords({ document, steps }: LoadedSetup, { step }: StepState): string {
  if (step.does === 'read') return stepName(document, step)
  const later = steps.slice(steps.findIndex((one) => one.step.key === step.key))
  const next = later.find((one) => one.step.station !== step.station)
  return next ? `then ${STATION_NAMES[next.step.station]}` : ''
}

/** The touch that was made last, where its step is still there: made once more in two presses. */
export function lastTouch({
  document,
  steps,
}: LoadedSetup): { readonly key: string; readonly name: string } | undefined {
  const last = document.readings.findLast(({ kept }) => kept === undefined)
  const key = last && quantityKey(last)
  const state = steps.find(({ step }) => step.key === key)
  return state && { key: state.step.key, name: stepName(document, state.step) }
}

/** When numbers are keyed, the other way than now, as something to press; a further version of the sheet says it. */
export function keyingView({ sheetAsWritten: sheet }: Pick<LoadedSetup, 'sheetAsWritten'>): {
  readonly words: string
  readonly turned: FactDraft
} {
  const keying = sheet.keying === 'as-known' ? 'together' : 'as-known'
  return {
    words: keying === 'as-known' ? 'Key numbers as they are known' : 'Key all numbers at the end',
    turned: { kind: 'sheet', body: sendable({ ...sheet, keying }) },
  }
}
