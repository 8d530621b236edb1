import { type SetupBodies, type SetupFact } from '@pine/core/facts'
import { VIAS } from '@pine/core/journal'
import { typographic } from '@pine/core/words'
import { z } from 'zod'
import { factId, uuid, words } from './fields'
import { programCheckSchema, programSchema, sha256 } from './program-schema'
import {
  acceptanceSchema,
  checkOffSchema,
  eventSchema,
  keyInSchema,
  liftSchema,
  proofSchema,
  readBackSchema,
  setupSheetSchema,
} from './setup-schema'
import { readingSchema } from './reading-schema'
import type { SameFields } from './same-fields'

/** A kind of fact: what its body is, and what a person calls the one that they entered. */
export interface FactKindOf {
  readonly body: z.ZodType
  readonly words: (body: never) => string
}

export const kind = <Schema extends z.ZodType>(
  body: Schema,
  words: (body: z.infer<Schema>) => string,
): { readonly body: Schema; readonly words: (body: z.infer<Schema>) => string } => ({ body, words })

/**
 * Every kind of fact of a set-up. The API's union, the file, the database's check and what a person reads of a fact that
 * waits or was refused come from here; how it changes the set-up is core's fold, by the same names.
 */
export const SETUP_FACTS = {
  sheet: kind(setupSheetSchema, ({ name }) => `The sheet “${name}”`),
  reading: kind(readingSchema, ({ read }) => `The reading ${typographic(read.text)} ${read.unit}`),
  'key-in': kind(keyInSchema, ({ address }) => `The key-in of ${address}`),
  'read-back': kind(
    readBackSchema,
    ({ address, shown }) => `The read-back ${typographic(shown.text)} ${shown.unit} of ${address}`,
  ),
  event: kind(eventSchema, () => 'What you said had changed'),
  acceptance: kind(acceptanceSchema, ({ address }) => `Your word for ${address}`),
  proof: kind(proofSchema, ({ row, tool }) => `The proof of ${row} with T${tool}`),
  lift: kind(liftSchema, ({ amount }) => `The lift of ${typographic(amount.text)} ${amount.unit}`),
  'check-off': kind(checkOffSchema, () => 'What you had seen to'),
  program: kind(programSchema, ({ name }) => `The program ${name}`),
  'program-check': kind(programCheckSchema, () => 'The check of the file at the machine'),
  record: kind(z.strictObject({ hash: sha256 }), () => 'The release'),
  'put-away': kind(z.strictObject({ moves: z.enum(['away', 'back']) }), ({ moves }) =>
    moves === 'away' ? 'That it is put away' : 'That it is taken out again',
  ),
  note: kind(
    z.union([z.strictObject({ text: words.min(1) }), z.strictObject({ noteRead: factId })]),
    (note) => ('text' in note ? `Your note “${note.text}”` : 'That a note was read'),
  ),
} as const satisfies { readonly [Kind in keyof SetupBodies]: FactKindOf }

export type SetupFactKind = keyof SetupBodies

export const SETUP_FACT_KINDS = Object.keys(SETUP_FACTS) as SetupFactKind[]

/** Facts whose body is made by the server: nothing is sent with them. */
const MADE_BY_SERVER: readonly SetupFactKind[] = ['record']

/** A fact as it is sent. Who and when are added by the server; nothing is ever changed. */
export type NewFact = {
  [Kind in SetupFactKind]: {
    id: string
    kind: Kind
    /** How it came; typed, where it is not said. */
    via?: (typeof VIAS)[number] | undefined
    body: Kind extends 'record' ? object : z.infer<(typeof SETUP_FACTS)[Kind]['body']>
  }
}[SetupFactKind]

const via = z.enum(VIAS)

const union = <Fact>(fact: (name: SetupFactKind) => z.ZodObject) =>
  z.discriminatedUnion('kind', SETUP_FACT_KINDS.map(fact) as never) as unknown as z.ZodType<
    Fact,
    Fact
  >

export const newFactSchema = union<NewFact>((name) =>
  z.strictObject({
    id: uuid(),
    kind: z.literal(name),
    via: via.optional(),
    body: MADE_BY_SERVER.includes(name) ? z.strictObject({}) : SETUP_FACTS[name].body,
  }),
)

const author = z.strictObject({ id: z.uuid().optional(), name: z.string().trim().min(1).max(120) })

export const setupFactSchema = union<SetupFact>((name) =>
  z.strictObject({
    id: z.uuid(),
    kind: z.literal(name),
    by: author,
    at: z.iso.datetime({ offset: true }),
    via,
    seen: z.number().int().min(0).optional(),
    device: z.uuid().optional(),
    body: SETUP_FACTS[name].body,
  }),
)

/** Longest stream that is read from a file. */
const MOST_FACTS = 100_000

/** The open set-up file, version 2: the facts of a set-up in their order (docs/setup-file.md). */
export const setupFileSchema = z.strictObject({
  format: z.literal('pine-compass/setup'),
  version: z.literal(2),
  id: z.uuid(),
  facts: z
    .array(setupFactSchema)
    .min(1)
    .max(MOST_FACTS)
    .refine(([first]) => first?.kind === 'sheet', {
      message: 'the first fact is the sheet',
      path: [0, 'kind'],
    }),
})

/** What a person calls a fact that they entered. */
export const factWords = ({ kind, body }: NewFact): string =>
  (SETUP_FACTS[kind].words as (body: object) => string)(body)

// Core owns the shape that it computes on and may not import a validator, so the two are held
// equal here: a field that is added on one side alone does not compile.
type Exact<A, B> = [A] extends [B] ? ([B] extends [A] ? SameFields<A, B> : never) : never

// A length is a number with a name, and no object to look into.
type DeepReadonly<T> = T extends number
  ? T
  : T extends object
    ? { readonly [Key in keyof T]: DeepReadonly<T[Key]> }
    : T

export const SHAPES_ARE_EQUAL: {
  readonly [Kind in SetupFactKind]: Exact<
    DeepReadonly<z.infer<(typeof SETUP_FACTS)[Kind]['body']>>,
    SetupBodies[Kind]
  >
} = {
  sheet: true,
  reading: true,
  'key-in': true,
  'read-back': true,
  event: true,
  acceptance: true,
  proof: true,
  lift: true,
  'check-off': true,
  program: true,
  'program-check': true,
  record: true,
  'put-away': true,
  note: true,
}
