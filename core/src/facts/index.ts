export { checkDocument } from './check-document'
export {
  type AxisMark,
  type AxisMarks,
  type CheckOff,
  LIFT_PLACES,
  READ_BACK_MOMENTS,
  type ReadAtContact,
  SHORT_READ_BACKS,
  type ShortReadBack,
  type Lift,
  type LiftBody,
  type LiftPlace,
  type ProgramRead,
  type Reading,
  type ReadingBody,
  type Recorded,
  type SetupBodies,
  type SetupDocument,
  type SetupFact,
  type SetupFile,
} from './document'
export { type SetupEvent } from './event'
export { type Crossing, crossingsOf } from './crossings'
export { openNotes, type OpenNote } from './open-notes'
export { appendFact, factIds, foldSetup, isReleased, putAway } from './fold'
export { rebaseOf } from './rebase'
export { REPLACED_BECAUSE, type ReplacedBecause } from './replaced'
export { underPolicy } from './under-policy'
export { type Measured } from './measured'
