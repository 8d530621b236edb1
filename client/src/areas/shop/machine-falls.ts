import type { SetupSummary } from '@pine/contract'

/** What falls by something that happens to a machine between set-ups: said before it is. */
export function machineFalls(
  setups: readonly SetupSummary[],
  machine: string,
  tools: number,
): { readonly says: string; readonly told: readonly Pick<SetupSummary, 'id' | 'name'>[] } {
  const open = setups.filter(
    ({ machineId, nextStation, away }) =>
      machineId === machine && nextStation !== null && away === null,
  )
  const lengths =
    tools === 0
      ? 'No tool is known in it.'
      : `${tools === 1 ? 'The one tool' : `The ${tools} tools`} in it: what was touched before counts no more by itself.`
  const where =
    open.length === 0
      ? 'No set-up is open on it.'
      : `It is told in ${open.length === 1 ? 'the one set-up' : `the ${open.length} set-ups`} open on it:`
  return { says: `${lengths} ${where}`, told: open }
}
