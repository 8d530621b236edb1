import type { SetupSummary } from '@pine/contract'

/** What falls by something that happens between set-ups: told in every one of these that is worked on. */
export function falls(
  setups: readonly SetupSummary[],
  concerned: readonly string[],
): { readonly says: string; readonly told: readonly Pick<SetupSummary, 'id' | 'name'>[] } {
  const of = setups.filter(({ id }) => concerned.includes(id))
  const told = of.filter(({ nextStation, away }) => nextStation !== null && away === null)
  const lengths = 'No set-up takes its length over from before.'
  if (told.length === 0) return { says: `${lengths} None is open that it was touched in.`, told }
  return {
    says: `${lengths} It is told in ${told.length === 1 ? 'the one' : `the ${told.length}`} that ${told.length === 1 ? 'is' : 'are'} open, and touched again there:`,
    told,
  }
}
