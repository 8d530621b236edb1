import { z } from 'zod'
import { newProgramCheckSchema, newProgramSchema } from './program-schema'
import {
  gaugeSchema,
  machineDeclarationSchema,
  newAcceptanceSchema,
  newCheckOffSchema,
  newEventSchema,
  newKeyInSchema,
  newLiftSchema,
  newProofSchema,
  newReadBackSchema,
  newReadingSchema,
  setupDocumentSchema,
  setupSheetSchema,
} from './setup-schema'
import { solutionViewSchema } from './solution-view'

/** Four to eight digits: typed with oily thumbs. */
export const pinSchema = z.string().regex(/^\d{4,8}$/, 'four to eight digits')
export const personNameSchema = z.string().trim().min(1, 'a name').max(60)

export const personSchema = z.object({ id: z.uuid(), name: z.string() })
export type Person = z.infer<typeof personSchema>

export const newPersonSchema = z.strictObject({
  id: z.uuid(),
  name: personNameSchema,
  pin: pinSchema,
})
export const signInSchema = z.strictObject({ personId: z.uuid(), pin: pinSchema })

export const machineSchema = z.object({ id: z.uuid(), machine: machineDeclarationSchema })
export type MachineEntry = z.infer<typeof machineSchema>
export const newMachineSchema = z.strictObject({ id: z.uuid(), machine: machineDeclarationSchema })

export const shopGaugeSchema = z.object({ id: z.uuid(), gauge: gaugeSchema })
export type ShopGauge = z.infer<typeof shopGaugeSchema>
export const newShopGaugeSchema = z.strictObject({ id: z.uuid(), gauge: gaugeSchema })

/** What happened at a set-up. Who and when are added by the server; nothing is ever changed. */
export const newFactSchema = z.discriminatedUnion('kind', [
  z.strictObject({ id: z.uuid(), kind: z.literal('sheet'), body: setupSheetSchema }),
  z.strictObject({ id: z.uuid(), kind: z.literal('reading'), body: newReadingSchema }),
  z.strictObject({ id: z.uuid(), kind: z.literal('key-in'), body: newKeyInSchema }),
  z.strictObject({ id: z.uuid(), kind: z.literal('read-back'), body: newReadBackSchema }),
  z.strictObject({ id: z.uuid(), kind: z.literal('event'), body: newEventSchema }),
  z.strictObject({ id: z.uuid(), kind: z.literal('acceptance'), body: newAcceptanceSchema }),
  z.strictObject({ id: z.uuid(), kind: z.literal('proof'), body: newProofSchema }),
  z.strictObject({ id: z.uuid(), kind: z.literal('lift'), body: newLiftSchema }),
  z.strictObject({ id: z.uuid(), kind: z.literal('check-off'), body: newCheckOffSchema }),
  z.strictObject({ id: z.uuid(), kind: z.literal('program'), body: newProgramSchema }),
  z.strictObject({ id: z.uuid(), kind: z.literal('program-check'), body: newProgramCheckSchema }),
  z.strictObject({ id: z.uuid(), kind: z.literal('record'), body: z.strictObject({}) }),
])
export type NewFact = z.infer<typeof newFactSchema>
export const FACT_KINDS = [
  'sheet',
  'reading',
  'key-in',
  'read-back',
  'event',
  'acceptance',
  'proof',
  'lift',
  'check-off',
  'program',
  'program-check',
  'record',
] as const
export type FactKind = (typeof FACT_KINDS)[number]

export const newSetupSchema = z.strictObject({
  id: z.uuid(),
  sheetFactId: z.uuid(),
  sheet: setupSheetSchema,
})

/** The frozen document with its solution: opened again, it shows the same numbers to the digit. */
export const recordSchema = z.object({
  id: z.uuid(),
  by: z.string(),
  at: z.string(),
  hash: z.string(),
  document: setupDocumentSchema,
  solution: solutionViewSchema,
})
export type SetupRecord = z.infer<typeof recordSchema>

export const setupAnswerSchema = z.object({
  document: setupDocumentSchema,
  solution: solutionViewSchema,
  records: z.array(recordSchema),
  /** The last record stands for the set-up as it is: nothing was entered since. */
  released: z.boolean(),
  createdBy: z.string(),
  createdAt: z.string(),
})
export type SetupAnswer = z.infer<typeof setupAnswerSchema>

export const setupSummarySchema = z.object({
  id: z.uuid(),
  name: z.string(),
  machine: z.string(),
  unit: z.enum(['mm', 'in']),
  createdAt: z.string(),
  changedAt: z.string(),
  changedBy: z.string(),
  /** How far it is: steps done of all, and the station of the next one. */
  stepsDone: z.number(),
  stepsTotal: z.number(),
  nextStation: z.string().nullable(),
  /** It was released, now or before; `nextStation` tells whether something is open again. */
  recorded: z.boolean(),
  warnings: z.number(),
})
export type SetupSummary = z.infer<typeof setupSummarySchema>
