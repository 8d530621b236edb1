import { IMPORT_LISTS } from '@pine/core/import-list'
import { LENGTH_UNITS } from '@pine/core/length'
import { z } from 'zod'

/** Which column holds what, from 0, as JSON behind the question mark. */
const columns = z
  .string()
  .max(2000)
  .transform((text, context): unknown => {
    try {
      return JSON.parse(text)
    } catch {
      context.addIssue({ code: 'custom', message: 'columns as JSON, such as {"name":0}' })
      return z.NEVER
    }
  })
  .pipe(z.record(z.string().max(40), z.int().min(0).max(999)))

/** A list that can be imported, as the path names it. */
export const importListSchema = z.enum(IMPORT_LISTS)

/** How a file is to be understood; what is not said is guessed, shown, and may be said the next time. */
export const importQuerySchema = z.object({
  /** Name of the file. */
  name: z.string().trim().min(1).max(200),
  columns: columns.optional(),
  unit: z.enum(LENGTH_UNITS).optional(),
  decimal: z.enum(['point', 'comma']).optional(),
  /** The machine of every row, where no column names one. */
  machine: z.uuid().optional(),
})
export type ImportQuery = z.infer<typeof importQuerySchema>

/** A file as it would be imported: nothing is written yet. */
export const importPreviewSchema = z.object({
  file: z.object({
    name: z.string(),
    sha256: z.string(),
    encoding: z.string(),
    /** Rows with anything in them, the heading not counted. */
    rows: z.number(),
  }),
  /** The columns of the file, each with some of its cells. */
  columns: z.array(z.object({ heading: z.string(), samples: z.array(z.string()) })),
  mapping: z.record(z.string(), z.number()),
  unit: z.enum(LENGTH_UNITS),
  decimal: z.enum(['point', 'comma']),
  /** What no column is named for, and without which there is nothing to import. */
  missing: z.array(z.string()),
  /** Rows that were imported from the same file before: they are left as they are. */
  already: z.number(),
  /** Rows in which nothing is wrong. */
  good: z.number(),
  /** Rows in which something is. */
  faulty: z.number(),
  /** The first good rows, as they would be entered. */
  sample: z.array(z.object({ row: z.number(), name: z.string(), words: z.string() })),
  /** Everything that is wrong, by row; the first thousand of them where there are more. */
  problems: z.array(
    z.object({
      row: z.number(),
      /** Heading of the column; absent where it is the row as a whole. */
      column: z.string().optional(),
      text: z.string(),
      words: z.string(),
    }),
  ),
  problemsInAll: z.number(),
})
export type ImportPreview = z.infer<typeof importPreviewSchema>

/** What an import has written. */
export const importedSchema = z.object({
  written: z.number(),
  /** Rows that were imported from the same file before. */
  already: z.number(),
})
export type Imported = z.infer<typeof importedSchema>
