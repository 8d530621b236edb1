import { createHash } from 'node:crypto'

/**
 * JSON with the fields of every object in the order of their names. The database does not keep the
 * order of fields, so only this form hashes to the same value after it was stored.
 */
export function canonicalJson(value: unknown): string {
  return JSON.stringify(value, (_, part: unknown) =>
    typeof part === 'object' && part !== null && !Array.isArray(part)
      ? Object.fromEntries(Object.entries(part).sort(([a], [b]) => (a < b ? -1 : 1)))
      : part,
  )
}

/** SHA-256 of the canonical form, in hexadecimal. */
export const contentHash = (value: unknown): string =>
  createHash('sha256').update(canonicalJson(value)).digest('hex')
