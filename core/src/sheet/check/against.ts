import type { Face } from '../../touch/touch'
import { STAYS_PUT, type SetupSheet, type StaysPut } from '../sheet'

/** What a face of the first part lies against, of what stays on the machine; undefined where it is free, or nobody said. */
export const liesAgainst = (
  { holding }: Pick<SetupSheet, 'holding'>,
  face: Face,
): StaysPut | undefined => STAYS_PUT.find((one) => holding?.against?.[one] === face)
