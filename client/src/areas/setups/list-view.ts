import { STATIONS } from '@pine/core/plan'
import { type TrustState } from '@pine/core/registers'
import { STATION_NAMES } from '@pine/core/words'
import { SETUPS_A_PAGE, type SetupSummary } from '@pine/contract'

/** So many are looked over at a glance; of more, one is found by its name. */
const AT_A_GLANCE = 8

/** Whether the shop's machines are worth being asked for: there is more than a page, or one was chosen. */
export const needsMachine = (total: number, machines: number, chosen: string): boolean =>
  chosen !== '' || (machines > 1 && total > SETUPS_A_PAGE)

/** What the next page brings: “Show 50 more of 195 released”. */
export const moreWords = (shown: number, total: number, of: string): string =>
  `Show ${Math.min(SETUPS_A_PAGE, total - shown)} more of ${total} ${of}`

/**
 * Why nothing is listed.
 *
 * @param words that are looked for; none, where a machine alone was chosen.
 * @param isWhole whether the server looked through all of them, and not this device through those that it has.
 */
export function noneWords(words: string, isWhole: boolean): string {
  if (!isWhole)
    return 'Nothing here fits. Without a connection only what was shown last is searched.'
  return words.trim() === '' ? 'No set-up is on this machine.' : 'No set-up fits these words.'
}

/** Whether a list is long enough to be looked through by words. */
export const needsFinding = (total: number): boolean => total > AT_A_GLANCE

/**
 * The set-ups that every word stands in: in the name of the job, of the machine or of whoever was last at it. The server answers by
 * the same words; what is shown already is looked through at once, and without a network as well.
 */
export function found(setups: readonly SetupSummary[], words: string): readonly SetupSummary[] {
  const sought = words.trim().toLocaleLowerCase().split(/\s+/)
  return setups.filter(({ name, machine, changedBy }) => {
    const text = `${name} ${machine} ${changedBy}`.toLocaleLowerCase()
    return sought.every((word) => text.includes(word))
  })
}

/** What stands in the way of a set-up; else how far it is, and what is next. */
export function progressWords({ recorded, warnings, nextStation, blocks }: SetupSummary): string {
  if (blocks !== null) return blocks
  if (warnings > 0) return warnings === 1 ? 'One thing to look at' : `${warnings} things to look at`
  if (recorded) return nextStation === null ? 'Released' : 'Open again since its release'
  const station = STATIONS.find((one) => one === nextStation)
  // A quick one asks nothing more, and is no job yet.
  return station ? `Next: ${STATION_NAMES[station]}` : 'Measured and keyed; no job yet'
}

/** Released, and nothing opened it since: it is done. */
const isDone = ({ recorded, nextStation }: SetupSummary): boolean =>
  recorded && nextStation === null

/** Set-ups by the machine that they are on, those that are worked on most lately first; in the order in which they come. */
export function byMachine(
  setups: readonly SetupSummary[],
): readonly { readonly machine: string; readonly setups: readonly SetupSummary[] }[] {
  const machines = [...new Set(setups.map(({ machine }) => machine))]
  return machines.map((machine) => ({
    machine,
    setups: setups.filter((setup) => setup.machine === machine),
  }))
}

/** How far it can be relied on as a whole. */
export function trustOf(setup: SetupSummary): TrustState {
  if (isDone(setup)) return 'proven'
  return setup.stepsDone > 1 ? 'read' : 'not-read'
}
