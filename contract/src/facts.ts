import { STREAM_KINDS, type StreamKind, type Via } from '@pine/core/journal'
import { SHOP_FIELDS, type ShopBodies } from '@pine/core/shop'
import { z } from 'zod'
import { schemaOfFields } from './schemas/schema-of'
import {
  asSent,
  kind,
  newFactSchema,
  SETUP_FACTS,
  type FactKindOf,
  type NewFact,
} from './setup-facts'

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

export type FactKind = { [Kind in StreamKind]: keyof (typeof FACTS)[Kind] & string }[StreamKind]

export const FACT_KINDS = Object.values(FACTS).flatMap((kinds) => Object.keys(kinds)) as FactKind[]

/** What the shop keeps beside its set-ups. */
export type ShopStream = keyof ShopBodies

type SentOf<Bodies> = {
  [Kind in keyof Bodies & string]: {
    id: string
    kind: Kind
    /** How it came; typed, where it is not said. */
    via?: Via | undefined
    body: Bodies[Kind]
  }
}[keyof Bodies & string]

/** A fact of each stream as it is sent. */
export type NewFacts = { [Stream in ShopStream]: SentOf<ShopBodies[Stream]> } & { setup: NewFact }
export type NewFactOf<Stream extends StreamKind = StreamKind> = NewFacts[Stream]

const sentTo = (stream: ShopStream) =>
  z.discriminatedUnion(
    'kind',
    Object.entries<FactKindOf>(FACTS[stream]).map(([kind, { body }]) =>
      asSent(kind, body),
    ) as never,
  ) as unknown

/** The schema of a fact of each stream as it is sent: `POST /streams/:kind/:id/facts`. */
export const NEW_FACTS = {
  setup: newFactSchema,
  ...Object.fromEntries(
    STREAM_KINDS.filter((stream) => stream !== 'setup').map((stream) => [stream, sentTo(stream)]),
  ),
} as { readonly [Stream in StreamKind]: z.ZodType<NewFacts[Stream], NewFacts[Stream]> }

/** Facts of a stream from a place on. Their bodies are as they were accepted, whatever is asked of new ones since. */
export const streamAnswerSchema = z.object({
  from: z.number(),
  facts: z.array(
    z.looseObject({
      id: z.string(),
      kind: z.enum(FACT_KINDS as [FactKind, ...FactKind[]]),
      by: z.object({ id: z.string(), name: z.string() }),
      at: z.string(),
      body: z.looseObject({}),
    }),
  ),
})
export type StreamAnswer = z.infer<typeof streamAnswerSchema>

const WORDS = new Map(
  Object.values(FACTS).flatMap((kinds) =>
    Object.entries(kinds).map(([kind, { words }]) => [kind, words] as const),
  ),
) as ReadonlyMap<string, (body: object) => string>

/** What a person calls a fact that they entered. */
export const factWords = ({ kind, body }: NewFactOf): string => WORDS.get(kind)?.(body) ?? kind
