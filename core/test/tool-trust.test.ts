import {
  benchLength,
  holderRepeatsMm,
  lastLengthOf,
  toolTrust,
  type KeptTouch,
  type ShopEvent,
  type ToolUse,
} from '../src/shop'
import { describeBench, describeToolTrust } from '../src/words'
import { Chance, trials } from './random'
import { mm } from './worked-example'

// How far a tool's length is to be relied on, and how well its holder repeats: uses made by hand.

const NOW = '2026-03-20T08:00:00.000Z'
const day = (number: number) => `2026-03-${String(number).padStart(2, '0')}T08:00:00.000Z`

const touch = (setup: string, at: string, more: object = {}): KeptTouch => ({
  of: 'tip-on-plane',
  tool: 3,
  read: mm('-352.750'),
  with: ['setter'],
  kept: { setup, reading: 'r', name: `Job ${setup}`, by: 'Mira Toller', at, ...more },
})

const usedIn = (setup: string, on: number, changes: Partial<ToolUse> = {}): ToolUse => ({
  setup,
  name: `Job ${setup}`,
  machine: 'mill',
  number: 3,
  plane: 'fixed jaw',
  touches: [touch(setup, day(on))],
  gauges: [{ id: 'setter', kind: 'height-setter', name: 'setter', size: mm('50') }],
  ...changes,
})

const event = (what: ShopEvent['what'], on: number): ShopEvent => ({
  what,
  at: day(on),
  name: 'between',
})

describe('how far a length is to be relied on', () => {
  const told = (
    uses: readonly ToolUse[],
    events: readonly ShopEvent[] = [],
    happened: readonly ShopEvent[] = [],
    policy?: { readonly maxAgeDays: number },
  ) => {
    const trust = toolTrust({ uses, events }, happened, policy, NOW)
    return `${trust.state}: ${describeToolTrust(trust)}`
  }

  test.each([
    ['never measured', () => told([]), 'not-read: It was never measured before.'],
    [
      'touched',
      () => told([usedIn('A', 2)]),
      'read: Length still good: touched 2 Mar 2026 by Mira Toller in Job A.',
    ],
    [
      'proven',
      () => told([usedIn('A', 2, { touches: [touch('A', day(2), { proven: true })] })]),
      'proven: Proven: touched 2 Mar 2026 by Mira Toller in Job A.',
    ],
    [
      'its diameter was proven and not its tip',
      () =>
        told([
          usedIn('A', 2, {
            touches: [
              { ...touch('A', day(2), { proven: true }), of: 'tool-diameter' } as KeptTouch,
              touch('A', day(2)),
            ],
          }),
        ]),
      'read: Length still good: touched 2 Mar 2026 by Mira Toller in Job A.',
    ],
    [
      'the last job touched it on the part: the one before still tells',
      () => told([usedIn('B', 9, { touches: [] }), usedIn('A', 2)]),
      'read: Length still good: touched 2 Mar 2026 by Mira Toller in Job A.',
    ],
    [
      'touched on parts alone',
      () => told([usedIn('B', 9, { touches: [] })]),
      'not-read: No touch of it on the setting plane holds any more.',
    ],
    [
      'broken since',
      () => told([usedIn('A', 2)], [event('tool-changed', 5)]),
      'stale: No longer good: it was changed on 5 Mar 2026 (between).',
    ],
    [
      'broken before',
      () => told([usedIn('A', 9)], [event('tool-changed', 5)]),
      'read: Length still good: touched 9 Mar 2026 by Mira Toller in Job A.',
    ],
    [
      'the machine lost its home since',
      () => told([usedIn('A', 2)], [], [event('home-lost', 5)]),
      'stale: No longer good: the machine lost its home position on 5 Mar 2026 (between).',
    ],
    [
      'the plane was moved since',
      () => told([usedIn('A', 2)], [], [event('plane-moved', 5)]),
      'stale: Good after one touch: the setting plane or its setter was moved on 5 Mar 2026 (between).',
    ],
    [
      'too old',
      () => told([usedIn('A', 2)], [], [], { maxAgeDays: 7 }),
      'stale: No longer good: it was touched on 2 Mar 2026, longer ago than the shop allows.',
    ],
  ])('%s', (_, said, wanted) => expect(said()).toBe(wanted))
})

describe('the length that it measured last', () => {
  const told = (number: number, changes: Partial<ToolUse> = {}) => ({
    ...usedIn(String(number), number, changes),
    at: day(number),
  })
  const long = (text: string) => ({ length: mm(text) })

  test('is that of the last set-up that knows the nose, while the tool is the same', () => {
    const uses = [told(9), told(5, long('80.002')), told(2, long('80.000'))]
    expect(lastLengthOf(uses, [])).toEqual(mm('80.002'))
    expect(lastLengthOf(uses, [event('tool-changed', 4)])).toEqual(mm('80.002'))
    expect(lastLengthOf(uses, [event('tool-changed', 5)])).toBeUndefined()
    expect(lastLengthOf(uses, [event('plane-moved', 7)])).toEqual(mm('80.002'))
    expect(
      lastLengthOf([told(9, { changedAt: day(9) }), told(5, long('80.002'))], []),
    ).toBeUndefined()
    expect(lastLengthOf([told(9)], [])).toBeUndefined()
  })
})

describe('how well a holder repeats', () => {
  const measured = (lengths: readonly string[], changes: readonly Partial<ToolUse>[] = []) =>
    lengths
      .map((text, index) =>
        usedIn(String(index), index + 1, { length: mm(text), ...changes[index] }),
      )
      .reverse()

  test('is the mean difference of one length and the next over 1.128', () => {
    // Differences 0.004, 0.002, 0.006: mean 0.004.
    const repeats = holderRepeatsMm(measured(['80.000', '80.004', '80.002', '80.008']), [])
    expect(repeats).toBeCloseTo(0.004 / 1.128, 9)
  })

  test('says nothing of fewer than three differences, and leaves out those over a change of the tool', () => {
    expect(holderRepeatsMm(measured(['80', '80.004', '80.002']), [])).toBeUndefined()
    const five = ['80.000', '80.004', '82.000', '82.004', '82.008']
    const uses = measured(five)
    expect(holderRepeatsMm(uses, [event('tool-changed', 3)])).toBeCloseTo(0.004 / 1.128, 9)
    expect(holderRepeatsMm(uses, [event('plane-moved', 3)])).toBeGreaterThan(0.4)
    const inJob = measured(five, [{}, {}, { changedAt: day(3) }])
    expect(holderRepeatsMm(inJob, [])).toBeCloseTo(0.004 / 1.128, 9)
  })

  test('counts what was measured there, and not what was taken over', () => {
    const uses = measured(
      ['80.000', '80.004', '80.008', '80.012', '80.012'],
      [{}, {}, {}, {}, { touches: [touch('3', day(4))] }],
    )
    expect(holderRepeatsMm(uses, [])).toBeCloseTo(0.004 / 1.128, 9)
  })

  test('finds the standard deviation that lengths were scattered with', () => {
    const chance = new Chance(7)
    const normal = () =>
      Math.sqrt(-2 * Math.log(1 - chance.next())) * Math.cos(2 * Math.PI * chance.next())
    const found = Array.from({ length: Math.max(20, trials(400)) }, () => {
      const lengths = Array.from({ length: 20 }, () => (80 + 0.005 * normal()).toFixed(6))
      return holderRepeatsMm(measured(lengths), []) ?? NaN
    })
    const mean = found.reduce((sum, one) => sum + one, 0) / found.length
    // 20 lengths tell a deviation to about a fifth; the mean of 20 and more such to a twentieth.
    expect(Math.abs(mean / 0.005 - 1)).toBeLessThan(0.15)
  })
})

describe('a length from the bench', () => {
  const properties = { LF: mm('80.000') }
  test('holds where a face seats the holder, and says else what to expect', () => {
    const told = (seat?: 'register-face' | 'taper') => {
      const bench = benchLength({ holder: { seat }, properties })
      return bench && [bench.holds, describeBench(bench)]
    }
    expect(told('register-face')).toEqual([
      true,
      'On the bench it measured 80.000 mm. Its face seats it there again: it may count without a touch.',
    ])
    expect(told('taper')).toEqual([
      false,
      'On the bench it measured 80.000 mm. Its cone seats it elsewhere each time: it is touched, and the bench says what to expect.',
    ])
    expect(told()?.[1]).toContain('Not declared whether a face seats it there again')
  })

  test('that nobody measured is none', () => {
    expect(benchLength({ holder: { seat: 'register-face' } })).toBeUndefined()
    expect(benchLength({ properties: {} })).toBeUndefined()
    expect(benchLength({ properties })?.holds).toBe(false)
  })
})
