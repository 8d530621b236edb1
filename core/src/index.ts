export { success, failure, type Result } from './result'
export { PROBLEM_CODES, type Problem, type ProblemCode } from './problem'
export {
  LENGTH_UNITS,
  NANOMETRES_PER,
  FINEST_DECIMALS,
  toNanometres,
  otherUnit,
  type LengthUnit,
  type Nanometres,
  type WrittenLength,
} from './length/length'
export { readLength, type ReadLength, type ReadLengthOptions } from './length/read-length'
export { formatLength, roundToDisplay, stepsOf as displayStepsOf } from './length/format-length'
export {
  EMPTY_CHAIN,
  chainOf,
  sumChains,
  scaleChain,
  subtractChains,
  meanOfChains,
  valueOf,
  type Chain,
  type Source,
  type SourceKind,
  type Term,
  type TermRole,
} from './chain/chain'
export { traceOf, type TraceLine } from './chain/trace'
export {
  GAUGE_FACTS,
  GAUGE_KINDS,
  TURNING_GAUGES,
  type GaugeKind,
  type GaugeKindFacts,
  gaugeServes,
} from './touch/gauge-kinds'
export {
  FACES,
  FACES_OF_AXIS,
  axisOfFace,
  approachDirection,
  planeUnder,
  faceBeyond,
  type Face,
  type PlanAxis,
  type Side,
} from './touch/touch'
export {
  SCHOOLS,
  lengthRegister,
  schoolReference,
  workOffsetZ,
  type School,
  type SchoolKnowledge,
} from './schools/schools'
export { waysOfZ, type ZWay } from './schools/ways-of-z'
export { convertTable, type OffsetTable } from './schools/convert'
export { readBackAgrees } from './keyin/read-back'
export { keyInLine, type KeyInLine, type KeyInRequest, type Stand } from './keyin/key-in'
export { explain, groupTies, knownSizes } from './slips/explain'
export {
  SLIP_CODES,
  causeName,
  type Comparison,
  type Explanation,
  type KnownSize,
  type SlipCode,
} from './slips/slip'
export { isSamePerson, VIAS, type Author, type Entered, type Via } from './journal/entered'
export { STREAM_KINDS, type SaidOf, type StreamKind } from './journal/stream'
export { appendFact, factIds, foldSetup, isReleased } from './facts/fold'
export {
  LIFT_PLACES,
  type Acceptance,
  type AcceptanceBody,
  type CheckOff,
  type CheckOffBody,
  type EventBody,
  type HomeMark,
  type KeyIn,
  type KeyInBody,
  type Lift,
  type LiftBody,
  type LiftPlace,
  type Measured,
  type ProgramBody,
  type ProgramCheckBody,
  type ProgramChecked,
  type ProgramRead,
  type Proof,
  type ProofBody,
  type ReadBack,
  type ReadBackBody,
  type Reading,
  type ReadingBody,
  type RecordBody,
  type Recorded,
  type SetupBodies,
  type SetupFact,
  type SetupFile,
  type SetupDocument,
  type SetupEvent,
  type SpindleState,
} from './facts/document'
export { type Way } from './touch/touch'
export {
  KEY_MODES,
  sideOf,
  type AxisPlan,
  type ControlProfile,
  type Gauge,
  type Holding,
  type KeyMode,
  type MachineDeclaration,
  type MachinePolicy,
  type OffsetPlan,
  type SetupSheet,
  type Stock,
  type Tool,
  type SchoolReference,
  type Travel,
  type ZPlan,
} from './sheet/sheet'
export {
  OFFSET_ROWS,
  isOffsetRow,
  LAST_FURTHER_ROW,
  type OffsetRow,
  type MachineAxis,
} from './address/row'
export { quantityKey, axisOfQuantity, type QuantityName } from './quantities/quantities'
export { standingReadings } from './freshness/standing'
export { facesToTouch } from './solve/plan-axes'
export { solve } from './solve/solve'
export type { SolveMoment } from './solve/solve-moment'
export { checkDocument } from './facts/check-document'
export { usualTolerance } from './sheet/usual'
export { checkSheet } from './sheet/check-sheet'
export { type Heights, type Solution } from './solve/solution'
export {
  TRUST_STATES,
  type EdgeAngle,
  type ImpliedSize,
  type ReadBackVerdict,
  type Register,
  type TrustState,
} from './registers/register'
export { WARNING_CODES, isRemark, type Warning, type WarningCode } from './registers/warning'
export { stepsOf, nextStep, stationTrust } from './plan/steps'
export { STATIONS, type Station, type Step, type StepState } from './plan/step'
export {
  ladderOf,
  type Ladder,
  type LadderFrame,
  type Rung,
  type RungKey,
  type Span,
} from './picture/ladder'
export { layoutLadder, rungAt, type LadderBox, type PlacedRung } from './picture/ladder-layout'
export {
  planViewOf,
  type PlanFace,
  type PlanFocus,
  type PlanSensor,
  type PlanView,
} from './picture/plan-view'
export { type PlanCircle, type PlanTouch } from './picture/plan-touches'
export {
  layoutPlan,
  type PlacedFace,
  type PlacedPlan,
  type PlacedSensor,
  type PlanBox,
} from './picture/plan-layout'
export { followingStep } from './plan/following'
export { neededFirst } from './plan/needed-first'
export { standingCheckOff } from './plan/step-state'
export { recoveryOf, type Recovery } from './plan/recovery'
export { describeMarks } from './words/marks-words'
export { consequencesOf, type Consequences, type RegisterChange } from './plan/consequences'
export { FIELD_KEYS, type FieldKey } from './quantities/fields'
export { asksForSpindle, readingBody } from './plan/reading-fields'
export { readingFields } from './quantities/quantities'
export { suggestGauges } from './plan/suggest-gauges'
export { impliedBy, type Implied } from './plan/implied'
export { describeImplied } from './words/implied-words'
export { rungName, describeFrame, speakLadder } from './words/ladder-words'
export { speakPlan } from './words/plan-words'
export { describeReadBackError } from './words/read-back-words'
export { typographic } from './words/typographic'
export { describeProblem, type ProblemWords } from './words/problem-words'
export { describeRole, describeCoefficient } from './words/term-words'
export { describeCause, type SlipWords } from './words/slip-words'
export { describeWarning, type LengthWriter } from './words/warning-words'
export {
  FIELD_NAMES,
  STATION_NAMES,
  describeStep,
  describeApproach,
  gaugeNames,
} from './words/step-words'
export { faceName } from './quantities/touch-words'
export { type StepWords } from './quantities/quantity-module'
export {
  budgetOf,
  expandedUncertainty,
  combine,
  COVERAGE,
  type Budget,
  type BudgetLine,
  type Contribution,
} from './budget/budget'
export { studentT } from './budget/student-t'
export { aimedMm, conformity, fitness, type Verdict } from './budget/verdict'
export { adviceFor, type Advice } from './budget/advice'
export { adviceForRegister } from './registers/register-advice'
export { monteCarlo, type NormalInput, type SampledOutput } from './budget/monte-carlo'
export { fitCircle, type CircleFit, type Point } from './features/circle'
export { sweepMove, sweepOval, type SweepReadings } from './features/sweep'
export {
  edgeAngle,
  runOut,
  turnedCorner,
  fullDiameterHeight,
  type EdgeTouch,
  type TurnedCorner,
} from './features/edge'
export { oldFrom, staleBy, nameOfReason, type StaleReason } from './freshness/stale'
export { rebaseOf, type Rebase } from './facts/rebase'
export { alikeRepeats, repeatSpread } from './sources/repeats'
export { edgeTouches } from './solve/edges'
export { changedLengths, type LengthChange } from './solve/last-time'
export { BLOCK_GRADES, blockLimitMm, type BlockGrade } from './touch/gauge-block-limits'
export { sampleDeviation } from './budget/source-uncertainty'
export { rangeLimit } from './budget/range'
export { normalCumulative } from './budget/normal'
export { describeCheck, type CheckWords } from './words/check-words'
export { describeTipGap, describeProof } from './words/proof-words'
export { CHANGE_NAMES } from './words/change-words'
export { spokenNumber } from './words/spoken'
export { stepName } from './words/step-name'
export { describeEvent, describeStale } from './words/event-words'
export {
  proofMove,
  programNumber,
  distanceToGoError,
  gapVerdict,
  airCutLift,
  type GapVerdict,
  type ProofMove,
  type ProofRequest,
} from './proof/proof'
export { activeLift, mayLift } from './proof/lift'
export { addressesOf, proofVerdict, GAP_WITHIN, type ProofVerdict } from './proof/proven'
export { type HomeMarks } from './freshness/home-frames'
export { foundAgain, type FoundAgain, type MarkReading } from './freshness/home-marks'
export { outOfReach, type OutOfReach, type WorkPosition } from './proof/reach'
export {
  cutterWearChange,
  floorWearChange,
  calibrationCut,
  achievedShare,
  wearChange,
  type WearChange,
  type CalibrationCut,
  type CalibrationResult,
} from './wear/wear'
export {
  clamping,
  chooseParallels,
  clearsJaws,
  type Clamping,
  type ClampingResult,
} from './workholding/workholding'
export { holdingOf, type HoldingVerdict } from './workholding/holding'
export {
  convertSolution,
  tableOf,
  type Conversion,
  type ConversionGap,
} from './solve/convert-solution'
export { describeAdvice, describeVerdict, describeGap } from './words/advice-words'
export { describeActiveLength, describeKeyMode, type KeyWords } from './words/key-words'
export { needOf, type Need } from './sheet/needs'
export {
  BLOCK_FAULTS,
  readBlock,
  wordText,
  type Block,
  type BlockFault,
  type ProgramWord,
} from './program/block'
export {
  NEED_JUDGEMENTS,
  PROGRAM_JUDGEMENTS,
  PROGRAM_PROBLEMS,
  type Extent,
  type Extents,
  type Operation,
  type ProgramJudgement,
  type ProgramJudgementCode,
  type ProgramPlace,
  type ProgramProblem,
  type ProgramProblemCode,
  type ProgramReading,
  type ProgramRow,
} from './program/program-types'
export { ProgramReader } from './program/program-reader'
export { readProgram, readProgramPieces } from './program/read-program'
export { arcAround, arcExtents, arcOfRadius, type Arc, type PlanePoint } from './program/arc'
export { faultsOf, gravestFirst, judgeAll, judgeNeeds } from './running/judge-needs'
export {
  fileAtMachine,
  lowestZ,
  mayRun,
  programStanding,
  type FileAtMachine,
  type ProgramStanding,
} from './running/program-standing'
export { comparePrograms, type ProgramChange } from './program/compare-programs'
export {
  mendOf,
  needsBeside,
  type Mend,
  type NeedBeside,
  type OperationNeeds,
} from './plan/needs-beside'
export { sheetFromProgram, type SheetFromProgram } from './running/sheet-from-program'
export {
  placeProgramView,
  programViews,
  speakProgramView,
  type PlacedView,
  type ProgramView,
} from './picture/program-view'
export { looksLikeText } from './program/looks-like-text'
export { LineSplitter } from './program/line-splitter'
export type { Decode } from './program/source-line'
export type { Subprograms } from './program/subprograms'
export { describeProgramChange } from './words/program-change-words'
export { machineExtents } from './running/machine-extents'
export {
  describeCutting,
  describeExtents,
  describeFileAtMachine,
  describeJudgement,
  describeProgramProblem,
  describeProgramVerdict,
  type JudgementWords,
} from './words/program-words'
export { waysAsked, type WayAsked, type WayEnd } from './plan/ways-asked'
export { QUANTITIES, moduleOf, type Quantity, type QuantityKind } from './quantities/quantities'
export type { FieldSpec, FieldTypes } from './quantities/fields'
export {
  addressParts,
  axisOfAddress,
  diameterAddress,
  isOf,
  lengthAddress,
  offsetAddress,
  registerName,
  rowOfAddress,
  type Address,
} from './address/address'
