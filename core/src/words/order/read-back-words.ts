import { addressParts, axisOfAddress, type Address } from '../../address/address'
import { NANOMETRES_PER, toNanometres, type Nanometres } from '../../length/length'
import type { ControlProfile } from '../../sheet/machine'

/**
 * What a wrong register would do, in the direction that matters: deeper or higher for lengths and
 * Z, to which side for X and Y, into the wall or off it for diameters.
 *
 * @param error shown − expected, as the register holds it: a control that subtracts its lengths goes deeper
 *   by one that is too large, and a D row may hold the radius.
 */
export function describeReadBackError(
  address: Address,
  error: Nanometres,
  write: (nm: Nanometres) => string,
  control: Pick<ControlProfile, 'lengthSign' | 'diameterRegister'>,
): string {
  const isLength = addressParts(address)?.of === 'length'
  if (addressParts(address)?.of === 'diameter') return describeDiameterError(error, write, control)
  const axis = axisOfAddress(address)
  const amount = write(toNanometres(Math.abs(error)))
  if (axis === 'X')
    return `As keyed, everything is cut ${amount} too far to the ${error > 0 ? 'right' : 'left'}.`
  if (axis === 'Y')
    return `As keyed, everything is cut ${amount} too far to the ${error > 0 ? 'back' : 'front'}.`
  const who = isLength ? 'this tool' : 'every tool'
  const raises = isLength && control.lengthSign === 'subtracted' ? error < 0 : error > 0
  return raises
    ? `As keyed, ${who} stops ${amount} above where it should and cuts air.`
    : `As keyed, ${who} goes ${amount} too deep${Math.abs(error) >= CRASHES ? ': it would crash into the part' : ''}.`
}

/** Less than this into the part spoils it, and breaks nothing. Common practice, no source. */
const CRASHES = 0.5 * NANOMETRES_PER.mm

/** With compensation the path keeps off the wall by the radius that the D row stands for. */
function describeDiameterError(
  error: Nanometres,
  write: (nm: Nanometres) => string,
  { diameterRegister }: Pick<ControlProfile, 'diameterRegister'>,
): string {
  const offWall = diameterRegister === 'radius' ? Math.abs(error) : Math.abs(error) / 2
  const amount = write(toNanometres(offWall))
  return error > 0
    ? `As keyed, every wall cut with compensation is left ${amount} too thick.`
    : `As keyed, every wall cut with compensation is cut ${amount} too deep.`
}
