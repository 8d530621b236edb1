export {
  pocketsSchema,
  toolHistorySchema,
  toolPageSchema,
  toolQuerySchema,
  type Pockets,
  type ToolHistory,
  type ToolLine,
  type ToolMeasured,
  type ToolPage,
  type ToolQuery,
} from './schemas/tool-schema'
export {
  importedSchema,
  importListSchema,
  importPreviewSchema,
  importQuerySchema,
  type Imported,
  type ImportPreview,
  type ImportQuery,
} from './schemas/import-schema'
export {
  keptSetupFileSchema,
  setupFileAnswerSchema,
  setupFilePreviewSchema,
  setupFileQuerySchema,
  type SetupFilePreview,
} from './schemas/setup-file-schema'
export { machineReportSchema, type MachineReport } from './schemas/agent-schema'
export { firstPartsSchema, type FirstParts } from './schemas/first-parts-schema'
export { logPageSchema, logQuerySchema, type LogPage, type LogQuery } from './schemas/log-schema'
export { foundSchema, searchQuerySchema, type Found } from './schemas/search-schema'
export { machineHistorySchema, type MachineHistory } from './schemas/machine-schema'
export { touchPlanSchema, type TouchPlanAnswer } from './schemas/touch-plan-schema'
export { keptAnswerSchema, type KeptAnswer } from './schemas/kept-schema'
export { schemaOf, schemaOfFields, writtenLengthSchema } from './schemas/schema-of'
export {
  errorBodySchema,
  reportedProblemSchema,
  type ErrorBody,
  type ReportedProblem,
} from './error-body'
export { reportIssues, reportProblem } from './report'
export {
  keptProgramTextSchema,
  LONGEST_PROGRAM,
  type KeptProgramText,
} from './schemas/program-schema'
export {
  SETUP_FACTS,
  SETUP_FACT_KINDS,
  newFactSchema,
  setupFactSchema,
  setupFileSchema,
  type NewFact,
  type SetupFactKind,
} from './setup-facts'
export {
  NEW_FACTS,
  factWords,
  streamAnswerSchema,
  type NewFactOf,
  type ShopStream,
  type StreamAnswer,
  FACTS,
  FACT_KINDS,
  type FactKind,
} from './facts'
export { canonicalJson } from './canonical-json'
export { parseSetupFile, parseSetupText, type ParsedSetup } from './parse-document'
export { setupJsonSchema } from './schemas/json-schema'
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
  newTokenSchema,
  shownTokenSchema,
  TOKEN_PREFIX,
  newPinSchema,
  newRoleSchema,
  CODE_LETTERS,
  signInSchema,
  machineSchema,
  shopGaugeSchema,
  newGaugeCheckSchema,
  gaugeHistorySchema,
  gaugeStandingsSchema,
  type GaugeUses,
  gaugeUsesSchema,
  suspectSetupsSchema,
  tellSuspectSchema,
  type GaugeHistory,
  type GaugeStandings,
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
  type NewToken,
  type ShownToken,
  type MachineEntry,
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
