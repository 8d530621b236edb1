import { foldSetup, type SetupFact } from '../src/facts'
import { storyOf } from '../src/words'
import { MIRA, mm, workedSheet } from './worked-example'

const stamp = (index: number) => ({
  id: `019aaaaa-0000-7000-8000-${String(index).padStart(12, '0')}`,
  ...{ by: MIRA, at: '2026-03-02T08:00:00Z', via: 'typed' as const },
})
const told = (...bodies: readonly { readonly kind: string; readonly body: object }[]) => {
  const all = [{ kind: 'sheet', body: workedSheet() }, ...bodies].map(
    (fact, index) => ({ ...stamp(index), ...fact }) as SetupFact,
  )
  return storyOf(foldSetup({ id: 'x', facts: all }), all).slice(1)
}

const READ = { of: 'tip-on-plane', tool: 1, read: mm('-220.000'), with: ['setter'] }

test.each<[string, object, string]>([
  ['reading', READ, 'T1 · 10 mm end mill: −220.000 mm, with the 50 mm setter.'],
  [
    'reading',
    { ...READ, supersedes: 'x', reason: 'misread' },
    'T1 · 10 mm end mill: −220.000 mm, with the 50 mm setter. It replaces an earlier one: misread.',
  ],
  [
    'reading',
    { ...READ, surprise: 'new insert' },
    'T1 · 10 mm end mill: −220.000 mm, with the 50 mm setter. A surprise, and so all the same: new insert',
  ],
  ['read-back', { address: 'H1', moment: 'before', shown: mm('1.5') }, 'H1 held 1.5 mm.'],
  ['read-back', { address: 'G54.Z', moment: 'after', shown: mm('-30') }, 'G54 Z shows −30 mm.'],
  ['event', { kind: 'tool-changed', tool: 1 }, 'T1 was broken, replaced or re-gripped.'],
  [
    'acceptance',
    { address: 'H1', reason: 'looked over', accepts: 'unproven' },
    'H1 was accepted as it is: looked over',
  ],
  [
    'proof',
    { row: 'G54', tool: 1, clearance: mm('25'), gap: mm('24.5'), overZero: true },
    'G54 with T1 was sent to 25 mm above zero: a block of 24.5 mm passed.',
  ],
  [
    'proof',
    { row: 'G54', tool: 1, clearance: mm('25'), gap: mm('0'), overZero: true, byEye: true },
    'G54 with T1 was sent over zero and looked at by eye.',
  ],
  [
    'lift',
    { moves: 'in', where: 'external-offset', amount: mm('30') },
    'Everything was raised by 30 mm in the external offset Z.',
  ],
  [
    'lift',
    { moves: 'out', where: 'external-offset', amount: mm('30') },
    'Everything was let down again.',
  ],
  ['check-off', { of: 'home' }, 'Home: done.'],
  ['check-off', { of: 'air-cut', leftOut: 'seen before' }, 'Dry run: left out. seen before'],
  [
    'program-check',
    { sha256: '0'.repeat(64) },
    'The file at the machine was compared with the program.',
  ],
  ['record', { hash: 'abcdef012345'.padEnd(64, '0') }, 'It was released under abcdef012345.'],
  ['put-away', { moves: 'away' }, 'It was put away.'],
  ['note', { text: 'the vise is dirty' }, 'Note: the vise is dirty'],
  ['sheet', workedSheet(), 'The sheet was changed.'],
])('a %s %#', (kind, body, words) => {
  expect(told({ kind, body })).toEqual([
    expect.objectContaining({ words, by: 'Mira Toller', at: '2026-03-02T08:00:00Z' }),
  ])
})

test.each([
  ['set', 'H1 was set to 5 mm.'],
  ['add', '5 mm was added to H1.'],
  ['position', 'H1: the position was told as 5 mm.'],
  ['copy', 'H1: the machine position was copied in, and 5 mm added.'],
  ['copy-counter', 'H1: the relative counter was copied in, and 5 mm added.'],
  ['stored', 'H1 was stored by the control’s own cycle.'],
  ['halve', 'H1: the counter was halved, and the position told as 5 mm.'],
])('a key-in by %s', (mode, words) => {
  expect(told({ kind: 'key-in', body: { address: 'H1', mode, typed: mm('5') } })).toEqual([
    expect.objectContaining({ words, tells: 'keyed' }),
  ])
})
