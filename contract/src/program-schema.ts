import { z } from 'zod'
import { type Nanometres } from '@pine/core/length'
import {
  BLOCK_FAULTS,
  NEED_JUDGEMENTS,
  PROGRAM_JUDGEMENTS,
  PROGRAM_PROBLEMS,
  type ProgramReading,
} from '@pine/core/program'
import { asCore } from './same-fields'

/** Lengths of what was read stay the whole nanometres that they were worked out in. */
const nanometres = z.int() as unknown as z.ZodType<Nanometres, number>
const text = z.string().max(200)
const count = z.int().min(0)
const size = z.number().min(0)
const place = z.strictObject({ line: count, excerpt: text })
const extent = z.tuple([nanometres, nanometres]).readonly()
const call = z.strictObject({ register: z.number(), at: place })
const numbers = z.array(z.number()).max(10_000)

const operation = z.strictObject({
  tool: z.number().optional(),
  from: place,
  name: z.string().max(2000).optional(),
  lengths: z.array(call).max(1000),
  diameters: z.array(call).max(1000),
  rows: z
    .array(
      z.strictObject({
        row: text,
        at: place,
        extents: z.strictObject({
          X: extent.optional(),
          Y: extent.optional(),
          Z: extent.optional(),
        }),
        bareZ: extent.optional(),
        heldZ: extent.optional(),
      }),
    )
    .max(1000),
  lowestZ: z.strictObject({ z: nanometres, at: place }).optional(),
  firstApproach: place.optional(),
  rapidBelowZero: place.optional(),
  spokenSpeed: place.optional(),
  compensates: z.boolean().optional(),
  speeds: numbers,
  feeds: numbers,
  cutMm: size,
  rapidMm: size,
  cutMinutes: size,
  uncertain: z.boolean(),
})

const problem = z.strictObject({
  code: z.enum([...PROGRAM_PROBLEMS, ...BLOCK_FAULTS]),
  line: count,
  column: count,
  excerpt: text,
})

const judgement = z.strictObject({
  code: z.enum([...PROGRAM_JUDGEMENTS, ...NEED_JUDGEMENTS]),
  severity: z.enum(['danger', 'look', 'note']),
  line: count,
  excerpt: text,
  tool: z.number().optional(),
  register: z.number().optional(),
  row: text.optional(),
  axis: z.enum(['X', 'Y', 'Z']).optional(),
  amount: nanometres.optional(),
  speed: z.number().optional(),
  limit: z.number().optional(),
})

/** What core has read in a program: a summary that stays small however long the program is. */
const readingShape = z.strictObject({
  lines: count,
  header: z.array(z.string().max(2000)).max(100),
  unit: z.enum(['mm', 'in']).optional(),
  operations: z.array(operation).max(2000),
  problems: z.array(problem).max(1000),
  judgements: z.array(judgement).max(1000),
  leftOut: count,
  writesOffsets: z.array(place).max(1000),
})

/** The same, typed as core reads it: a field that one of the two lacks does not compile. */
export const programReadingSchema = asCore<ProgramReading>()(readingShape, true)

export const sha256 = z.string().regex(/^[0-9a-f]{64}$/, 'a SHA-256 in lower-case hexadecimal')

/** A program that was read. */
export const programSchema = z.strictObject({
  name: z.string().min(1).max(200),
  bytes: count,
  sha256,
  reading: programReadingSchema,
})
/** Longest program whose text is kept, in bytes: about a million moves. A longer one is read, and its summary kept. */
export const LONGEST_PROGRAM = 32 * 1024 * 1024

/** The text of a program that is kept, by the hash of its bytes. */
export const keptProgramTextSchema = z.strictObject({ sha256, bytes: count })
export type KeptProgramText = z.infer<typeof keptProgramTextSchema>
export const programCheckSchema = z.strictObject({ sha256 })
