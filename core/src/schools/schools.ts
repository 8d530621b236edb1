import { subtractChains, sumChains, type Chain } from '../chain/chain'

/** What the length register holds. See docs/method.md and domain.md §3. */
export const SCHOOLS = ['setting-plane', 'gauge-line'] as const

export type School = (typeof SCHOOLS)[number]

/**
 * What the tool length register holds, so that with G43 the tip stands at work position
 * Zp when the machine stands at WCS.z + H + Zp.
 *
 * @param tipOnPlane machine Z at which the bare tip would touch the setting plane (S + L).
 * @param noseOnPlane machine Z at which the bare nose would touch it (S); gauge line only.
 * @returns S + L for the setting plane, L for the gauge line; undefined while a touch is missing.
 */
export function lengthRegister(
  school: School,
  tipOnPlane: Chain | undefined,
  noseOnPlane: Chain | undefined,
): Chain | undefined {
  if (tipOnPlane === undefined) return undefined
  if (school === 'setting-plane') return tipOnPlane
  return noseOnPlane === undefined ? undefined : subtractChains(tipOnPlane, noseOnPlane)
}

/**
 * What Z of the work offset holds.
 *
 * @param zeroAbovePlane program zero above the setting plane (P − S), minus when it lies lower.
 * @param noseOnPlane machine Z at which the bare nose would touch the setting plane (S).
 * @param noseOnZero machine Z at which the bare nose would touch program zero (P).
 * @returns P − S for the setting plane, P for the gauge line; undefined while a touch is missing.
 *   Only the side that is known directly need be given: the other follows from S.
 */
export function workOffsetZ(
  school: School,
  known: {
    readonly zeroAbovePlane?: Chain
    readonly noseOnPlane?: Chain
    readonly noseOnZero?: Chain
  },
): Chain | undefined {
  const { zeroAbovePlane, noseOnPlane, noseOnZero } = known
  if (school === 'setting-plane') {
    if (zeroAbovePlane !== undefined) return zeroAbovePlane
    return noseOnZero && noseOnPlane && subtractChains(noseOnZero, noseOnPlane)
  }
  if (noseOnZero !== undefined) return noseOnZero
  return zeroAbovePlane && noseOnPlane && sumChains(noseOnPlane, zeroAbovePlane)
}
