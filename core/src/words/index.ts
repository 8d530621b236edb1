export { describeAgainst, describeCaptured } from './order/taken-words'
export { describeAdvice, describeGap, describeVerdict } from './trust/advice-words'
export { CHANGE_NAMES } from './setup/change-words'
export { type CheckWords, describeCheck } from './trust/check-words'
export { describeStale } from './setup/event-words'
export {
  BLOCK_DECIMALS,
  describeBlockGrade,
  describeCheckFault,
  describeGaugeStanding,
  describeInterval,
  describeOff,
} from './trust/gauge-check-words'
export { describeLeftOut, describeOffsetTextFault } from './order/offset-text-words'
export { describeHandOver, handOverText, type HandOverPart } from './order/hand-over-words'
export { describeImplied } from './trust/implied-words'
export {
  describeActiveLength,
  describeKeyMode,
  describeNoStand,
  READ_ROW_FIRST,
  STORED_BY_CYCLE,
} from './order/key-words'
export {
  KEPT_CAUTION,
  describeBench,
  describeCarried,
  describeCarriedOver,
  describeKept,
  describeOffer,
  describeSaved,
  describeToolTrust,
  describeTouched,
} from './setup/kept-words'
export { describeFrame, rungName, speakLadder } from './order/ladder-words'
export { describeCompared, describeMarks, describePartZero, marksAnew } from './setup/marks-words'
export {
  describeMinutes,
  describeOtherWay,
  describePlan,
  describeWayMinutes,
  describeWaySureness,
} from './order/plan-touches-words'
export { speakPlan } from './order/plan-words'
export { describeOrderQuestion, type OrderQuestion } from './order/order-words'
export { describeProblem } from './trust/problem-words'
export { describeProgramChange } from './program/program-change-words'
export {
  describeCutting,
  describeExtents,
  describeFileAtMachine,
  describeJudgement,
  describeProgramProblem,
  describeProgramVerdict,
} from './program/program-words'
export { describeZeroHeight, describeZeroPlace } from './setup/zero-words'
export { describeReversal, REVERSAL_STEPS } from './setup/reversal-words'
export {
  describeFarMeasured,
  describeJudged,
  FEATURE_NAMES,
  featureName,
  VERDICT_WORDS,
} from './trust/feature-words'
export { describeRecheck, rechecksNote } from './trust/recheck-words'
export { describeRestart } from './setup/restart-words'
export { describeProof, describeProofReasons, describeSpindleElse } from './order/proof-words'
export { describeReadBackError } from './order/read-back-words'
export { describeCause } from './trust/slip-words'
export { spokenNumber } from './spoken'
export { STATION_NAMES } from './setup/station-names'
export { stepName } from './order/step-name'
export { POSITION_NAMES, fieldOnDisplay } from './order/position-words'
export { FIELD_NAMES, describeApproach, describeStep, gaugeNames } from './order/step-words'
export { describeRole, describeTerm, saysSomething } from './term-words'
export { describeExpected, describeSurprise, isVague } from './trust/expect-words'
export { lengthWords, typographic } from './typographic'
export { describeWarning } from './trust/warning-words'
export {
  describeMoment,
  describeSheetDifference,
  describeTermDifference,
} from './setup/compare-words'
export { describeImportFault, describeImported, importColumnName } from './setup/import-words'
export { describeShopFact } from './setup/shop-story-words'
export {
  STORY_KINDS,
  storyLine,
  storyOf,
  type StoryKind,
  type StoryLine,
} from './setup/story-words'
export { describePlaces, setterRoom } from './setup/setter-words'
export { describeOffsetPlan, describeSheet, schoolWords } from './setup/sheet-words'
export { GAUGE_NAMES, MEASURE_NAMES } from './trust/gauge-words'
export { EXTERNAL_OFFSET_Z, LIFT_PLACE_WORDS } from './order/lift-words'
export { PLAN_WAY_NAMES, SCHOOL_NAMES, SCHOOL_NOTES, Z_WAY_NAMES } from './order/way-words'
export { describeDay } from './day-words'
