import { coverage, COVERAGE_WAYS } from './model/coverage'
import { Chance, trials } from './random'

// The stated 95 % interval is k = 2 (95.45 %) or a t quantile. Of 300 cases 95.4 % ± 1.2 % hold it (one standard
// deviation of a binomial share); four of those are left below, and above all but one case. bench/coverage.ts makes 3,000
// of each.
const CASES = 300
const LEAST = 0.906
const MOST = 0.997

test.each(COVERAGE_WAYS.map((way) => [way.name, way] as const))(
  '%s: the stated interval holds the true number as often as it says',
  (_, way) => {
    const cases = trials(CASES)
    const share = coverage(way, cases, new Chance(COVERAGE_WAYS.indexOf(way) + 1)) / cases
    // A few cases tell nothing about a share: then only a gross fault is found.
    const few = cases < CASES
    expect(share).toBeGreaterThan(few ? 0.6 : LEAST)
    expect(share).toBeLessThan(few ? 1.01 : MOST)
  },
)
