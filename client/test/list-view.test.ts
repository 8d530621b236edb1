import type { SetupSummary } from '@pine/contract'
import {
  found,
  moreWords,
  needsFinding,
  needsMachine,
  noneWords,
  progressWords,
  trustOf,
} from '@/areas/setups/list-view'

const summary = (told: Partial<SetupSummary>): SetupSummary => ({
  id: 'a',
  name: 'Focuser body',
  machine: 'Mill 2',
  unit: 'mm',
  createdAt: '2026-11-26T08:00:00.000Z',
  changedAt: '2026-11-26T09:00:00.000Z',
  changedBy: 'Mira Toller',
  stepsDone: 3,
  stepsTotal: 20,
  nextStation: 'lengths',
  recorded: false,
  warnings: 0,
  blocks: null,
  oldFrom: null,
  away: null,
  machineId: null,
  ...told,
})

test('what is next, or what is wrong, or that it is done', () => {
  expect(progressWords(summary({}))).toBe('Next: Lengths')
  expect(progressWords(summary({ nextStation: null }))).toBe('Measured and keyed; no job yet')
  expect(progressWords(summary({ warnings: 1, recorded: true }))).toBe('One thing to look at')
  expect(progressWords(summary({ warnings: 3 }))).toBe('3 things to look at')
  const blocks = '2 numbers no longer hold.'
  expect(progressWords(summary({ warnings: 3, recorded: true, blocks }))).toBe(blocks)
  expect(progressWords(summary({ recorded: true, nextStation: null }))).toBe('Released')
  expect(progressWords(summary({ recorded: true }))).toBe('Open again since its release')
})

test('its mark: released and nothing open; read; hardly begun', () => {
  expect(trustOf(summary({ recorded: true, nextStation: null }))).toBe('proven')
  expect(trustOf(summary({ recorded: true }))).toBe('read')
  expect(trustOf(summary({ nextStation: null }))).toBe('read')
  expect(trustOf(summary({ stepsDone: 1 }))).toBe('not-read')
})

test('what is shown is found by every word at once, in whatever case and wherever it stands', () => {
  const [body, ring] = [
    summary({}),
    summary({ name: 'Clamp ring', machine: 'Mill 1', changedBy: 'Jory Fenn' }),
  ]
  const names = (words: string) => found([body, ring], words).map(({ name }) => name)
  expect(names('')).toEqual(['Focuser body', 'Clamp ring'])
  expect(names('  mill ')).toEqual(['Focuser body', 'Clamp ring'])
  expect(names('RING mill')).toEqual(['Clamp ring'])
  expect(names('mira ring')).toEqual([])
})

test('a list that is seen at a glance is not searched', () => {
  expect(needsFinding(8)).toBe(false)
  expect(needsFinding(9)).toBe(true)
})

test('machines are asked for where there is more than a page on several, or one was chosen', () => {
  expect(needsMachine(50, 3, '')).toBe(false)
  expect(needsMachine(51, 3, '')).toBe(true)
  expect(needsMachine(51, 1, '')).toBe(false)
  expect(needsMachine(2, 3, 'm')).toBe(true)
})

test('what the next page brings, the last one too', () => {
  expect(moreWords(50, 195, 'released')).toBe('Show 50 more of 195 released')
  expect(moreWords(150, 195, 'released')).toBe('Show 45 more of 195 released')
})

test('why nothing is listed: by words, on a machine, or because nobody could be asked', () => {
  expect(noneWords('rail', true)).toBe('No set-up fits these words.')
  expect(noneWords(' ', true)).toBe('No set-up is on this machine.')
  expect(noneWords('rail', false)).toContain('Without a connection')
})
