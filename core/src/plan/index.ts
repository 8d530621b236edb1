export { ANOTHER_PARTS, type AnotherPart, partStays } from './another-part'
export { type Capture, captureAt, capturedReading, rowExpected, zeroesCounter } from './capture'
export { consequencesOf } from './consequences'
export { followingStep } from './following'
export { type Implied, impliedBy } from './implied'
export { neededFirst } from './needed-first'
export {
  type Mend,
  type NeedBeside,
  type OperationNeeds,
  mendOf,
  needsBeside,
} from './needs-beside'
export { asJob } from './quick-steps'
export { readAgain } from './read-again'
export { asksForContact, asksForSpindle, readingBody } from './reading-fields'
export { PART_ZERO_AXES, partZeroOf, type Recovery, recoveryOf } from './recovery'
export { isDisputed } from './step-state'
export { STATIONS, type Station, type Step, type StepState } from './step'
export { axesAtHome, mayLook, standingCheckOff } from './standing-check-off'
export { nextStep, stationTrust, stepsOf } from './steps'
export { suggestGauges } from './suggest-gauges'
export { type SuggestedPosition, suggestPosition } from './suggest-position'
export { type WayEnd, waysAsked } from './ways-asked'
