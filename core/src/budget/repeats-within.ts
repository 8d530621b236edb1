import { budgetOf } from './budget'
import type { Chain } from '../chain/chain'
import { NANOMETRES_PER, toNanometres, type Nanometres } from '../length/length'

/** A tool that was not taken from its holder repeats within this under hand pressure (common practice, no source). */
const REPEATS_WITHIN_MM = 0.025

/** What a length that is measured again may differ by: what such a tool repeats within, or how surely it was measured. */
export const repeatsWithin = (chain: Chain): Nanometres =>
  toNanometres(Math.max(REPEATS_WITHIN_MM, budgetOf(chain).expandedMm) * NANOMETRES_PER.mm)
