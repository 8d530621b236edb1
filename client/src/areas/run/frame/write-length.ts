import { formatLength, typographic, type Nanometres, type Solution } from '@pine/core'

/** Writes lengths the way this set-up's control shows them, for the eye. */
export const lengthWriter =
  ({ unit, decimals }: Pick<Solution, 'unit' | 'decimals'>) =>
  (nm: Nanometres): string =>
    typographic(formatLength(nm, unit, decimals))
