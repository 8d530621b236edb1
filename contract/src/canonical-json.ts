/**
 * JSON with the fields of every object in the order of their names. Neither the database nor a spread keeps the order of fields,
 * so only this form hashes to the same value wherever it is made.
 */
export function canonicalJson(value: unknown): string {
  return JSON.stringify(value, (_, part: unknown) =>
    typeof part === 'object' && part !== null && !Array.isArray(part)
      ? Object.fromEntries(Object.entries(part).sort(([a], [b]) => (a < b ? -1 : 1)))
      : part,
  )
}
