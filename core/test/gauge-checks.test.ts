import { gaugeStanding, type GaugeCheck } from '../src/shop'
import {
  describeCheckFault,
  describeGaugeStanding,
  describeInterval,
  describeOff,
} from '../src/words'
import { mm } from './worked-example'

/** A week apart, from the first of January on. */
const weekly = (...reads: readonly string[]): readonly GaugeCheck[] =>
  reads.map((read, week) => ({
    id: `check ${week}`,
    at: new Date(Date.UTC(2026, 0, 1 + 7 * week, 9)).toISOString(),
    read: mm(read),
    master: mm('50.000'),
  }))
const NOW = '2026-02-01T12:00:00.000Z'
const stands = (checks: readonly GaugeCheck[], everyDays?: number) =>
  gaugeStanding(checks, mm('0.010'), NOW, everyDays)

test('a gauge that was never checked is due, and nothing is suspect by it', () => {
  const standing = stands([])
  expect(standing).toMatchObject({ checks: [], isDue: true })
  expect(standing).not.toHaveProperty('dueOn')
  expect(standing).not.toHaveProperty('suspectSince')
  expect(describeGaugeStanding(standing)).toBe('Never checked: read it against its own master.')
})

test('how far off it was, and by when it is to be checked again', () => {
  const two = weekly('50.001', '49.998')
  expect(stands(two, 10).checks.map(({ offMm }) => offMm)).toEqual([
    expect.closeTo(0.001, 12),
    expect.closeTo(-0.002, 12),
  ])
  // Ten days after the second one, whatever a month would allow.
  expect(stands(two, 10)).toMatchObject({ dueOn: '2026-01-18', isDue: true })
  expect(describeGaugeStanding(stands(two, 10))).toBe('Check due since 18 Jan 2026.')
  expect(stands(two)).toMatchObject({ dueOn: '2026-02-07', isDue: false })
  expect(describeGaugeStanding(stands(two))).toBe('In tolerance. Next check 7 Feb 2026.')
  // On the day itself it is due.
  expect(stands(two, 24)).toMatchObject({ dueOn: '2026-02-01', isDue: true })
})

test('a tolerance that cannot be read calls no check good', () => {
  for (const limit of ['wide', '0', '-0.010', ''])
    expect(
      gaugeStanding(weekly('50.001'), mm(limit), NOW).checks.map(({ isGood }) => isGood),
    ).toEqual([false])
})

test('more than it may be off: suspect since the last good check, due at once, until it is good again', () => {
  const bad = stands(weekly('50.001', '50.002', '50.011', '50.012'))
  expect(bad.suspectSince).toBe('2026-01-08T09:00:00.000Z')
  expect(bad).toMatchObject({ dueOn: '2026-01-22', isDue: true })
  expect(describeGaugeStanding(bad)).toMatch(/since 8 Jan 2026 is suspect/)
  expect(bad.checks.map(describeCheckFault)).toEqual([
    undefined,
    undefined,
    'outside its tolerance',
    'outside its tolerance',
  ])
  expect(stands(weekly('50.001', '50.011', '50.001'))).not.toHaveProperty('suspectSince')
  // Just as far as it may be is good.
  expect(stands(weekly('50.010'))).not.toHaveProperty('suspectSince')
  const never = stands(weekly('50.011'))
  expect(never.suspectSince).toBeNull()
  expect(describeGaugeStanding(never)).toMatch(/^It was never good/)
})

test('within its limit, and not chance any more: by the chart of its first ten checks', () => {
  const first = ['50.000', '50.001', '50.000', '50.001', '50.000', '50.001', '50.000', '50.001']
  const ten = [...first, '50.000', '50.001']
  expect(stands(weekly(...ten))).not.toHaveProperty('suspectSince')
  const out = stands(weekly(...ten, '50.006'))
  expect(out.checks.at(-1)).toMatchObject({ signals: ['beyond-limit'], isGood: false })
  expect(describeCheckFault(out.checks.at(-1)!)).toBe('further off than its first checks scatter')
  // While the chart is being made, the limit alone counts.
  expect(stands(weekly(...first, '50.006'))).not.toHaveProperty('suspectSince')
})

test('a check that cannot be read is passed over', () => {
  expect(stands(weekly('50.001', 'x', '50.002')).checks).toHaveLength(2)
})

test('how far off, with its sign, in the unit of the gauge', () => {
  expect(describeOff(0.004, 'mm')).toBe('+0.004 mm')
  expect(describeOff(-0.004, 'mm')).toBe('−0.004 mm')
  expect(describeOff(0, 'mm')).toBe('0.000 mm')
  expect(describeOff(0.0001, 'mm')).toBe('0.000 mm')
  expect(describeOff(0.00508, 'in')).toBe('+0.0002 in')
})

test('how often, and why, in words', () => {
  const trend = { slope: 0.001 / 7, slopeUncertainty: 0, scatter: 0, at: () => 0 }
  const said = (
    days: number,
    because: 'drift' | 'scatter' | 'longest' | 'too-few',
    most?: number,
  ) => describeInterval({ days, because, trend }, 0.01, 'mm', most)
  expect(said(35, 'drift')).toBe(
    'Checked every 5 weeks it stays within 0.010 mm: it drifts by 0.0010 mm a week.',
  )
  expect(said(13, 'drift')).toMatch(/^Checked every 13 days/)
  expect(said(14, 'drift')).toMatch(/^Checked every 2 weeks/)
  expect(said(1, 'scatter')).toBe(
    'Checked every day it stays within 0.010 mm: its checks scatter, and show no drift.',
  )
  expect(said(0, 'drift')).toMatch(/^It may be out of its limit already/)
  expect(said(365, 'longest')).toBe('It hardly moves: once a year keeps it within 0.010 mm.')
  expect(said(30, 'too-few')).toMatch(/^Fewer than four checks: once a month/)
  expect(said(35, 'drift', 28)).toMatch(/a week\. The shop checks it every 4 weeks\.$/)
  expect(said(35, 'drift', 90)).not.toContain('The shop')
})
