import { describeShopFact } from '../src/words'
import { mm } from './worked-example'

test.each([
  ['tool', 'tool', { name: 'drill' }, 0, 'Declared.'],
  ['tool', 'tool', { name: 'drill', reason: 'measured' }, 1, 'Declared anew: measured'],
  ['gauge', 'gauge', { name: 'a', retired: true, reason: 'dropped' }, 2, 'Put out of use: dropped'],
  [
    'tool',
    'tool',
    { imported: { file: 'a.csv', sha256: '', row: 7 } },
    0,
    'Imported from a.csv, row 7.',
  ],
  ['tool', 'tool-event', { what: 're-gripped', note: '' }, 1, 'Re-gripped.'],
  ['tool', 'tool-event', { what: 'broken', note: 'at the pocket' }, 1, 'Broken: at the pocket'],
  ['machine', 'machine-event', { what: 'home-lost', note: '' }, 1, 'Home was lost.'],
  [
    ...['machine', 'machine-event'],
    { what: 'plane-moved', plane: 'block', note: '' },
    ...[1, 'The setting plane block was moved.'],
  ],
  [
    'machine',
    'reversal-test',
    { axis: 'X', pairs: [1, 2, 3] },
    1,
    'Backlash of X was tested at 3 places.',
  ],
  [
    ...['gauge', 'gauge-check'],
    { read: mm('50.003'), against: 'the master', master: mm('50.000') },
    ...[1, 'Checked: read 50.003 mm against the master, 50.000 mm.'],
  ],
] as readonly (readonly [string, string, object, number, string])[])(
  'a fact of a %s, %s',
  (stream, kind, body, place, words) => {
    expect(describeShopFact(stream as 'tool', kind, body, place)?.words).toBe(words)
  },
)

test('a kind that is none of its stream is not told', () => {
  expect(describeShopFact('tool', 'gauge-check', {}, 1)).toBeUndefined()
})
