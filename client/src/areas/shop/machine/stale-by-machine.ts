import type { SetupSummary } from '@pine/contract'

/**
 * What falls by something that happens to a machine between set-ups: said before it is.
 *
 * @param page of the set-ups that are worked on there.
 * @param tools that are known in it.
 */
export function staleByMachine(
  {
    setups: open = [],
    total,
  }: { readonly setups: readonly SetupSummary[] | undefined; readonly total: number },
  tools: number,
): { readonly text: string; readonly setups: readonly Pick<SetupSummary, 'id' | 'name'>[] } {
  const lengths =
    tools === 0
      ? 'No tool is known in it.'
      : `${tools === 1 ? 'The one tool' : `The ${tools} tools`} in it: what was touched before counts no more by itself.`
  const where =
    total === 0
      ? 'No set-up is open on it.'
      : `Reported to ${total === 1 ? 'the one set-up' : `the ${total} set-ups`} open on it:`
  return { text: `${lengths} ${where}`, setups: open }
}
