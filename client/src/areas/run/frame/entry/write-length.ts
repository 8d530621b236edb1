import { formatLength, type Nanometres } from '@pine/core/length'
import { type Solution } from '@pine/core/solve'
import { typographic } from '@pine/core/words'

/** Writes lengths the way this set-up's control shows them, for the eye. */
export const lengthWriter =
  ({ unit, decimals }: Pick<Solution, 'unit' | 'decimals'>) =>
  (nm: Nanometres): string =>
    typographic(formatLength(nm, unit, decimals))
