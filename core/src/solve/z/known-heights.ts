import { hasUnknown, subtractChains, type Chain } from '../../chain/chain'
import type { Heights } from '../solution'

/**
 * The heights that pictures and warnings may draw: without those that are counted from a zero that nobody knows. A tip stays where it stands on
 * the same counter as the nose.
 */
export function knownHeights(heights: Heights): Heights {
  const { noseOnPlane } = heights
  const standsBesideNose = (chain: Chain) =>
    !hasUnknown(noseOnPlane === undefined ? chain : subtractChains(chain, noseOnPlane))
  const isKnown = (chain: Chain) => !hasUnknown(chain)
  return {
    ...heights,
    tipOnPlane: only(heights.tipOnPlane, standsBesideNose),
    partTop: only(heights.partTop, isKnown),
    zero: only(heights.zero, isKnown),
  }
}

const only = <Known extends object>(heights: Known, isMeant: (chain: Chain) => boolean): Known =>
  Object.fromEntries(
    Object.entries(heights).filter(([, chain]) => isMeant(chain as Chain)),
  ) as Known
