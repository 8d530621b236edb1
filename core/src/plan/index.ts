export { ANOTHER_PARTS, type AnotherPart, partStays } from './another-part'
export {
  type Capture,
  captureAt,
  capturedReading,
  rowExpected,
  zeroesCounter,
} from './asks/capture'
export {
  canBeTaken,
  takePosition,
  type TakenPosition,
  type MachineReport,
} from './asks/take-position'
export { consequencesOf } from './consequences'
export { followingStep } from './order/following'
export { inForceAtLoss } from './in-force'
export { type Implied, impliedBy } from './implied'
export { type ComparedPlace, compareHome, type HomeShift, knownPlaces } from './known-places'
export { neededFirst } from './order/needed-first'
export {
  type Mend,
  type SideNeed as NeedBeside,
  type OperationNeeds,
  mendOf,
  sideNeeds as needsBeside,
} from './order/side-needs'
export { asJob } from './order/quick-steps'
export { readAgain } from './read-again'
export { asksForContact, asksForSpindle, readingBody } from './asks/reading-fields'
export { PART_ZERO_AXES, partZeroOf, type Recovery, recoveryOf } from './recovery'
export { isDisputed } from './order/step-state'
export { STATIONS, type Station, type Step, type StepState } from './order/step'
export { axesAtHome, mayLook, standingCheckOff } from './standing-check-off'
export { nextStep, stationTrust, stepsOf } from './order/steps'
export { suggestGauges } from './asks/suggest-gauges'
export { type SuggestedPosition, suggestPosition } from './asks/suggest-position'
export { type WayEnd, wayQuestions as waysAsked } from './asks/way-questions'
