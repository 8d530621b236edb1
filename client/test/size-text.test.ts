import { minutesText, percentOf, sizeText } from '@/kit/size-text'

test.each([
  [0, '0 bytes'],
  [999, '999 bytes'],
  [1000, '1 kB'],
  [14_400, '14 kB'],
  [102_400_000, '102.4 MB'],
])('%i bytes', (bytes, text) => expect(sizeText(bytes)).toBe(text))

test.each([
  [0.5, '30 s'],
  [3.84, '3.8 min'],
  [125.2, '2 h 5 min'],
])('%d minutes', (minutes, text) => expect(minutesText(minutes)).toBe(text))

test('hundredths, of nothing as well', () => {
  expect(percentOf(1, 3)).toBe(33)
  expect(percentOf(0, 0)).toBe(100)
})
