import type { Found } from '@pine/contract'
import type { Store } from '../../store/store'

/** Set-ups, tools, gauges and machines that some words stand in the names of. */
export const searchEverything = (store: Store, find: string): Promise<Found> =>
  store.search(wordsOf(find))

/** The words of what is looked for. */
export const wordsOf = (find: string): readonly string[] =>
  find.split(/\s+/).filter((word) => word !== '')
