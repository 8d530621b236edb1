import { coverage, COVERAGE_WAYS } from './model/coverage'
import { Chance, trials } from './random'

// The stated 95 % interval is k = 2 (95.45 %) or a t quantile. Of 120 cases 95.4 % ± 1.9 % hold it (one standard
// deviation of a binomial share); four of those are left below, and above all of them. bench/core/coverage.ts makes 3,000
// of each.
const CASES = 120
const LEAST = 0.878
const MOST = 0.999

test.each(COVERAGE_WAYS.map((way) => [way.name, way] as const))(
  '%s: the stated interval holds the true number as often as it says',
  (_, way) => {
    // Five repeats of every touch are five times the work.
    const cases = trials(way.repeats === undefined ? CASES : CASES / 2)
    const share = coverage(way, cases, new Chance(COVERAGE_WAYS.indexOf(way) + 1)) / cases
    // A few cases tell nothing about a share: then only a gross fault is found.
    const few = trials(CASES) < CASES
    expect(share).toBeGreaterThan(few ? 0.6 : LEAST)
    expect(share).toBeLessThan(few ? 1.01 : MOST)
  },
)
