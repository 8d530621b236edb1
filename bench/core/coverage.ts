import { coverage, COVERAGE_WAYS } from '../../core/test/model/coverage'
import { Chance } from '../../core/test/random'

// How often the stated 95 % interval of a register holds the true number: an independent physical model, readings that
// scatter by the declared repeatability, gauges by their uncertainty (core/test/model/coverage.ts).
// Run: npx tsx bench/core/coverage.ts [CASES]

const cases = Number(process.argv[2] ?? 3000)
const lines = COVERAGE_WAYS.map((way, index) => {
  const held = coverage(way, cases, new Chance(2026 + index))
  return `| ${way.name} | ${way.address} | ${((100 * held) / cases).toFixed(1)} % |`
})
process.stdout.write(
  [
    `${cases} cases of each; the aim is 93 to 98 %.`,
    '',
    '| register and way | address | held |',
    '| --- | --- | ---: |',
    ...lines,
    '',
  ].join('\n'),
)
