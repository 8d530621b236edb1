import type { StreamKind } from '@pine/core/journal'
import { z } from 'zod'
import { reason } from './fields'
import { kind, SETUP_FACTS, type FactKindOf } from './setup-facts'
import { gaugeSchema, machineDeclarationSchema } from './setup-schema'

/** What a machine is declared to be, from the second time on with why it was changed. */
export const machineFactSchema = machineDeclarationSchema.extend({ reason: reason.optional() })

/** Every kind of fact, by the stream that it is allowed in. A machine, a gauge and a tool are what was declared last. */
export const FACTS = {
  setup: SETUP_FACTS,
  machine: { machine: kind(machineFactSchema, ({ name }) => `The machine ${name}`) },
  gauge: { gauge: kind(gaugeSchema, ({ name }) => `The gauge ${name}`) },
  tool: {
    tool: kind(
      z.strictObject({ name: z.string().trim().min(1).max(120) }),
      ({ name }) => `The tool ${name}`,
    ),
  },
} as const satisfies Readonly<Record<StreamKind, Readonly<Record<string, FactKindOf>>>>

export type FactKind = { [Kind in StreamKind]: keyof (typeof FACTS)[Kind] & string }[StreamKind]

export const FACT_KINDS = Object.values(FACTS).flatMap((kinds) => Object.keys(kinds)) as FactKind[]
