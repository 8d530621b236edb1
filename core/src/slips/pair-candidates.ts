import { valueOf } from '../chain/chain'
import { toNanometres } from '../length/length'
import { partCandidates } from './chain-candidates'
import type { Comparison, Explanation } from './slip'

/**
 * Two slips at once: two terms that were forgotten or turned, or one of them with the sign of the whole number lost on
 * top. In the order in which the single slips are named, so that the simplest pair comes first.
 */
export function pairCandidates(comparison: Comparison): readonly Explanation[] {
  const { chain, kind } = comparison
  const right = chain && kind !== 'size' ? valueOf(chain) : comparison.expected
  const parts = partCandidates(comparison)
  const turned = parts.map((part): Explanation => ({
    ...part,
    gives: toNanometres(-part.gives),
    and: { code: 'sign-turned' },
  }))
  const both = parts.flatMap((first, index) =>
    parts
      .slice(index + 1)
      .filter((second) => !(first.code === second.code && first.about === second.about))
      .map((second): Explanation => ({
        ...first,
        gives: toNanometres(first.gives + second.gives - right),
        and: { code: second.code, ...(second.about !== undefined && { about: second.about }) },
      })),
  )
  return [...turned, ...both]
}
