import { subtractChains, sumChains, scaleChain, type Chain } from '../chain/chain'

/** The four sides of a part as seen from above, X to the right and Y away from the person. */
export const FACES = ['left', 'right', 'front', 'back'] as const

export type Face = (typeof FACES)[number]

export type PlanAxis = 'X' | 'Y'

export const WAYS = ['+', '-'] as const

/** The way an axis moved last: towards plus or towards minus. */
export type Way = (typeof WAYS)[number]

export const SIDES = ['outside', 'inside'] as const

/** A face of the part's outside, or a wall of a slot or pocket. */
export type Side = (typeof SIDES)[number]

/**
 * The axis that a face is touched along.
 *
 * @example axisOfFace('front') // 'Y'
 */
export const axisOfFace = (face: Face): PlanAxis =>
  face === 'left' || face === 'right' ? 'X' : 'Y'

/** The faces of an axis, the one with the smaller coordinate first. */
export const FACES_OF_AXIS: Readonly<Record<PlanAxis, readonly [Face, Face]>> = {
  X: ['left', 'right'],
  Y: ['front', 'back'],
}

/**
 * The direction in which the tool moves into a face: +1 or −1 along its axis (ISO 841: of the tool
 * relative to the part). From outside the left and front faces are met moving +; inside a slot the
 * left and front walls are met moving −. The person names the face, so nobody types this sign.
 *
 * @example approachDirection('left', 'outside') // 1
 */
export function approachDirection(face: Face, side: Side): 1 | -1 {
  const lower = face === 'left' || face === 'front'
  return lower === (side === 'outside') ? 1 : -1
}

/**
 * Where the plane under a Z touch lies: contact position − gauge.
 *
 * @param contact machine Z at contact, of the nose or of a tip.
 * @param gauge everything that lay between, as one chain (a setter on a block counts as both).
 * @returns machine Z at which the same nose or tip would stand with nothing between.
 */
export function planeUnder(contact: Chain, gauge: Chain): Chain {
  return subtractChains(contact, gauge)
}

/**
 * Where a vertical face lies: face = Xm + s · (r + t).
 *
 * @param contact machine X or Y of the spindle axis at contact.
 * @param standOff r + t: from the spindle axis to the face (half the tip diameter, plus any wall).
 * @param direction +1 when the tool moved towards + into the face.
 * @returns machine position of the face.
 */
export function faceBeyond(contact: Chain, standOff: Chain, direction: 1 | -1): Chain {
  return sumChains(contact, scaleChain(standOff, direction))
}
