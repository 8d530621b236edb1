import type { SetupDocument } from '../facts/document'
import { solve } from '../solve/solve'
import type { Solution } from '../solve/solution'

/** What was in force when home was lost last; undefined where it was not. What happened since counts as well. */
export function inForceAtLoss(document: SetupDocument): Solution | undefined {
  const lost = document.events.findLast(({ kind }) => kind === 'home-lost')
  if (lost === undefined) return undefined
  return solve({ ...document, events: document.events.filter((event) => event !== lost) })
}
