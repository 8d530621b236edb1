/** Turns a minute that a comment speaks of: `S8000`, `8000 RPM`. Common practice, no source. */
const SPEED = /\bS\s*=?\s*\d{2,}|\b\d{3,}\s*RPM\b/i
/** Feeds that are written to be run at half the override. Common practice, no source. */
const OVERRIDE =
  /\b(?:feeds?|override)\b.*\b(?:50\s*%|half|doubled?)|\b(?:50\s*%|half|doubled?)\s.*\b(?:feeds?|override)\b/i

export const speaksOfSpeed = (comment: string): boolean => SPEED.test(comment)
export const speaksOfOverride = (comment: string): boolean => OVERRIDE.test(comment)
