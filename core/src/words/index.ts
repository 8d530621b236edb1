export { describeAdvice, describeGap, describeVerdict } from './advice-words'
export { CHANGE_NAMES } from './change-words'
export { type CheckWords, describeCheck } from './check-words'
export { describeStale } from './event-words'
export {
  BLOCK_DECIMALS,
  describeBlockGrade,
  describeCheckFault,
  describeGaugeStanding,
  describeInterval,
  describeOff,
} from './gauge-check-words'
export { describeImplied } from './implied-words'
export {
  describeActiveLength,
  describeKeyMode,
  describeNoStand,
  READ_ROW_FIRST,
  STORED_BY_CYCLE,
} from './key-words'
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
} from './kept-words'
export { describeFrame, rungName, speakLadder } from './ladder-words'
export { describeMarks, describePartZero, marksAnew } from './marks-words'
export {
  describeMinutes,
  describeOtherWay,
  describePlan,
  describeWayMinutes,
  describeWaySureness,
} from './plan-touches-words'
export { speakPlan } from './plan-words'
export { describeOrderQuestion, type OrderQuestion } from './order-words'
export { describeProblem } from './problem-words'
export { describeProgramChange } from './program-change-words'
export {
  describeCutting,
  describeExtents,
  describeFileAtMachine,
  describeJudgement,
  describeProgramProblem,
  describeProgramVerdict,
} from './program-words'
export { describeZeroHeight, describeZeroPlace } from './zero-words'
export { describeReversal, REVERSAL_STEPS } from './reversal-words'
export { describeRecheck, rechecksNote } from './recheck-words'
export { describeRestart } from './restart-words'
export { describeProof, describeProofReasons, describeSpindleElse } from './proof-words'
export { describeReadBackError } from './read-back-words'
export { describeCause } from './slip-words'
export { spokenNumber } from './spoken'
export { STATION_NAMES } from './station-names'
export { stepName } from './step-name'
export { POSITION_NAMES, fieldOnDisplay } from './position-words'
export { FIELD_NAMES, describeApproach, describeStep, gaugeNames } from './step-words'
export { describeRole, describeTerm, saysSomething } from './term-words'
export { describeExpected, describeSurprise, isVague } from './expect-words'
export { lengthWords, typographic } from './typographic'
export { describeWarning } from './warning-words'
export { describePlaces, setterRoom } from './setter-words'
export { describeOffsetPlan, describeSheet, schoolWords } from './sheet-words'
export { GAUGE_NAMES, MEASURE_NAMES } from './gauge-words'
export { EXTERNAL_OFFSET_Z, LIFT_PLACE_WORDS } from './lift-words'
export { PLAN_WAY_NAMES, SCHOOL_NAMES, SCHOOL_NOTES, Z_WAY_NAMES } from './way-words'
