import { coverage, COVERAGE_WAYS } from './model/coverage'
import { Chance } from './random'

// The stated 95 % interval is k = 2 (95.45 %) or a t quantile. Of 500 cases 95.4 % ± 0.93 % hold it (one standard
// deviation of a binomial share); four of those are left on either side. bench/coverage.ts makes 3,000 of each.
const CASES = 500
const LEAST = 0.917
const MOST = 0.988

test.each(COVERAGE_WAYS.map((way) => [way.name, way] as const))(
  '%s: the stated interval holds the true number as often as it says',
  (_, way) => {
    const share = coverage(way, CASES, new Chance(COVERAGE_WAYS.indexOf(way) + 1)) / CASES
    expect(share).toBeGreaterThan(LEAST)
    expect(share).toBeLessThan(MOST)
  },
)
