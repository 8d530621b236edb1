export {
  setupDocumentSchema,
  setupSheetSchema,
  readingSchema,
  newReadingSchema,
  keyInSchema,
  newKeyInSchema,
  readBackSchema,
  newReadBackSchema,
  machineDeclarationSchema,
  controlProfileSchema,
  gaugeSchema,
  toolSchema,
  offsetPlanSchema,
  axisPlanSchema,
  writtenLengthSchema,
  SHAPES_ARE_EQUAL,
} from './setup-schema'
export {
  errorBodySchema,
  reportedProblemSchema,
  reportIssues,
  reportProblem,
  type ErrorBody,
  type ReportedProblem,
} from './report'
export { keptProgramTextSchema, LONGEST_PROGRAM, type KeptProgramText } from './program-schema'
export { parseSetupDocument, parseSetupText, type ParsedDocument } from './parse-document'
export { setupJsonSchema } from './json-schema'
export { appendFact, factIds, type FactStamp } from './append-fact'
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
  newFactSchema,
  newSetupSchema,
  recordSchema,
  setupAnswerSchema,
  setupSummarySchema,
  FACT_KINDS,
  type Person,
  type MachineEntry,
  type ShopGauge,
  type NewFact,
  type FactKind,
  type SetupRecord,
  type SetupAnswer,
  type SetupSummary,
} from './api'
