import type { Source } from '../chain/chain'
import { declaredUncertainty } from '../budget/source-uncertainty'
import type { WrittenLength } from '../length/length'
import type { ReadLength } from '../length/read-length'

/** A number that was declared on the sheet, as sure as it was declared to be. */
export function declaredSource(
  id: string,
  kind: 'drawing' | 'declared',
  name: string,
  length: ReadLength,
  uncertainty: WrittenLength | undefined,
): Source {
  const known = declaredUncertainty(uncertainty)
  return { id, kind, name, length, ...(known && { uncertainty: known }) }
}
