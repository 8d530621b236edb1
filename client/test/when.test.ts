import { describeDay } from '@pine/core/words'
import { dayWords, momentWords } from '@/kit/when'

const NOW = new Date(2026, 10, 24, 9, 30)
const at = (...date: [number, number, number, number?, number?]) => new Date(...date).toISOString()

test.each([
  ['today', at(2026, 10, 24, 0, 5)],
  ['today', at(2026, 10, 24, 23, 55)],
  ['yesterday', at(2026, 10, 23, 23, 59)],
  ['Sun 22 Nov', at(2026, 10, 22)],
  ['Wed 25 Nov', at(2026, 10, 25, 1)],
  ['Thu 1 Jan', at(2026, 0, 1)],
  ['31 Dec 2025', at(2025, 11, 31)],
])('%s', (words, moment) => {
  expect(dayWords(moment, NOW)).toBe(words)
})

test('with the time of day', () => {
  expect(momentWords(at(2026, 10, 24, 8, 5), NOW)).toBe('today 08:05')
})

test.each([
  ['24 Nov 2026', '2026-11-24T14:05:00Z'],
  ['1 Jan 2026', '2026-01-01'],
  ['31 Dec 2026', '2026-12-31'],
  ['2026-13-01', '2026-13-01'],
  ['soon', 'soon'],
])('in a record: %s', (words, moment) => {
  expect(describeDay(moment)).toBe(words)
})
