import type { GaugeStandings } from '@pine/contract'
import { describeDay } from '@pine/core/words'

/** How a gauge stands, in a few words beside its name. */
export function standingWords(standing: GaugeStandings[number] | undefined): string {
  if (standing === undefined) return 'not watched'
  const { lastAt, dueOn, isDue, isSuspect } = standing
  if (isSuspect) return 'its last check was not good'
  if (lastAt === undefined) return 'never checked'
  const day = dueOn && describeDay(dueOn)
  return isDue ? `check due since ${day}` : `in tolerance, next check ${day}`
}

/** What is to be done about gauges, for who comes to work: undefined where nothing is. */
export function gaugesCall(
  standings: GaugeStandings | undefined,
): { readonly words: string; readonly isWrong: boolean } | undefined {
  const suspect = standings?.filter(({ isSuspect }) => isSuspect).length ?? 0
  const due = standings?.filter(({ isDue, isSuspect }) => isDue && !isSuspect).length ?? 0
  const parts = [
    ...(suspect === 0
      ? []
      : [
          suspect === 1
            ? 'One gauge is not to be trusted'
            : `${suspect} gauges are not to be trusted`,
        ]),
    ...(due === 0 ? [] : [due === 1 ? 'one check is due' : `${due} checks are due`]),
  ]
  if (parts.length === 0) return undefined
  const alone = due === 1 ? 'One gauge check is due' : `${due} gauge checks are due`
  return { words: suspect === 0 ? alone : parts.join(', '), isWrong: suspect > 0 }
}
