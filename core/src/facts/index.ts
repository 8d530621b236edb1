export { checkDocument } from './check-document'
export { type AxisMark, type AxisMarks, type CheckOff } from './bodies/check-off'
export { LIFT_PLACES, type Lift, type LiftBody, type LiftPlace } from './bodies/proving'
export { type SetupDocument } from './document'
export {
  AGAINST_TAKING,
  CAPTURED_FIELDS,
  type AgainstTaking,
  type Captured,
} from './bodies/captured'
export { type ReadAtContact, type Reading, type ReadingBody } from './bodies/reading'
export {
  SETUP_BODIES,
  SETUP_SAYS,
  type ProgramRead,
  type Recorded,
  type SetupBodies,
  type ShortReadBack,
  type SetupFact,
  type SetupFile,
} from './bodies/bodies'
export { type SetupEvent } from './bodies/event'
export { type Crossing, crossingsOf } from './crossings'
export { openNotes, type OpenNote } from './open-notes'
export { appendFact, factIds, foldSetup, isReleased, putAway } from './fold'
export { rebaseOf } from './rebase'
export { REPLACED_BECAUSE, type ReplacedBecause } from './replaced'
export { underPolicy } from './under-policy'
export { MEASURED_FIELDS, type Measured } from './bodies/measured'
