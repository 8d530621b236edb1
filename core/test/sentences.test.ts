import { toNanometres } from '../src/length'
import { WARNING_CODES, type Warning } from '../src/registers/warning'
import {
  describeAdvice,
  describeGap,
  describeMarks,
  describeProgramChange,
  describeProgramVerdict,
  describeVerdict,
  describeWarning,
  describeZeroHeight,
  describeZeroPlace,
  spokenNumber,
} from '../src/words'
import { describeEvent } from '../src/words/setup/event-words'
import { event, mm } from './worked-example'

// What a person reads, each sentence with its numbers, sides and tools put in by hand: a turned side or a lost number shows.

const nm = (millimetres: number) => toNanometres(millimetres * 1e6)
const write = (length: number) => `${(length / 1e6).toFixed(3)} mm`

describe('warnings', () => {
  const told = (code: Warning['code'], place: string, about: Partial<Warning> = {}) =>
    describeWarning({ code, place, ...about }, write)

  test.each<[string, string, RegExp]>([
    [
      'both faces off the drawing',
      told('size-differs', 'G54.X', { amount: nm(2), limit: nm(0.1) }),
      /^G54 X: the two faces lie 2\.000 mm from the drawing size \(allowed ±0\.100 mm\)/,
    ],
    ['faces that changed places', told('faces-swapped', 'G54.Y'), /^G54 Y: the right or back/],
    [
      'a tool above the nose',
      told('length-not-positive', 'H3', { amount: nm(-12) }),
      /^H3 is -12\.000 mm: a tool cannot end above the spindle nose/,
    ],
    [
      'a check that comes lower than what was taken over',
      told('kept-differs', 'tip-on-plane:T2', { amount: nm(-0.36), limit: nm(0.025) }),
      /^T2 on the plane comes 0\.360 mm lower than the reused length \(allowed ±0\.025 mm\)/,
    ],
    [
      'all checks higher alike',
      told('kept-moved', 'tip-on-plane:T2', { amount: nm(0.4) }),
      /all come 0\.400 mm higher than the reused lengths: the setting plane or home moved/,
    ],
    [
      'repeats',
      told('repeats-spread', 'tip-on-plane:T4', { amount: nm(9), limit: nm(0.02) }),
      /^T4 on the plane: the repeats differ by 9\.000 mm, more than 0\.020 mm/,
    ],
    [
      'a stock top that lies lower by another way',
      told('ways-differ', 'nose-on-part:G54', {
        beside: 'carried-difference:G54',
        amount: nm(-0.3),
        limit: nm(0.06),
      }),
      /^G54 top by the nose gives a stock top 0\.300 mm lower than .+ \(up to 0\.060 mm may be chance\)/,
    ],
    [
      'and higher',
      told('ways-differ', 'nose-on-part:G54', { amount: nm(0.3) }),
      /0\.300 mm higher than another way \(up to \?/,
    ],
    [
      'a known length that is shorter as touched',
      told('known-length-differs', 'tip-on-plane:T9', { amount: nm(-0.2), limit: nm(0.05) }),
      /it is 0\.200 mm shorter than the sheet’s length \(up to 0\.050 mm/,
    ],
    [
      'and longer',
      told('known-length-differs', 'tip-on-plane:T9', { amount: nm(0.2), limit: nm(0.05) }),
      /0\.200 mm longer/,
    ],
    [
      'a gauge that measured smaller',
      told('gauge-size-differs', 'setter', { amount: nm(-5) }),
      /the measured size is 5\.000 mm smaller than what is marked/,
    ],
    [
      'and larger',
      told('gauge-size-differs', 'setter', { amount: nm(5) }),
      /5\.000 mm larger than what is marked/,
    ],
    [
      'an edge',
      told('edge-turned', 'edge-point:G54:front:2', { amount: nm(0.4), limit: nm(0.05) }),
      /runs out by 0\.400 mm over the part \(allowed ±0\.050 mm\)/,
    ],
    [
      'another tool in the spindle, longer than the one of the step',
      told('spindle-tool-differs', 'tip-on-part:G54:T1', { tools: [1, 2, null], amount: nm(-15) }),
      /T2 is in the spindle, not T1\. Every tip would come 15\.000 mm too high\. Put in the right one/,
    ],
    [
      'the bare nose in place of a tool',
      told('spindle-tool-differs', 'tip-on-part:G54:T1', {
        tools: [1, null, null],
        amount: nm(80),
      }),
      /the bare nose is in the spindle, not T1\. Every tip would come 80\.000 mm too deep/,
    ],
    [
      'and where nobody knows how long either is',
      told('spindle-tool-differs', 'nose-on-part:G54', { tools: [null, 3, 3] }),
      /T3 is in the spindle, not the bare nose\. Put in/,
    ],
    [
      'a control that takes another tool for active',
      told('control-tool-differs', 'nose-on-part:G54', { tools: [null, null, 5], amount: nm(60) }),
      /the bare nose is in the spindle, and the control has T5 active\..+ 60\.000 mm too deep\. Make the two the same/,
    ],
    [
      'and the other way',
      told('control-tool-differs', 'nose-on-part:G54', { tools: [null, 2, 5], amount: nm(-60) }),
      /T2 is in the spindle, .+ 60\.000 mm too high/,
    ],
    [
      'not as last time',
      told('differs-from-last-time', 'H2', { amount: nm(1.2), limit: nm(0.025) }),
      /^H2 differs from last time by 1\.200 mm, more than 0\.025 mm/,
    ],
    [
      'where the machine does not go',
      told('outside-travel', 'face:G54:left', { axis: 'X', amount: nm(-3) }),
      /the machine does not go there\. X as read lies 3\.000 mm beyond the end/,
    ],
    [
      'in an axis that is not said',
      told('outside-travel', 'tip-on-plane:T1', { amount: nm(3) }),
      /It lies 3\.000 mm beyond/,
    ],
    ['digits', told('digits-missing', 'tip-on-plane:T1'), /^T1 on the plane has fewer digits/],
    ['no sensor', told('no-sensor', 'face:G54:left'), /^G54 left face was read without naming/],
    [
      'two who keyed one row',
      told('keyed-by-two', 'G54.Z', {
        people: [
          { name: 'Mira', shown: mm('-30.000') },
          { name: 'Jory', shown: mm('-30.500') },
        ],
      }),
      /^G54 Z: Mira keyed it and saw −30\.000 mm, Jory keyed it and saw −30\.500 mm; neither knew/,
    ],
    [
      'a read-back',
      told('read-back-differs', 'G54.Z.T2', { amount: nm(8.3) }),
      /^G54 Z with T2: the control does not show what it should; it is off by 8\.300 mm/,
    ],
    [
      'a proof',
      told('proof-differs', 'prove:G54:T1', { amount: nm(2) }),
      /^G54 with T1: the block did not pass as it should; the tip stands 2\.000 mm from where/,
    ],
    ['a proof of no number', told('proof-differs', 'prove:G54:T1'), /the tip stands elsewhere\./],
    [
      'a lift',
      told('lift-active', 'work-offsets', { amount: nm(23.5) }),
      /^Everything is raised by 23\.500 mm/,
    ],
    [
      'no grip',
      told('no-grip', 'holding', { amount: nm(0) }),
      /^The jaws are 0\.000 mm above the parallels: nothing/,
    ],
    ['no grip that is known', told('no-grip', 'holding'), /^The jaws are not above the parallels/],
    [
      'little grip',
      told('little-grip', 'holding', { amount: nm(1), limit: nm(3) }),
      /hold only 1\.000 mm of the part, less than 3\.000 mm/,
    ],
    [
      'a side cut',
      told('side-cut-meets-jaws', 'holding', { amount: nm(-2) }),
      /^The deepest side cut goes 2\.000 mm below the upper edge of the jaws\. Grip less/,
    ],
    [
      'and one that only comes near',
      told('side-cut-meets-jaws', 'holding', { amount: nm(0.5) }),
      /^The deepest side cut comes to 0\.500 mm from the jaws/,
    ],
    ['mixed ways', told('approach-mixed', 'Z'), /^Some heights were touched lowering/],
  ])('%s', (_, sentence, wanted) => expect(sentence).toMatch(wanted))

  test('a number that is not known is left open, and never written as one', () => {
    for (const code of WARNING_CODES)
      expect(told(code, 'G54.X')).not.toMatch(/undefined|NaN|null|\d+\.\d{3} mm/)
  })
})

describe('marks that were found again', () => {
  const found = (shift: number, turns: number, certain = true) =>
    describeMarks('X', { shift: nm(shift), turns, certain } as never, write)
  test.each([
    [found(0, 0), 'X: found again to the graduation.'],
    [
      found(-0.04, 0),
      'X: positions read 0.040 mm less than before; every number is shifted by it.',
    ],
    [found(0.04, 0), 'X: positions read 0.040 mm more than before; every number is shifted by it.'],
    [
      found(5, 1),
      'X: positions read 5.000 mm more than before; every number is shifted by it. That is 1 whole turn: the dial was set in another turn.',
    ],
    [
      found(-10, -2),
      'X: positions read 10.000 mm less than before; every number is shifted by it. That is 2 whole turns: the dial was set in another turn.',
    ],
    [
      found(2, 0, false),
      'X: nobody can tell in which turn of the dial it stands. Find the mark again, or leave X empty.',
    ],
  ])('%s', (sentence, wanted) => expect(sentence).toBe(wanted))
})

describe('what changed in a program', () => {
  const told = (change: Parameters<typeof describeProgramChange>[0]) =>
    describeProgramChange(change, write)
  test.each([
    [told({ kind: 'unit', before: undefined, after: 'mm' }), 'The unit was not set, now it is mm.'],
    [told({ kind: 'unit', before: 'in', after: undefined }), 'The unit was in, now it is not set.'],
    [
      told({ kind: 'order', before: [1, 2], after: [2, 1] }),
      'The tools come in another order: T2, T1.',
    ],
    [told({ kind: 'tool-added', tool: 4, name: 'drill' }), 'T4 is new (drill): measure it.'],
    [told({ kind: 'tool-added', tool: 4 }), 'T4 is new: measure it.'],
    [told({ kind: 'tool-removed', tool: 4 }), 'T4 is not used any more.'],
    [
      told({ kind: 'tool-removed', tool: undefined }),
      'What comes before any tool is not used any more.',
    ],
    [told({ kind: 'lengths', tool: 2, before: [2], after: [3, 4] }), 'T2 used H2, now H3, H4.'],
    [told({ kind: 'lengths', tool: 2, before: [], after: [3] }), 'T2 used no H, now H3.'],
    [told({ kind: 'diameters', tool: 2, before: [2], after: [] }), 'T2 used D2, now no D.'],
    [told({ kind: 'rows', tool: 2, before: ['G54'], after: [] }), 'T2 worked in G54, now in none.'],
    [
      told({ kind: 'depth', tool: 2, before: nm(-3), after: nm(-5) }),
      'T2 goes 2.000 mm deeper: down to -5.000 mm.',
    ],
    [
      told({ kind: 'depth', tool: 2, before: nm(-5), after: nm(-3) }),
      'T2 goes 2.000 mm less deep: down to -3.000 mm.',
    ],
    [
      told({ kind: 'depth', tool: 2, after: nm(-3) }),
      'T2 goes down to -3.000 mm, before to no known depth.',
    ],
    [
      told({ kind: 'depth', tool: 2, before: nm(-3) }),
      'T2 goes down to no known depth, before to -3.000 mm.',
    ],
    [
      told({
        kind: 'extent',
        tool: 2,
        row: 'G55',
        axis: 'Y',
        before: [nm(0), nm(10)],
        after: [nm(-1), nm(12)],
      }),
      'T2, G55 Y: went from 0.000 mm to 10.000 mm, now from -1.000 mm to 12.000 mm.',
    ],
    [
      told({ kind: 'speeds', tool: 2, before: [], after: [900] }),
      'T2 turned at none, now at 900 a minute.',
    ],
    [
      told({ kind: 'feeds', tool: 2, before: [100], after: [120, 200] }),
      'T2 fed at 100, now at 120, 200 mm a minute.',
    ],
  ])('%s', (sentence, wanted) => expect(sentence).toBe(wanted))
})

test.each([
  [0, 0, 'Nothing in it stands against this set-up.'],
  [0, 1, 'One thing to look at.'],
  [0, 3, '3 things to look at.'],
  [1, 3, 'One thing in it can crash or scrap: not to be run as it is.'],
  [2, 2, '2 things in it can crash or scrap: not to be run as it is.'],
])('a program with %i dangers of %i things', (dangers, all, wanted) =>
  expect(describeProgramVerdict(dangers, all)).toBe(wanted),
)

test('numbers read out digit by digit, with their sign and unit', () => {
  expect(spokenNumber('−218.462', 'mm')).toBe('minus two one eight point four six two millimetres')
  expect(spokenNumber('-0.1903', 'in')).toBe('minus zero point one nine zero three inches')
  expect(spokenNumber('57', 'mm')).toBe('five seven millimetres')
})

test.each([
  [event({ kind: 'part-changed', row: 'G55' }), 'another part is in G55'],
  [
    event({ kind: 'part-changed', row: 'G55', stays: { faces: [], top: true } }),
    'another part is in G55, of the same height',
  ],
  [event({ kind: 'plane-moved' }), 'the setting plane or its setter was moved'],
  [event({ kind: 'tool-changed', tool: 3 }), 'T3 was broken, replaced or re-gripped'],
  [event({ kind: 'home-lost' }), 'the machine lost its home position'],
  [
    event({ kind: 'external-changed', axis: 'Z', value: mm('-0.5') }),
    'the external offset of Z is −0.5 mm now',
  ],
  [event({ kind: 'rebased', tool: 9 }), 'lengths were re-based on T9'],
  [event({ kind: 'unit-changed' }), 'the control was switched to another unit'],
  [
    event({ kind: 'home-recovered', shift: { X: mm('0'), Y: mm('0'), Z: mm('0.1') } }),
    'home was found again by its marks',
  ],
  [event({ kind: 'check-failed', gauge: 'setter' }), 'the 50 mm setter failed its check'],
  [event({ kind: 'check-failed', gauge: 'lost' }), 'the gauge lost failed its check'],
  [
    event({ kind: 'gauge-measured', gauge: 'setter', size: mm('50.012'), since: 'now' }),
    'the 50 mm setter was measured anew: 50.012 mm',
  ],
])('something happened: %#', (happened, wanted) =>
  expect(describeEvent(happened, [{ id: 'setter', name: '50 mm setter' }])).toBe(wanted),
)

test.each([
  ['low', 'low', 'left front corner'],
  ['high', 'low', 'right front corner'],
  ['low', 'high', 'left back corner'],
  ['middle', 'high', 'middle of the back side'],
  ['high', 'middle', 'middle of the right side'],
  ['middle', 'middle', 'middle'],
] as const)('zero seen from above: %s, %s', (X, Y, wanted) =>
  expect(describeZeroPlace(X, Y)).toBe(wanted),
)

test('zero in height', () => {
  expect(describeZeroHeight('top', mm('0'))).toBe('stock top')
  expect(describeZeroHeight('bottom', mm('40'))).toBe('bottom')
  expect(describeZeroHeight('below', mm('0.5'))).toBe('0.5 mm below the stock top')
  expect(describeZeroHeight('below', mm(' '))).toBe('below the stock top')
})

test('what would make a number surer, and what a conversion lacks', () => {
  expect(describeAdvice({ do: 'repeat', sourceId: 'x', times: 3 })).toBe('take this touch 3 times')
  expect(describeAdvice({ do: 'change-gauge', sourceId: 'x', to: 'edge-finder' })).toBe(
    'touch with an edge finder instead',
  )
  expect(describeAdvice({ do: 'change-gauge', sourceId: 'x', to: 'probe' })).toBe(
    'touch with a probe instead',
  )
  expect(describeAdvice({ do: 'declare-lost-motion', sourceId: 'x' })).toContain('backlash')
  expect(describeAdvice({ do: 'read-finer', sourceId: 'x' })).toContain('more decimals')
  expect([describeVerdict('fit'), describeVerdict('undecided'), describeVerdict('unfit')]).toEqual([
    'sure enough',
    'may not be sure enough',
    'not sure enough',
  ])
  const gaps = (['registers', 'lengths', 'plane', 'nose', 'part-top', 'master'] as const).map(
    describeGap,
  )
  expect(new Set(gaps).size).toBe(6)
  expect(describeGap('nose')).toContain('bare nose')
})
