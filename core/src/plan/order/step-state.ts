import type { Address } from '../../address/address'
import { AXES } from '../../address/row'
import { axesAtHome, isAfter, standingCheckOff } from '../standing-check-off'
import { instantOf } from '../../freshness/instant'
import { isBehind } from '../../freshness/stale'
import { activeLift } from '../../proof/lift'
import { mayRun, programStanding } from '../../running/program-standing'
import { addressesOf, coverageOf } from '../../proof/proven'
import type { CheckOff } from '../../facts/bodies/check-off'
import type { Reading } from '../../facts/bodies/reading'
import type { SetupDocument } from '../../facts/document'
import { readAt } from '../../facts/bodies/kept'
import { standingReadings } from '../../freshness/standing'
import type { Solution } from '../../solve/solution'
import type { Register } from '../../registers/register'
import type { Station, Step, StepState } from './step'

/** What is seen to there speaks of what was keyed. */
const BEFORE_CUTTING: readonly Station[] = ['stops', 'prove', 'release']

/** Whether a step is done, and how far it is to be trusted. */
export function stepState(
  step: Step,
  document: SetupDocument,
  solution: Solution,
  recorded: boolean,
): StepState {
  switch (step.does) {
    case 'sheet':
      return { step, done: true, trust: 'read' }
    case 'check': {
      const seen = standingCheckOff(document, step.check, step.stop)
      const atHome = step.check === 'home' ? axesAtHome(document) : undefined
      const isWhole = atHome === undefined || atHome.length === AXES.length
      const done = seen !== undefined && isWhole && !isUndone(seen, document, solution)
      const trust = BEFORE_CUTTING.includes(step.station) ? 'proven' : 'read'
      return {
        step,
        done,
        trust: done ? trust : 'not-read',
        ...(!isWhole && { atHome }),
      }
    }
    case 'read': {
      const standing = standingReadings(document, step.quantity)
      if (standing.length === 0) return { step, done: false, trust: 'not-read' }
      // Taken over, and among those that the others stand or fall with: it is still to be touched here.
      if (standing.every(({ kept }) => kept?.check === true))
        return { step, done: false, trust: 'not-read' }
      const stale = standing.some((reading) => makesStale(document, solution, reading))
      if (stale) return { step, done: false, trust: 'stale' }
      // On a counter that nothing ties to what its number is counted from, it is no number yet.
      const unplaced = solution.registers.some(({ unplaced = [] }) => unplaced.includes(step.key))
      const open = unplaced || isDisputed(solution, step.key)
      return { step, done: !open, trust: open ? 'not-read' : 'read' }
    }
    case 'key-in': {
      const trust = registerAt(solution, step.address)?.state ?? 'not-read'
      return {
        step,
        done: trust === 'keyed' || trust === 'proven',
        trust: trust === 'read' ? 'not-read' : trust,
      }
    }
    case 'prove': {
      const open = addressesOf(document, step).filter(
        (address) =>
          !isProven(document, registerAt(solution, address)) &&
          !isSeenByEye(document, solution, registerAt(solution, address), step),
      )
      const failed = solution.proofs.some(
        ({ proof, right }) => !right && proof.row === step.row && proof.tool === step.tool,
      )
      const done = open.length === 0 && !failed
      return { step, done, trust: done ? 'proven' : 'not-read' }
    }
    case 'record':
      return { step, done: recorded, trust: recorded ? 'proven' : 'not-read' }
  }
}

/** Touched more than once, and the last stands alone: none counts until it is touched again, or somebody says which does. */
export const isDisputed = ({ warnings }: Solution, key: string): boolean =>
  warnings.some(({ code, place }) => code === 'repeats-spread' && place === key)

/** What is there now speaks against what was seen to. */
function isUndone(checkOff: CheckOff, document: SetupDocument, solution: Solution): boolean {
  const { of } = checkOff
  if (of === 'air-cut') return activeLift(document) !== undefined
  if (of !== 'program') return false
  const standing = programStanding(document, solution)
  if (standing === undefined || mayRun(standing)) return false
  // A reason answers for what was told when it was given; what came since may be another danger.
  return checkOff.leftOut === undefined || isOvertaken(checkOff, document)
}

/** Something was keyed, happened, or was found at the machine since. */
const isOvertaken = (
  checkOff: CheckOff,
  { events, readBacks, programChecks }: SetupDocument,
): boolean => [events, readBacks, programChecks].some((facts) => facts.some(isAfter(checkOff)))

// Every step of a set-up asks: sorted out once for each solution, which never changes after it was made.
const sortedOut = new WeakMap<readonly Register[], SortedOut>()

interface SortedOut {
  readonly byAddress: ReadonlyMap<Address, Register>
  /** Stale, and nobody answers for using it all the same. */
  readonly stale: readonly Register[]
}

function sortedOutOf({ registers }: Solution): SortedOut {
  const known = sortedOut.get(registers)
  if (known !== undefined) return known
  const made = {
    byAddress: new Map(registers.map((register) => [register.address, register] as const)),
    stale: registers.filter(({ stale, accepted }) => stale !== undefined && accepted === undefined),
  }
  sortedOut.set(registers, made)
  return made
}

const registerAt = (solution: Solution, wanted: Address): Register | undefined =>
  sortedOutOf(solution).byAddress.get(wanted)

/** Watched over the part with nothing beneath: the work goes on, and the number is not proven by it. */
const isSeenByEye = (
  document: SetupDocument,
  { proofs }: Solution,
  register: Register | undefined,
  { row, tool }: Extract<Step, { does: 'prove' }>,
): boolean =>
  register?.state === 'keyed' &&
  proofs.some(
    ({ proof, right }) =>
      right &&
      proof.byEye === true &&
      proof.row === row &&
      proof.tool === tool &&
      coverageOf(document)(register, proof),
  )

/**
 * By a cautious move, or because somebody takes responsibility for leaving it out; what is keyed after that
 * is another number.
 */
const isProven = (document: SetupDocument, register: Register | undefined): boolean =>
  register?.state === 'proven' ||
  (register?.state === 'keyed' &&
    document.acceptances.some(
      (one) =>
        one.address === register.address &&
        one.accepts === 'unproven' &&
        coverageOf(document)(register, one),
    ))

/**
 * Whether a reading is why a number is stale: it is one of its terms, and it is too old or from before
 * the thing that moved. A number that somebody accepted asks for nothing.
 *
 * @param only the number that is asked about; any, where it is not said.
 */
export function makesStale(
  document: SetupDocument,
  solution: Solution,
  reading: Reading,
  only?: Address,
): boolean {
  return sortedOutOf(solution).stale.some(({ address, stale, chain }) => {
    if (stale === undefined || (only !== undefined && address !== only)) return false
    const isTerm = chain?.terms.some(({ source }) => source.reading === reading.id)
    if (isTerm !== true) return false
    switch (stale.by) {
      case 'age':
        return instantOf(readAt(reading)) <= instantOf(stale.readAt)
      case 'check':
        return reading.kept !== undefined
      case 'order':
        return reading.id === stale.reading
      case 'event':
        return isBehind(stale.event, reading, document)
    }
  })
}
