export {
  setupSheetSchema,
  machineDeclarationSchema,
  controlProfileSchema,
  gaugeSchema,
  toolSchema,
  offsetPlanSchema,
  axisPlanSchema,
} from './setup-schema'
export { readingSchema } from './reading-schema'
export { writtenLengthSchema } from './fields'
export {
  errorBodySchema,
  reportedProblemSchema,
  reportIssues,
  reportProblem,
  type ErrorBody,
  type ReportedProblem,
} from './report'
export { keptProgramTextSchema, LONGEST_PROGRAM, type KeptProgramText } from './program-schema'
export {
  SETUP_FACTS,
  SETUP_FACT_KINDS,
  SHAPES_ARE_EQUAL,
  factWords,
  newFactSchema,
  setupFactSchema,
  setupFileSchema,
  type NewFact,
  type SetupFactKind,
} from './setup-facts'
export { FACTS, FACT_KINDS, type FactKind } from './facts'
export { parseSetupFile, parseSetupText, type ParsedSetup } from './parse-document'
export { setupJsonSchema } from './json-schema'
export { solutionViewSchema, viewSolution, type SolutionView } from './solution-view'
export {
  pinSchema,
  personNameSchema,
  personSchema,
  newPersonSchema,
  signInSchema,
  machineSchema,
  newMachineSchema,
  shopGaugeSchema,
  newShopGaugeSchema,
  newSetupSchema,
  recordSchema,
  setupAnswerSchema,
  factsAnswerSchema,
  shopSchema,
  setupSummarySchema,
  type Person,
  type MachineEntry,
  type ShopGauge,
  type SetupRecord,
  type SetupAnswer,
  type FactsAnswer,
  type SetupSummary,
} from './api'
export type { StreamKind, Via } from '@pine/core/journal'
