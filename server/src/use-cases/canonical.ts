import { createHash } from 'node:crypto'
import { canonicalJson } from '@pine/contract'

/** SHA-256 of the canonical form, in hexadecimal. */
export const contentHash = (value: unknown): string =>
  createHash('sha256').update(canonicalJson(value)).digest('hex')
