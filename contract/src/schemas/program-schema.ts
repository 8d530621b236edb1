import { z } from 'zod'
import { sha256 } from './schema-of'

/** Longest program whose text is kept, in bytes: about a million moves. A longer one is read, and its summary kept. */
export const LONGEST_PROGRAM = 32 * 1024 * 1024

/** The text of a program that is kept, by the hash of its bytes. */
export const keptProgramTextSchema = z.strictObject({ sha256, bytes: z.int().min(0) })
export type KeptProgramText = z.infer<typeof keptProgramTextSchema>
