import { STATIONS } from '@pine/core/plan'
import { type TrustState } from '@pine/core/registers'
import { STATION_NAMES } from '@pine/core/words'
import type { SetupSummary } from '@pine/contract'

/** So many are looked over at a glance; of more, one is found by its name. */
const AT_A_GLANCE = 8

/** Whether a list is long enough to be looked through by words. */
export const needsFinding = (setups: readonly unknown[] = []): boolean =>
  setups.length > AT_A_GLANCE

/** The set-ups that every word stands in: in the name of the job, of the machine or of whoever was last at it. */
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
  return station ? `Next: ${STATION_NAMES[station]}` : ''
}

/** Released, and nothing opened it since: it is done. */
const isDone = ({ recorded, nextStation }: SetupSummary): boolean =>
  recorded && nextStation === null

/** What is worked on, and apart from it what is done. */
export const apart = (setups: readonly SetupSummary[]) => ({
  open: setups.filter((setup) => !isDone(setup)),
  done: setups.filter(isDone),
})

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
