import type { Gauge } from '../sheet/gauge'
import type { MachineAxis } from '../address/row'
import { GAUGE_FACTS } from '../touch/gauge-kinds'
import { formatLength, roundToDisplay } from '../length/format-length'
import { toNanometres, type Nanometres } from '../length/length'
import { readLength } from '../length/read-length'
import { chainCandidates } from './chain-candidates'
import { digitCandidates } from './digit-candidates'
import { pairCandidates } from './pair-candidates'
import { registerCandidates } from './register-candidates'
import { SLIP_CODES, type Comparison, type Explanation, type KnownSize } from './slip'

/**
 * What each gauge counts along an axis, of those that serve it and whose size can be read: half of a
 * tip's diameter in X and Y, the whole of a setter in Z.
 */
export function knownSizes(
  gauges: readonly Pick<Gauge, 'kind' | 'name' | 'size' | 'wall'>[],
  axis: MachineAxis,
): readonly KnownSize[] {
  return gauges.flatMap(({ kind, name, size, wall }) => {
    const { shareInZ, shareInXY, countsInXY } = GAUGE_FACTS[kind]
    const share = axis === 'Z' ? shareInZ : shareInXY
    const written = axis !== 'Z' && countsInXY === 'wall' ? wall : size
    const read = written && readLength(written)
    return read?.ok && share ? [{ name, nm: toNanometres(share * read.value.nm) }] : []
  })
}

/**
 * Every slip that turns what was expected into what was observed, simplest first; pairs of slips where no single one
 * does.
 *
 * It never corrects: it names what to look at. An empty list means that nothing is wrong, or that
 * no slip or pair of these kinds fits. Causes that give the very same number cannot be told apart
 * by it: see groupTies.
 */
export function explain(comparison: Comparison): readonly Explanation[] {
  const { expected, observed, unit, decimals, within = 0 } = comparison
  const shown = (nm: Nanometres) => roundToDisplay(nm, unit, decimals)
  const same = (a: Nanometres, b: Nanometres) => Math.abs(shown(a) - shown(b)) <= within
  if (same(expected, observed)) return []
  const fitting = (candidates: readonly Explanation[]) =>
    candidates.filter(({ gives }) => same(gives, observed) && !same(gives, expected))
  const fits = fitting([
    ...registerCandidates(comparison),
    ...chainCandidates(comparison),
    ...digitCandidates(formatLength(expected, unit, decimals), unit),
  ])
  if (fits.length === 0) return fitting(pairCandidates(comparison)).slice(0, MOST_PAIRS)
  return SLIP_CODES.flatMap((code) => fits.filter((fit) => fit.code === code).slice(0, 1))
}

/** Pairs explain much: more than a few of them explain nothing. */
const MOST_PAIRS = 3

/**
 * Puts causes that give exactly the same number into one group: nothing in the number can tell
 * them apart, so they are shown side by side and not guessed between.
 */
export function groupTies(
  explanations: readonly Explanation[],
): readonly (readonly Explanation[])[] {
  const groups: Explanation[][] = []
  for (const explanation of explanations) {
    const tie = groups.find(([first]) => first?.gives === explanation.gives)
    if (tie === undefined) groups.push([explanation])
    else tie.push(explanation)
  }
  return groups
}
