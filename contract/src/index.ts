export {
  changedToolSchema,
  newMachineEventSchema,
  newToolEventSchema,
  newToolSchema,
  pocketsSchema,
  toolAssemblySchema,
  toolHistorySchema,
  toolPageSchema,
  toolQuerySchema,
  type ChangedTool,
  type NewMachineEvent,
  type NewToolEvent,
  type Pockets,
  type ToolHistory,
  type ToolLine,
  type ToolMeasured,
  type ToolPage,
  type ToolQuery,
} from './tool-schema'
export { foundSchema, searchQuerySchema, type Found } from './search-schema'
export {
  machineHistorySchema,
  newReversalTestSchema,
  type MachineHistory,
  type NewReversalTest,
} from './machine-schema'
export { touchPlanSchema, type TouchPlanAnswer } from './touch-plan-schema'
export { keptAnswerSchema, type KeptAnswer } from './kept-schema'
export { schemaOf, schemaOfFields, writtenLengthSchema } from './schema-of'
export {
  errorBodySchema,
  reportedProblemSchema,
  type ErrorBody,
  type ReportedProblem,
} from './error-body'
export { reportIssues, reportProblem } from './report'
export { keptProgramTextSchema, LONGEST_PROGRAM, type KeptProgramText } from './program-schema'
export {
  SETUP_FACTS,
  SETUP_FACT_KINDS,
  factWords,
  newFactSchema,
  setupFactSchema,
  setupFileSchema,
  type NewFact,
  type SetupFactKind,
} from './setup-facts'
export { FACTS, FACT_KINDS, checkWords, type FactKind } from './facts'
export { parseSetupFile, parseSetupText, type ParsedSetup } from './parse-document'
export { setupJsonSchema } from './json-schema'
export { solutionViewSchema, type SolutionView } from './solution-view'
export { viewSolution } from './view-solution'
export {
  pinSchema,
  personNameSchema,
  personSchema,
  LEAST_LEAD_DIGITS,
  memberSchema,
  sessionAnswerSchema,
  type SessionAnswer,
  memberHistorySchema,
  newPersonSchema,
  joinCodeSchema,
  newJoinCodeSchema,
  shownJoinCodeSchema,
  newPinSchema,
  newRoleSchema,
  CODE_LETTERS,
  signInSchema,
  machineSchema,
  newMachineSchema,
  changedMachineSchema,
  shopGaugeSchema,
  newShopGaugeSchema,
  newGaugeCheckSchema,
  gaugeHistorySchema,
  gaugeStandingsSchema,
  type GaugeUses,
  gaugeUsesSchema,
  suspectSetupsSchema,
  tellSuspectSchema,
  type GaugeHistory,
  type GaugeStandings,
  type NewGaugeCheck,
  type SuspectSetups,
  type Watch,
  doneSchema,
  healthSchema,
  newSetupSchema,
  recordSchema,
  setupAnswerSchema,
  factsAnswerSchema,
  shopSchema,
  SETUPS_A_PAGE,
  setupPageSchema,
  setupQuerySchema,
  setupSummarySchema,
  type Person,
  type Member,
  type MemberHistory,
  type PersonChange,
  type ShownJoinCode,
  type ChangedGauge,
  changedGaugeSchema,
  type MachineEntry,
  type ChangedMachine,
  type ShopGauge,
  type SetupRecord,
  type SetupAnswer,
  type FactsAnswer,
  type SetupPage,
  type SetupQuery,
  type SetupSummary,
} from './api'
export { may, ROLE_WORDS, roleSchema, type Action, type Role } from './roles'
export type { StreamKind, Via } from '@pine/core/journal'
