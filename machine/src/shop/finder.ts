/** What an edge finder shows at a distance from a face. */
export interface FinderShows {
  /** How far its tip still runs out of true, nanometres, seen from the front. */
  readonly runsOut: number
  /** It has jumped aside: the face was passed. */
  readonly kicked: boolean
}

/** So far past the face it jumps. Common practice, no source. */
const KICK_NM = 5_000

/**
 * A tip that runs out is centred by the face that it is brought against: the nearer, the truer it runs; a little past contact it jumps
 * aside.
 *
 * @param past how far the axis is past contact with the face, nanometres; below zero before it.
 * @param runOut how far the tip runs out where nothing touches it.
 */
export function finderShows(past: number, runOut: number): FinderShows {
  if (past > KICK_NM) return { runsOut: runOut, kicked: true }
  return { runsOut: Math.min(runOut, Math.max(0, -past)), kicked: false }
}
