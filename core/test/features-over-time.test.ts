import { featuresOverTime } from '../src/shop'
import type { Measured } from '../src/facts'
import { mm } from './worked-example'

// A job's parts, repeat after repeat. The chart's limits are those of NIST/SEMATECH 6.3.2.2, checked in control-chart.test.ts.

const width = (measured: string, tool = 1): Measured => ({
  ...{ feature: 'outside-width', tool, nominal: mm('50') },
  measured: mm(measured),
})
const part = (setup: string, ...measured: readonly Measured[]) => ({
  ...{ setup, at: '2026-01-01T10:00:00Z', by: 'Mira Toller', measured },
})

test('a feature is one kind, one nominal, one tool; its points lie in the order in which they came', () => {
  const features = featuresOverTime([
    part('a', width('50.01'), width('50.02', 2)),
    part('b', { ...width('50.03'), nominal: mm('50.000') }),
    part('c', { ...width('50.00'), feature: 'inside-width' }, width('half')),
    part('d', width('49.99')),
  ])
  expect(features.map(({ last, points }) => [last.feature, last.tool, points.length])).toEqual([
    ['outside-width', 1, 3],
    ['outside-width', 2, 1],
    ['inside-width', 1, 1],
  ])
  expect(features[0]?.points.map(({ setup, judged }) => [setup, judged.deviation])).toEqual([
    ['a', 10_000],
    ['b', 30_000],
    ['d', -10_000],
  ])
  // Two widths of one nominal by one tool are two features where the drawing names them.
  const named = featuresOverTime([part('a', { ...width('50.01'), name: 'left' }, width('50.02'))])
  expect(named.map(({ last }) => last.name)).toEqual(['left', undefined])
  // Mean of 0.01, 0.03, −0.01; moving ranges 0.02 and 0.04: 3 · 0.03 / 1.128 to either side.
  expect(features[0]?.chart?.mean).toBeCloseTo(0.01, 12)
  expect(features[0]?.chart?.upper).toBeCloseTo(0.01 + (3 * 0.03) / 1.128, 12)
  expect(features[1]?.chart).toBeUndefined()
})
