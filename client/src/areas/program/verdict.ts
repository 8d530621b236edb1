/** What was found in a program, in one sentence: how many things, and whether they can crash or scrap. */
export function verdictOf(dangers: number, all: number): string {
  if (dangers === 1) return 'One thing in it can crash or scrap: not to be run as it is.'
  if (dangers > 1) return `${dangers} things in it can crash or scrap: not to be run as it is.`
  if (all === 0) return 'Nothing in it stands against this set-up.'
  return all === 1 ? 'One thing to look at.' : `${all} things to look at.`
}
