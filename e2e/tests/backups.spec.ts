import { expect, test } from '@playwright/test'
import { backupName, outlived } from '../../scripts/lib/backups.mjs'

const DAY = 86_400_000
const at = (day: number, hour = 3) => backupName(new Date(Date.UTC(2026, 10, 26, hour) - day * DAY))

test('the newest copy of seven days, five weeks and twelve months stays, and nothing else of ours', () => {
  const daily = Array.from({ length: 500 }, (_, day) => at(day))
  const gone = new Set(outlived([...daily, at(0, 9), 'notes.txt', 'pine-last.dump']))
  const kept = daily.filter((name) => !gone.has(name))
  // Of today the later one; the rest of the week; then the newest of each week and month further back.
  expect(gone.has(at(0))).toBe(true)
  expect(gone.has(at(0, 9))).toBe(false)
  for (let day = 1; day < 7; day += 1) expect(gone.has(at(day))).toBe(false)
  expect(kept.length).toBeGreaterThanOrEqual(6 + 3 + 10)
  expect(kept.length).toBeLessThanOrEqual(7 + 5 + 12)
  // The newest of last month and of the one eleven months ago.
  expect(kept).toContain(backupName(new Date(Date.UTC(2026, 9, 31, 3))))
  expect(kept).toContain(backupName(new Date(Date.UTC(2025, 11, 31, 3))))
  expect(kept).not.toContain(backupName(new Date(Date.UTC(2025, 10, 30, 3))))
  expect([...gone].some((name) => name === 'notes.txt' || name === 'pine-last.dump')).toBe(false)
})

test('a shop that was closed for a month loses no copy for it', () => {
  const names = [at(40), at(41), at(90)]
  expect(outlived(names)).toEqual([])
})
