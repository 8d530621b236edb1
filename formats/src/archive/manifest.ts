import { z } from 'zod'

/** The version that is written; a reader takes this one and those before it. */
export const ARCHIVE_VERSION = 1

export const MANIFEST = 'manifest.json'

const entrySchema = z.object({
  name: z.string().max(200),
  /** Of its bytes, before they are packed. */
  sha256: z.string().regex(/^[0-9a-f]{64}$/),
  bytes: z.number().int().min(0),
})

export type ArchiveEntry = z.infer<typeof entrySchema>

/** What an archive says of itself: the last of its entries, for it names all others with their hashes. */
export const manifestSchema = z.object({
  format: z.literal('pine-compass/archive'),
  version: z.number().int().min(1),
  shop: z.string().max(200),
  madeBy: z.string().max(200),
  madeAt: z.string().max(40),
  entries: z.array(entrySchema).max(2_000_000),
})

export type ArchiveManifest = z.infer<typeof manifestSchema>
