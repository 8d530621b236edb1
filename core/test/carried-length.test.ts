import {
  carriedLength,
  noseDifferences,
  type MeasuredTool,
  type NoseDifference,
  type ShopEvent,
} from '../src/shop'
import { describeCarried } from '../src/words'
import { Chance, trials } from './random'
import { mm } from './worked-example'

// A length that was measured on one machine as it counts on another: the same where a face seats the holder, and with the
// difference of their noses where other tools were measured on both.

type Use = MeasuredTool['uses'][number]

const day = (number: number) => `2026-03-${String(number).padStart(2, '0')}T08:00:00Z`
const NOW = { now: day(20) }

/** Nose and tip were touched there; with which numbers is told by the length. */
const TOUCHED = (['nose-on-plane', 'tip-on-plane'] as const).map(
  (of) => ({ of, tool: 1 }) as unknown as Use['touches'][number],
)

const usedOn = (machine: string, at: number, length?: string, changes: Partial<Use> = {}): Use => ({
  ...{ setup: `s${at}`, name: `job ${at}`, machine, number: 1, plane: 'table' },
  touches: TOUCHED,
  ...{ gauges: [], at: day(at) },
  ...(length !== undefined && { length: mm(length), lengthWithinMm: 0.01 }),
  ...changes,
})

const tool = (uses: readonly Use[], changes: Partial<MeasuredTool> = {}): MeasuredTool => ({
  ...{ uses, events: [], seat: 'taper' },
  ...changes,
})

const changed = (at: number): ShopEvent => ({ what: 'tool-changed', at: day(at), name: 'dropped' })
const none: ReadonlyMap<string, NoseDifference> = new Map()

describe('how two machines differ', () => {
  const both = (first: string, second: string, changes: Partial<MeasuredTool> = {}) =>
    tool([usedOn('B', 5, second), usedOn('A', 3, first)], changes)

  test('is the mean of what their common tools differ by, never surer than the touches of it', () => {
    const noses = noseDifferences('B', [
      both('80', '80.05'),
      both('90', '90.07'),
      both('70', '70.06'),
    ])
    expect([...noses.keys()]).toEqual(['A'])
    const nose = noses.get('A')
    expect(nose?.mm).toBeCloseTo(0.06, 9)
    expect(nose?.tools).toBe(3)
    // They scatter by 0.010; the touches and seats of one difference by √(2 (0.01 / 1.96)² + 2 × 0.005²), which is 0.0101.
    const expected = Math.hypot(Math.SQRT2 * (0.01 / 1.96), Math.SQRT2 * 0.005)
    expect(nose?.standardMm).toBeCloseTo(expected / Math.sqrt(3), 6)
    // From the other side it is the opposite.
    expect(
      noseDifferences('A', [both('80', '80.05'), both('90', '90.07')]).get('B')?.mm,
    ).toBeCloseTo(-0.06, 9)
  })

  test('scatter that is wider than the touches counts as it is', () => {
    const wide = noseDifferences('B', [both('80', '80.0'), both('90', '90.2')]).get('A')
    expect(wide?.standardMm).toBeCloseTo((Math.SQRT2 * 0.1) / Math.SQRT2, 9)
  })

  test('is told by no single tool, and by none that was changed in between', () => {
    const two = (changes: Partial<MeasuredTool>) =>
      noseDifferences('B', [both('80', '80.05'), both('90', '90.07', changes)]).has('A')
    expect(two({})).toBe(true)
    expect(two({ events: [changed(4)] })).toBe(false)
    expect(two({ events: [changed(2)] })).toBe(true)
    expect(two({ events: [changed(6)] })).toBe(true)
    expect(two({ events: [{ ...changed(4), what: 'plane-moved' }] })).toBe(true)
    expect(
      two({ uses: [usedOn('B', 5, '90.07', { changedAt: day(4) }), usedOn('A', 3, '90')] }),
    ).toBe(false)
    expect(two({ uses: [usedOn('B', 5), usedOn('A', 3, '90')] })).toBe(false)
    expect(noseDifferences('B', [both('80', '80.05')]).size).toBe(0)
  })

  test('is told by no length that was declared, nor by one beside it: that would vouch for itself', () => {
    const untouched = (wanted: string) => TOUCHED.filter(({ of }) => of !== wanted)
    for (const touches of [untouched('nose-on-plane'), untouched('tip-on-plane')]) {
      const uses = [usedOn('B', 5, '90.07', { touches }), usedOn('A', 3, '90')]
      expect(noseDifferences('B', [both('80', '80.05'), tool(uses)]).size).toBe(0)
      const nose = new Map([['A', { mm: 0.05, standardMm: 0.006, tools: 2 }]])
      expect(carriedLength(tool(uses), 'B', nose, NOW)).toMatchObject({
        ...{ because: 'measured-on-both', length: mm('90.050'), from: { name: 'job 3' } },
      })
      // A change in it is one all the same.
      const changedThere = [usedOn('B', 5, '90.07', { touches, changedAt: day(5) }), uses[1]!]
      expect(carriedLength(tool(changedThere), 'B', nose, NOW)).toBeUndefined()
    }
  })

  test('is taken from the last time on each', () => {
    const again = tool([
      usedOn('B', 9, '80.05'),
      usedOn('A', 8, '80'),
      usedOn('B', 7, '81'),
      usedOn('A', 6, '79'),
    ])
    expect(noseDifferences('B', [again, again]).get('A')?.mm).toBeCloseTo(0.05, 9)
  })
})

describe('a length', () => {
  const nose = new Map([['A', { mm: 0.052, standardMm: 0.006, tools: 3 }]])

  test('of a taper counts elsewhere with the difference of the noses, and not without it', () => {
    const known = tool([usedOn('A', 3, '101.237')])
    expect(carriedLength(known, 'B', none, NOW)).toBeUndefined()
    const carried = carriedLength(known, 'B', nose, NOW)
    expect(carried?.length).toEqual(mm('101.289'))
    expect(carried?.because).toBe('measured-on-both')
    expect(Number(carried?.uncertainty.text)).toBeCloseTo(
      Math.hypot(0.01 / 1.96, Math.SQRT2 * 0.005, 0.006),
      4,
    )
    expect(carried && describeCarried(carried, 'Mill 1')).toBe(
      'Measured in “job 3” on 3 Mar 2026 on Mill 1. Here it is 101.289 ±0.021 mm: 3 tools that were measured on both are 0.052 mm longer here.',
    )
    const shorter = new Map([['A', { mm: -0.052, standardMm: 0.006, tools: 2 }]])
    const other = carriedLength(known, 'B', shorter, NOW)
    expect(other?.length).toEqual(mm('101.185'))
    expect(other && describeCarried(other, 'Mill 1')).toContain('are 0.052 mm shorter here')
  })

  test('of a holder that a face seats is the same on any nose', () => {
    const known = tool([usedOn('A', 3, '101.237')], { seat: 'register-face' })
    const carried = carriedLength(known, 'B', none, NOW)
    expect(carried).toMatchObject({ length: mm('101.237'), because: 'face' })
    expect(carried && describeCarried(carried, 'Mill 1')).toBe(
      'Measured in “job 3” on 3 Mar 2026 on Mill 1. Its face seats it against this nose as well: 101.237 ±0.012 mm.',
    )
    // Nobody has said how it seats: it is no face.
    expect(carriedLength(tool(known.uses, { seat: undefined }), 'B', none, NOW)).toBeUndefined()
  })

  test('that was measured on this machine on another plane is what it was', () => {
    const carried = carriedLength(tool([usedOn('B', 3, '101.237')]), 'B', nose, NOW)
    expect(carried).toMatchObject({ length: mm('101.237'), because: 'same-machine' })
    expect(carried && describeCarried(carried, 'Mill 2')).toBe(
      'Measured in “job 3” on 3 Mar 2026, on the table. Nose to tip it is 101.237 ±0.017 mm, whatever plane the others are touched on.',
    )
  })

  test('falls with the tool, with its age, and where no set-up knows the nose or the machine', () => {
    const uses = [usedOn('A', 3, '80')]
    const face = (changes: Partial<MeasuredTool>, days?: number) =>
      carriedLength(tool(uses, { seat: 'register-face', ...changes }), 'B', none, {
        ...NOW,
        ...(days !== undefined && { maxAgeDays: days }),
      })
    expect(face({})).toBeDefined()
    expect(face({ events: [changed(4)] })).toBeUndefined()
    expect(face({ uses: [usedOn('A', 3)] })).toBeUndefined()
    expect(face({ uses: [usedOn('A', 3, '80', { machine: undefined as never })] })).toBeUndefined()
    expect(face({}, 17)).toBeDefined()
    expect(face({}, 16)).toBeUndefined()
  })

  test('in inches stays in inches', () => {
    const inches = usedOn('A', 3, '0', {
      length: { text: '3.1500', unit: 'in' },
      lengthWithinMm: 0.01,
    })
    expect(carriedLength(tool([inches]), 'B', nose, NOW)?.length).toEqual({
      text: '3.1520',
      unit: 'in',
    })
  })
})

test('what it is told to be here is within its interval, 93 to 99 times of a hundred', () => {
  const TRIALS = Math.max(60, trials(3000))
  let within = 0
  for (let seed = 1; seed <= TRIALS; seed += 1) {
    const chance = new Chance(seed)
    const normal = (sigma: number) =>
      sigma * Math.sqrt(-2 * Math.log(1 - chance.next())) * Math.cos(2 * Math.PI * chance.next())
    // Two noses that differ by tenths, tapers that seat within 5 µm, touches within 8 µm.
    const differ = normal(0.2)
    const lengths = Array.from({ length: chance.whole(3, 6) }, () => 60 + 100 * chance.next())
    const told = (true_: number) => (true_ + normal(0.005) + normal(0.008)).toFixed(6)
    const half = { lengthWithinMm: 1.96 * 0.008 }
    const tools = lengths.map((length, index) =>
      tool([
        ...(index === 0 ? [] : [usedOn('B', 5, told(length + differ), half)]),
        usedOn('A', 3, told(length), half),
      ]),
    )
    const carried = carriedLength(tools[0]!, 'B', noseDifferences('B', tools), NOW)
    // Where it stands in this clamping is another seat again.
    const stands = lengths[0]! + differ + normal(0.005)
    const off = Number(carried?.length.text) - stands
    if (Math.abs(off) <= 1.96 * Number(carried?.uncertainty.text)) within += 1
  }
  const share = within / TRIALS
  const least = TRIALS < 3000 ? 0.85 : 0.93
  expect(share).toBeGreaterThan(least)
  expect(share).toBeLessThanOrEqual(TRIALS < 3000 ? 1 : 0.99)
})
