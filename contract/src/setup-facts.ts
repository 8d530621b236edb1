import type { Shape } from '@pine/core/fields'
import { SETUP_BODIES, type SetupBodies, type SetupFact } from '@pine/core/facts'
import { VIAS } from '@pine/core/journal'
import { typographic } from '@pine/core/words'
import { z } from 'zod'
import { moment, nameSchema, schemaOf, uuid } from './schemas/schema-of'

/** A kind of fact: what its body is, and what a person calls the one that they entered. */
export interface FactKindOf {
  readonly body: z.ZodType
  readonly words: (body: never) => string
}

export const kind = <Schema extends z.ZodType>(
  body: Schema,
  words: (body: z.infer<Schema>) => string,
): { readonly body: Schema; readonly words: (body: z.infer<Schema>) => string } => ({ body, words })

const setupKind = <Kind extends keyof SetupBodies>(
  name: Kind,
  words: (body: SetupBodies[Kind]) => string,
) => kind(schemaOf(SETUP_BODIES[name] as Shape<SetupBodies[Kind]>), words)

/**
 * Every kind of fact of a set-up. The API's union, the file, the database's check and what a person reads of a fact that
 * waits or was refused come from here; what it says is core's table of fields and how it changes the set-up core's fold, by the
 * same names.
 */
export const SETUP_FACTS = {
  sheet: setupKind('sheet', ({ name }) => `The sheet “${name}”`),
  reading: setupKind('reading', ({ read }) => `The reading ${typographic(read.text)} ${read.unit}`),
  'key-in': setupKind('key-in', ({ address }) => `The key-in of ${address}`),
  'read-back': setupKind(
    'read-back',
    ({ address, shown }) => `The read-back ${typographic(shown.text)} ${shown.unit} of ${address}`,
  ),
  event: setupKind('event', () => 'What you said had changed'),
  acceptance: setupKind('acceptance', ({ address }) => `Your word for ${address}`),
  proof: setupKind('proof', ({ row, tool }) => `The proof of ${row} with T${tool}`),
  lift: setupKind('lift', ({ amount }) => `The lift of ${typographic(amount.text)} ${amount.unit}`),
  'check-off': setupKind('check-off', () => 'What you had seen to'),
  program: setupKind('program', ({ name }) => `The program ${name}`),
  'program-check': setupKind('program-check', () => 'The check of the file at the machine'),
  record: setupKind('record', () => 'The release'),
  'put-away': setupKind('put-away', ({ moves }) =>
    moves === 'away' ? 'That it is put away' : 'That it is taken out again',
  ),
  note: setupKind('note', (note) =>
    'text' in note ? `Your note “${note.text}”` : 'That a note was read',
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
    body: Kind extends 'record' ? object : SetupBodies[Kind]
  }
}[SetupFactKind]

const via = z.enum(VIAS)

/** A fact as it is sent: the person, the moment and its place are added by the server. */
export const asSent = (kind: string, body: z.ZodType) =>
  z.strictObject({ id: uuid(), kind: z.literal(kind), via: via.optional(), body })

const union = <Fact>(fact: (name: SetupFactKind) => z.ZodObject) =>
  z.discriminatedUnion('kind', SETUP_FACT_KINDS.map(fact) as never) as unknown as z.ZodType<
    Fact,
    Fact
  >

export const newFactSchema = union<NewFact>((name) =>
  asSent(name, MADE_BY_SERVER.includes(name) ? z.strictObject({}) : SETUP_FACTS[name].body),
)

const author = z.strictObject({ id: z.uuid().optional(), name: nameSchema })

export const setupFactSchema = union<SetupFact>((name) =>
  z.strictObject({
    id: z.uuid(),
    kind: z.literal(name),
    by: author,
    at: moment,
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
