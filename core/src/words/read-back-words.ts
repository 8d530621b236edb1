import { toNanometres, type Nanometres } from '../length/length'

/**
 * What a wrong register would do, in the direction that matters: deeper or higher for lengths and
 * Z, to which side for X and Y.
 *
 * @param error shown − expected.
 */
export function describeReadBackError(
  address: string,
  error: Nanometres,
  write: (nm: Nanometres) => string,
): string {
  const amount = write(toNanometres(Math.abs(error)))
  if (address.endsWith('.X'))
    return `As keyed, everything is cut ${amount} too far to the ${error > 0 ? 'right' : 'left'}.`
  if (address.endsWith('.Y'))
    return `As keyed, everything is cut ${amount} too far to the ${error > 0 ? 'back' : 'front'}.`
  const who = address.startsWith('H') ? 'this tool' : 'every tool'
  return error > 0
    ? `As keyed, ${who} stops ${amount} above where it should and cuts air.`
    : `As keyed, ${who} goes ${amount} too deep: it would crash into the part.`
}
