import { meanOfChains, type Chain } from '../../chain/chain'

/** Undefined when there is none, or when one of them could not be used. */
export function meanOfKnown(chains: readonly (Chain | undefined)[]): Chain | undefined {
  const usable = chains.filter((chain) => chain !== undefined)
  return usable.length === 0 || usable.length < chains.length ? undefined : meanOfChains(usable)
}
