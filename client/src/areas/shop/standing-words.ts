import type { GaugeStandings } from '@pine/contract'

/** How a gauge stands, in a few words beside its name. */
export function standingWords(standing: GaugeStandings[number] | undefined): string {
  if (standing === undefined) return 'not watched'
  const { lastAt, dueOn, isDue, isSuspect } = standing
  if (isSuspect) return 'its last check was not good'
  if (lastAt === undefined) return 'never checked'
  return isDue ? `to be checked since ${dueOn}` : `good, to be checked by ${dueOn}`
}
