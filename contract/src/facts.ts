import type { StreamKind } from '@pine/core/journal'
import { z } from 'zod'
import { name, reason, writtenLengthSchema } from './fields'
import { kind, SETUP_FACTS, type FactKindOf } from './setup-facts'
import { gaugeSchema, watchSchema } from './gauge-schema'
import { reversalTestSchema } from './machine-schema'
import { machineDeclarationSchema } from './machine-declaration-schema'
import { machineEventSchema, toolEventSchema, toolFactSchema } from './tool-schema'

/** From the second time on: why it was declared anew, and whether it is out of use. */
const declaredAnew = {
  reason: reason.optional(),
  retired: z.literal(true).optional(),
}

/** What a machine or a gauge is declared to be. It stays what it was for whatever used it before. */
export const machineFactSchema = machineDeclarationSchema.extend(declaredAnew)
export const gaugeFactSchema = gaugeSchema.extend({
  ...declaredAnew,
  /** How it is watched: what it may be off, and how often the shop checks it at least. */
  watch: watchSchema.optional(),
})

/** Facts as they stand in the database: what was accepted once is read as it is, whatever is asked of new ones since. */
export type MachineFact = z.infer<typeof machineFactSchema>
export type GaugeFact = z.infer<typeof gaugeFactSchema>

/** A gauge was read against its own master. */
export const gaugeCheckFactSchema = z.strictObject({
  /** What it read. */
  read: writtenLengthSchema,
  /** What it was held against, and how large that truly is. */
  against: name,
  master: writtenLengthSchema,
})

export type GaugeCheckFact = z.infer<typeof gaugeCheckFactSchema>

/** Every kind of fact, by the stream that it is allowed in. A machine, a gauge and a tool are what was declared last. */
export const FACTS = {
  setup: SETUP_FACTS,
  machine: {
    machine: kind(machineFactSchema, ({ name }) => `The machine ${name}`),
    'machine-event': kind(machineEventSchema, () => 'What happened to the machine'),
    'reversal-test': kind(reversalTestSchema, ({ axis }) => `The reversal test of ${axis}`),
  },
  gauge: {
    gauge: kind(gaugeFactSchema, ({ name }) => `The gauge ${name}`),
    'gauge-check': kind(gaugeCheckFactSchema, ({ against }) => `The check against ${against}`),
  },
  tool: {
    tool: kind(toolFactSchema, ({ name }) => `The tool ${name}`),
    'tool-event': kind(toolEventSchema, () => 'What happened to the tool'),
  },
} as const satisfies Readonly<Record<StreamKind, Readonly<Record<string, FactKindOf>>>>

/** What a person calls a check of a gauge that they entered. */
export const checkWords = FACTS.gauge['gauge-check'].words

export type FactKind = { [Kind in StreamKind]: keyof (typeof FACTS)[Kind] & string }[StreamKind]

export const FACT_KINDS = Object.values(FACTS).flatMap((kinds) => Object.keys(kinds)) as FactKind[]
