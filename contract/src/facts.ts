import type { StreamKind } from '@pine/core/journal'
import { SHOP_FIELDS } from '@pine/core/shop'
import { schemaOfFields } from './schema-of'
import { kind, SETUP_FACTS, type FactKindOf } from './setup-facts'

/** Every kind of fact, by the stream that it is allowed in. A machine, a gauge and a tool are what was declared last. */
export const FACTS = {
  setup: SETUP_FACTS,
  machine: {
    machine: kind(schemaOfFields(SHOP_FIELDS.machine.machine), ({ name }) => `The machine ${name}`),
    'machine-event': kind(
      schemaOfFields(SHOP_FIELDS.machine['machine-event']),
      () => 'What happened to the machine',
    ),
    'reversal-test': kind(
      schemaOfFields(SHOP_FIELDS.machine['reversal-test']),
      ({ axis }) => `The reversal test of ${axis}`,
    ),
  },
  gauge: {
    gauge: kind(schemaOfFields(SHOP_FIELDS.gauge.gauge), ({ name }) => `The gauge ${name}`),
    'gauge-check': kind(
      schemaOfFields(SHOP_FIELDS.gauge['gauge-check']),
      ({ against }) => `The check against ${against}`,
    ),
  },
  tool: {
    tool: kind(schemaOfFields(SHOP_FIELDS.tool.tool), ({ name }) => `The tool ${name}`),
    'tool-event': kind(
      schemaOfFields(SHOP_FIELDS.tool['tool-event']),
      () => 'What happened to the tool',
    ),
  },
} as const satisfies Readonly<Record<StreamKind, Readonly<Record<string, FactKindOf>>>>

/** What a person calls a check of a gauge that they entered. */
export const checkWords = FACTS.gauge['gauge-check'].words

export type FactKind = { [Kind in StreamKind]: keyof (typeof FACTS)[Kind] & string }[StreamKind]

export const FACT_KINDS = Object.values(FACTS).flatMap((kinds) => Object.keys(kinds)) as FactKind[]
