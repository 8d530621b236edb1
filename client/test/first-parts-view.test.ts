import { firstPartsView } from '@/areas/first-parts/first-parts-view'

const mm = (text: string) => ({ text, unit: 'mm' }) as const
const instrument = { name: 'micrometer', repeatability: mm('0.003'), uncertainty: mm('0.002') }
const part = (setup: string, at: string, measured: string) => ({
  ...{ setup, at, by: 'Mira Toller' },
  measured: [
    {
      ...{ feature: 'outside-width' as const, tool: 3, nominal: mm('50'), measured: mm(measured) },
      ...{ tolerance: { upper: mm('0.02'), lower: mm('-0.01') }, instrument },
    },
  ],
})

test('a feature over three repeats: its rows the youngest first, its curve between its limits', () => {
  const [card, ...others] = firstPartsView(
    [
      part('a', '2026-01-05T10:00:00Z', '50.005'),
      part('b', '2026-02-05T10:00:00Z', '50.008'),
      part('c', '2026-03-05T10:00:00Z', '50.040'),
    ],
    'mm',
    3,
  )
  expect(others).toEqual([])
  expect(card?.name).toBe('width outside 50 mm, T3')
  expect(card?.rows.map(({ words, isWrong }) => [words, isWrong])).toEqual([
    ['Not fit · +0.040 ± 0.007 in −0.010 to +0.020 mm', true],
    ['Fit · +0.008 ± 0.007 in −0.010 to +0.020 mm', false],
    ['Fit · +0.005 ± 0.007 in −0.010 to +0.020 mm', false],
  ])
  expect(card?.chart).toMatchObject({
    limits: { lower: -0.01, upper: 0.02 },
    points: [{ on: '01-05', off: 0.005 }, { off: 0.008 }, { on: '03-05', off: 0.04 }],
    text: '3 times measured, 1 of them not fit.',
  })
  expect(card?.chart?.reach).toBeCloseTo(1.15 * 0.04, 9)
})

test('in inches the curve is in inches; once measured there is none', () => {
  const [card] = firstPartsView([part('a', '2026-01-05T10:00:00Z', '50.0127')], 'in', 4)
  expect(card?.rows[0]?.words).toBe('Fit · +0.0005 ± 0.0003 in −0.0004 to +0.0008 in')
  expect(card?.chart).toBeUndefined()
  const [two] = firstPartsView(
    ['50.0127', '50.0254'].map((text, at) => part('a', `2026-01-0${at + 1}T10:00:00Z`, text)),
    'in',
    4,
  )
  expect(two?.chart?.points.map(({ off }) => off)).toEqual([0.0005, 0.001])
})
