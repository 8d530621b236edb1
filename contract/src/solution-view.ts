import { KEY_MODES } from '@pine/core/sheet'
import { z } from 'zod'

const unit = z.enum(['mm', 'in'])

// Fields with a default came later: a record frozen before them is still read.

/** A solution as JSON: what `bin/pine solve --json` prints, the API answers and a record freezes. */
export const solutionViewSchema = z.object({
  unit,
  registers: z.array(
    z.object({
      address: z.string(),
      unit,
      /** With the control's decimals; null while a reading is missing. */
      value: z.string().nullable(),
      state: z.enum(['not-read', 'read', 'keyed', 'proven', 'stale']),
      /** Why it is stale; null while it holds. */
      stale: z.string().nullable().default(null),
      /** Who accepted it although it is stale, and why. */
      accepted: z.object({ by: z.string(), reason: z.string() }).nullable().default(null),
      /** Expanded uncertainty for 95 % with its factor, in the register's unit; null while not read. */
      uncertainty: z
        .object({ expanded: z.string(), factor: z.number(), fitness: z.string().nullable() })
        .nullable()
        .default(null),
      /** How to key it in: what is typed, which way the row is changed, what it shows then; null while not read. */
      keyIn: z
        .object({
          mode: z.enum(KEY_MODES),
          /** Null while what it is counted from is not known. */
          type: z.string().nullable(),
          after: z.string(),
          before: z.string().optional(),
          copies: z.string().optional(),
          /** The length that is to be active while a position in Z is told; null where none is. */
          activeLength: z.string().nullable().optional(),
          counter: z
            .object({ full: z.string(), half: z.string(), atSecond: z.string().optional() })
            .optional(),
        })
        .nullable()
        .default(null),
      readBack: z
        .object({ shown: z.string(), equal: z.boolean(), causes: z.array(z.string()) })
        .nullable()
        .default(null),
      trace: z.array(
        z.object({
          role: z.string(),
          meaning: z.string(),
          name: z.string(),
          coefficient: z.number(),
          text: z.string(),
          unit,
          adds: z.string(),
          by: z.string().optional(),
          at: z.string().optional(),
        }),
      ),
    }),
  ),
  warnings: z.array(
    z.object({
      code: z.string(),
      place: z.string(),
      message: z.string(),
      /** Slips that would explain it, simplest first. */
      causes: z.array(z.string()).default([]),
    }),
  ),
  /** What the last proof of each work offset with each tool says. */
  proofs: z
    .array(z.object({ row: z.string(), tool: z.number(), right: z.boolean(), says: z.string() }))
    .default([]),
  /** How far edges are turned, in degrees, and what that costs over the part. */
  edges: z
    .array(
      z.object({
        row: z.string(),
        face: z.string(),
        degrees: z.string(),
        runOut: z.string(),
        agrees: z.boolean().nullable(),
      }),
    )
    .default([]),
  /** What is still to read, to key in or to record, in the order of work. */
  missing: z.array(z.string()).default([]),
})

export type SolutionView = z.infer<typeof solutionViewSchema>
