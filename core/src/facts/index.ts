export { checkDocument } from './check-document'
export { type AxisMark, type AxisMarks, type CheckOff } from './check-off'
export { LIFT_PLACES, type Lift, type LiftBody, type LiftPlace } from './proving'
export { type SetupDocument } from './document'
export { type ReadAtContact, type Reading, type ReadingBody } from './reading'
export {
  SETUP_BODIES,
  SETUP_SAYS,
  type ProgramRead,
  type Recorded,
  type SetupBodies,
  type ShortReadBack,
  type SetupFact,
  type SetupFile,
} from './bodies'
export { type SetupEvent } from './event'
export { type Crossing, crossingsOf } from './crossings'
export { openNotes, type OpenNote } from './open-notes'
export { appendFact, factIds, foldSetup, isReleased, putAway } from './fold'
export { rebaseOf } from './rebase'
export { REPLACED_BECAUSE, type ReplacedBecause } from './replaced'
export { underPolicy } from './under-policy'
export { type Measured } from './measured'
