import type { Address } from '../address/address'
import { instantOf } from '../freshness/instant'
import { isSamePerson, type Author, type Entered } from '../journal/entered'
import { isBehind } from '../freshness/stale'
import { activeLift } from '../proof/lift'
import { mayRun, programStanding } from '../running/program-standing'
import { addressesOf, coverageOf } from '../proof/proven'
import type { CheckOff, Reading, SetupDocument } from '../facts/document'
import { standingReadings } from '../freshness/standing'
import type { Solution } from '../solve/solution'
import type { Register } from '../registers/register'
import type { Step, StepState } from './step'

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
      const seen = standingCheckOff(document, step.check)
      const done = seen !== undefined && !isUndone(seen, document, solution)
      const trust = step.station === 'prove' || step.station === 'release' ? 'proven' : 'read'
      return { step, done, trust: done ? trust : 'not-read' }
    }
    case 'read': {
      const standing = standingReadings(document, step.quantity)
      if (standing.length === 0) return { step, done: false, trust: 'not-read' }
      const stale = standing.some((reading) => makesStale(document, solution, reading))
      return { step, done: !stale, trust: stale ? 'stale' : 'read' }
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
        (address) => !isProven(document, registerAt(solution, address)),
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

const isAfter =
  (one: Pick<Entered, 'place'>) =>
  (other: Pick<Entered, 'place'>): boolean =>
    other.place > one.place

const registerAt = (solution: Solution, wanted: Address): Register | undefined =>
  solution.registers.find(({ address }) => address === wanted)

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

/** Whether a person may take the second look: nobody who read, keyed in or read back a number of it may. */
export const mayLook = (
  { readings, keyIns, readBacks }: Pick<SetupDocument, 'readings' | 'keyIns' | 'readBacks'>,
  person: Author,
): boolean =>
  ![readings, keyIns, readBacks].some((facts) => facts.some(({ by }) => isSamePerson(by, person)))

/** What was seen to, as long as nothing has undone it since. */
export function standingCheckOff(
  document: SetupDocument,
  of: CheckOff['of'],
): CheckOff | undefined {
  const { checkOffs, events, readBacks, programs } = document
  return checkOffs.findLast((checkOff) => {
    if (checkOff.of !== of) return false
    const since = events.filter(isAfter(checkOff))
    switch (of) {
      case 'home':
        return !since.some(({ kind }) => kind === 'home-lost')
      case 'clean':
      case 'holding':
        return !since.some(({ kind }) => kind === 'part-changed')
      case 'look':
        // Another person than those who keyed, after everything that is there now.
        return (
          since.length === 0 && !readBacks.some(isAfter(checkOff)) && mayLook(document, checkOff.by)
        )
      case 'program':
        return !programs.some(isAfter(checkOff))
      case 'gauges':
      case 'air-cut':
      case 'first-part':
        return true
    }
  })
}

/**
 * Whether a reading is why a number is stale: it is one of its terms, and it is too old or from before
 * the thing that moved. A number that somebody accepted asks for nothing.
 */
function makesStale(document: SetupDocument, solution: Solution, reading: Reading): boolean {
  return solution.registers.some(({ stale, accepted, chain }) => {
    if (stale === undefined || accepted !== undefined) return false
    const isTerm = chain?.terms.some(({ source }) => source.reading === reading.id)
    if (isTerm !== true) return false
    return stale.by === 'age'
      ? instantOf(reading.at) <= instantOf(stale.readAt)
      : isBehind(stale.event, reading, document)
  })
}
