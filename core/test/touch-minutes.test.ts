import { touchGaps, touchMinutes as minutesOf } from '../src/shop'
import { describeSaved } from '../src/words'

const at = (...minutes: readonly number[]) =>
  minutes.map((one) => ({ at: one * 60_000, with: ['setter'] }))

const touchMinutes = (setups: Parameters<typeof touchGaps>[0]) => minutesOf(touchGaps(setups))

describe('how long a touch takes', () => {
  test('is the middle of the gaps between one and the next, with where half of them lie', () => {
    // Gaps 1, 2, 3, 4, 5: quartiles 2 and 4.
    expect(touchMinutes([at(0, 1, 3, 6, 10, 15)])).toEqual({
      lower: 2,
      median: 3,
      upper: 4,
      count: 5,
    })
    // Gaps 1, 2, 3, 4, 5, 6: 2.25, 3.5, 4.75.
    expect(touchMinutes([at(0, 1, 3, 6, 10, 15, 21)])).toMatchObject({
      lower: 2.25,
      median: 3.5,
      upper: 4.75,
    })
  })

  test('leaves out breaks, two presses of one touch, and the night between two set-ups', () => {
    const gaps = touchMinutes([at(0, 2, 4, 34, 36), at(1000, 1002, 1002.1, 1004.1)])
    expect(gaps).toMatchObject({ median: 2, count: 5 })
  })

  test('is not said by fewer than five', () => {
    expect(touchMinutes([at(0, 2, 4, 6, 8)])).toBeUndefined()
    expect(touchMinutes([at(0, 2, 4, 6, 8, 10)])).toMatchObject({ count: 5 })
    expect(touchMinutes([])).toBeUndefined()
  })
})

test('what taking over saves, in words', () => {
  const minutes = { lower: 1.4, median: 2, upper: 2.6, count: 34 }
  expect(describeSaved(minutes, 2, 8)).toBe(
    '2 touches take about 4 minutes here, all 8 about 16: each 1.4 to 2.6 minutes, by 34 in the log.',
  )
  expect(describeSaved({ ...minutes, median: 0.6 }, 1, 2)).toBe(
    'One touch takes about a minute here, all 2 about 1: each 1.4 to 2.6 minutes, by 34 in the log.',
  )
})
