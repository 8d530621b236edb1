import {
  checksAmong,
  keptOffers,
  touchesToKeep,
  type KeptOffer,
  type KeptTouch,
  type ShopEvent,
  type ToolUse,
} from '../src/shop'
import { mm } from './worked-example'

// What may be taken over of one tool: uses and happenings made by hand, one thing different at a time.

const day = (number: number) => `2026-03-${String(number).padStart(2, '0')}T08:00:00.000Z`

const touch = (of: 'tip-on-plane' | 'nose-on-plane', on: number, tool = 3): KeptTouch =>
  ({
    of,
    ...(of === 'tip-on-plane' && { tool }),
    read: mm(of === 'tip-on-plane' ? '-352.750' : '-450.000'),
    with: ['setter'],
    kept: { setup: `job ${on}`, reading: `r${on}`, name: `Job ${on}`, by: 'Mira', at: day(on) },
  }) as KeptTouch

const usedWith = (touches: readonly KeptTouch[], changes: Partial<ToolUse> = {}): ToolUse => ({
  setup: 'A',
  name: 'Job A',
  machine: 'mill',
  number: 3,
  plane: 'Fixed jaw',
  touches,
  gauges: [],
  ...changes,
})

const offersFor = (
  uses: readonly ToolUse[],
  happened: readonly ShopEvent[] = [],
  policy?: { readonly maxAgeDays: number },
) =>
  keptOffers(
    { machine: 'mill', plane: ' fixed JAW ', byMarks: false, policy, gauges: [] },
    [{ number: 3, uses, events: [] }],
    happened,
    day(20),
  )

const offerFor = (...asked: Parameters<typeof offersFor>) => offersFor(...asked)[0]

const because = (...asked: Parameters<typeof offersFor>) => {
  const offer = offerFor(...asked)
  return offer?.take === 'nothing' ? offer.why.because : offer?.take
}

const tip = (on: number) => touch('tip-on-plane', on)
const moved = (on: number, plane?: string): ShopEvent => ({
  what: 'plane-moved',
  at: day(on),
  name: 'said',
  ...(plane !== undefined && { plane }),
})

describe('what is offered', () => {
  test('is of the same plane, however it is written, and of no other', () => {
    expect(because([usedWith([tip(2)])])).toBe('as-it-was')
    expect(because([usedWith([tip(2)], { plane: 'fixed jaw ' })])).toBe('as-it-was')
    expect(because([usedWith([tip(2)], { plane: 'block' })])).toBe('other-plane')
    // The youngest use on this plane counts, also where a younger one is on another.
    expect(offerFor([usedWith([tip(9)], { plane: 'block' }), usedWith([tip(2)])])).toMatchObject({
      touches: [tip(2)],
    })
  })

  test('is of the same machine, and where nobody said on which it was, of none', () => {
    expect(because([usedWith([tip(2)], { machine: 'router' })])).toBe('other-machine')
    const { machine: _unsaid, ...nowhere } = usedWith([tip(2)])
    expect(because([nowhere])).toBe('other-machine')
    expect(offerFor([usedWith([tip(9)], { machine: 'router' }), usedWith([tip(2)])])).toMatchObject(
      {
        touches: [tip(2)],
      },
    )
    const asked = { machine: undefined, plane: 'fixed jaw', byMarks: false, policy: undefined }
    const [offer] = keptOffers(
      { ...asked, gauges: [] },
      [{ number: 3, uses: [nowhere], events: [] }],
      [],
      day(20),
    )
    expect(offer).toMatchObject({ why: { because: 'other-machine' } })
  })

  test('is of the youngest use that touched its tip there; where none did, what happened to it is said first', () => {
    const nose = usedWith([touch('nose-on-plane', 9)])
    expect(offerFor([nose, usedWith([tip(2)])])).toMatchObject({ touches: [tip(2)] })
    expect(because([nose])).toBe('not-on-plane')
    const broken: ShopEvent = { what: 'tool-changed', at: day(1), name: 'broken' }
    const asking = { machine: 'mill', plane: 'fixed jaw', byMarks: false, policy: undefined }
    const [offer] = keptOffers(
      { ...asking, gauges: [] },
      [{ number: 3, uses: [nose], events: [broken] }],
      [],
      day(20),
    )
    expect(offer).toMatchObject({ why: { because: 'tool-changed' } })
  })

  test('holds after one touch where that plane was moved since, and as it was where another was, or it was before', () => {
    expect(because([usedWith([tip(5)])], [moved(6)])).toBe('after-rebase')
    expect(because([usedWith([tip(5)])], [moved(6, 'FIXED jaw')])).toBe('after-rebase')
    expect(because([usedWith([tip(5)])], [moved(6, 'block')])).toBe('as-it-was')
    expect(because([usedWith([tip(5)])], [moved(4)])).toBe('as-it-was')
  })

  test('is as old as the last touch of its tip, whatever else was read later', () => {
    const policy = { maxAgeDays: 7 }
    expect(because([usedWith([tip(2), tip(15)])], [], policy)).toBe('as-it-was')
    expect(because([usedWith([tip(15), tip(2)])], [], policy)).toBe('as-it-was')
    expect(because([usedWith([tip(2), touch('nose-on-plane', 15)])], [], policy)).toBe('too-old')
    expect(because([usedWith([tip(13)])], [], policy)).toBe('as-it-was')
    expect(because([usedWith([tip(12)])], [], policy)).toBe('too-old')
  })
})

describe('what keeps a length from being reused', () => {
  const asking = {
    ...{ machine: 'mill', plane: 'fixed jaw', byMarks: false, policy: undefined },
    gauges: [],
  }
  const whyOf = (
    changes: Partial<Parameters<typeof keptOffers>[0]>,
    use: Partial<ToolUse> = {},
  ) => {
    const asked = [{ number: 3, uses: [usedWith([tip(5)], use)], events: [] }]
    const [offer] = keptOffers({ ...asking, ...changes }, asked, [], day(20))
    return offer?.take === 'nothing' ? offer.why.because : offer?.take
  }
  const setter = {
    id: 'setter',
    kind: 'height-setter',
    name: 'setter',
    size: mm('50'),
    foot: mm('2'),
  } as const

  test('a home that is found by marks', () => {
    expect(whyOf({ byMarks: true })).toBe('by-marks')
  })

  test('a gauge of another size, of another foot, or that is gone', () => {
    const use = { gauges: [setter] }
    expect(whyOf({ gauges: [setter] }, use)).toBe('as-it-was')
    expect(whyOf({ gauges: [{ ...setter, size: mm('50.000') }] }, use)).toBe('as-it-was')
    expect(whyOf({ gauges: [{ ...setter, size: mm('50.001') }] }, use)).toBe('gauge-changed')
    expect(whyOf({ gauges: [{ ...setter, foot: mm('2.001') }] }, use)).toBe('gauge-changed')
    expect(whyOf({ gauges: [] }, use)).toBe('gauge-changed')
  })

  test('a home that was lost after the touch, in whichever set-up', () => {
    const lost = (on: number, setup?: string): ShopEvent => ({
      ...{ what: 'home-lost', at: day(on), name: 'Job B' },
      ...(setup !== undefined && { setup }),
    })
    expect(because([usedWith([tip(5)])], [lost(6)])).toBe('home-lost')
    expect(because([usedWith([tip(5)])], [lost(6, 'B')])).toBe('home-lost')
    expect(because([usedWith([tip(5)])], [lost(4, 'B')])).toBe('as-it-was')
  })
})

describe('what is touched again', () => {
  const offered = (
    tool: number,
    read: string,
    on: number,
    unit: 'mm' | 'in' = 'mm',
  ): KeptOffer => ({
    ...{ tool, take: 'as-it-was', use: usedWith([]) },
    touches: [{ ...touch('tip-on-plane', on, tool), read: { text: read, unit } }],
  })

  test('is the tool that reaches furthest: the machine stood highest with it', () => {
    const offers = [offered(1, '-352.750', 1), offered(2, '-300', 9), offered(3, '-400', 9)]
    expect(checksAmong(offers, { keptChecks: 1 })).toEqual([2])
    expect(checksAmong(offers, undefined)).toEqual([2, 1])
    // Twenty inches below home is lower than 400 millimetres.
    expect(
      checksAmong([offered(4, '-20', 9, 'in'), offered(3, '-400', 9)], { keptChecks: 1 }),
    ).toEqual([3])
  })

  test('is none whose number cannot be read, while another’s can', () => {
    const offers = [offered(1, 'high', 1), offered(2, '-400', 9), offered(3, '-450', 9)]
    expect(checksAmong(offers, { keptChecks: 1 })).toEqual([2])
  })
})

describe('what is entered', () => {
  const offers = [
    { tool: 3, take: 'as-it-was', use: usedWith([]), touches: [touch('nose-on-plane', 4), tip(4)] },
    {
      tool: 4,
      take: 'as-it-was',
      use: usedWith([]),
      touches: [touch('nose-on-plane', 9), touch('tip-on-plane', 9, 7)],
    },
  ] as const
  const entered = (wanted: readonly string[], checks: readonly number[] = []) =>
    touchesToKeep(offers, checks, new Set(wanted))
      .flat()
      .map(
        (one) =>
          `${one.of} ${'tool' in one ? one.tool : ''} ${one.kept.name} ${one.kept.check ?? ''}`,
      )
  const ALL = ['nose-on-plane', 'tip-on-plane:T3', 'tip-on-plane:T4']

  test('is the nose once, as it was touched last, and each tip under the number that it has here', () => {
    expect(entered(ALL, [4])).toEqual([
      'nose-on-plane  Job 9 ',
      'tip-on-plane 3 Job 4 ',
      'tip-on-plane 4 Job 9 true',
    ])
  })

  test('is only what is asked for', () => {
    expect(entered(['tip-on-plane:T4'])).toEqual(['tip-on-plane 4 Job 9 '])
    expect(entered([])).toEqual([])
  })
})
