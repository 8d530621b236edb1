/** Lets the database take facts of these kinds and of no others; each migration says all that it knew. */
export const knownKinds = (kinds: readonly string[]): string => `
  ALTER TABLE fact DROP CONSTRAINT fact_kind_known;
  ALTER TABLE fact ADD CONSTRAINT fact_kind_known CHECK (kind IN (${kinds.map((kind) => `'${kind}'`).join(', ')}))`
