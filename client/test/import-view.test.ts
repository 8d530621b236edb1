import type { ImportPreview } from '@pine/contract'
import {
  columnChoices,
  importedWords,
  importView,
  withColumn,
} from '@/areas/import-list/import-view'

const PREVIEW: ImportPreview = {
  file: { name: 'tools.csv', sha256: 'a', encoding: 'utf-8', rows: 4 },
  columns: [
    { heading: 'Tool', samples: ['mill', 'drill'] },
    { heading: 'Pocket', samples: ['4'] },
    { heading: 'Colour', samples: [] },
  ],
  mapping: { name: 0, pocket: 1 },
  ...{ unit: 'mm', decimal: 'point', missing: [], good: 1, faulty: 2, already: 1 },
  sample: [{ row: 2, name: 'mill', words: '' }],
  problems: [
    { row: 3, column: 'Pocket', text: '0', words: 'Expected a pocket.' },
    { row: 4, text: '', words: 'More cells.' },
  ],
  problemsInAll: 5,
}

test('a preview is counted, its faults lie by row and column, and each column says what it is', () => {
  expect(importView('tools', PREVIEW)).toEqual({
    file: 'tools.csv · 4 rows',
    summary: '1 tool can be imported, 2 rows left out, 1 imported from this file before.',
    columns: [
      { column: 0, heading: 'Tool', samples: 'mill · drill', role: 'name', is: 'name' },
      { column: 1, heading: 'Pocket', samples: '4', role: 'pocket', is: 'pocket' },
      { column: 2, heading: 'Colour', samples: '' },
    ],
    problems: [
      { where: 'Row 3 · Pocket · “0”', words: 'Expected a pocket.' },
      { where: 'Row 4', words: 'More cells.' },
    ],
    more: 'And 3 more.',
    button: 'Import 1 tool',
    asksForMachine: true,
  })
})

test('where nothing can be imported there is no button, and what is missing is asked for', () => {
  const view = importView('gauges', {
    ...PREVIEW,
    ...{ mapping: {}, missing: ['name', 'size'], good: 0, problems: [], problemsInAll: 0 },
  })
  expect(view.button).toBeUndefined()
  expect(view.missing).toBe('Which column is the name, the size? Name it below.')
  expect(view.asksForMachine).toBe(false)
})

test('a column is one thing and a thing is in one column; what else was said of the file stays', () => {
  const said = { unit: 'in' } as const
  expect(withColumn(said, PREVIEW.mapping, 2, 'name')).toEqual({
    ...{ unit: 'in', columns: { pocket: 1, name: 2 } },
  })
  expect(withColumn(said, PREVIEW.mapping, 1, undefined).columns).toEqual({ name: 0 })
  expect(withColumn(said, PREVIEW.mapping, 1, 'holder').columns).toEqual({ name: 0, holder: 1 })
  expect(columnChoices('gauges').map(({ label }) => label)).toContain('grade by ISO 3650')
})

test('what was written is said, and what was there before', () => {
  expect(importedWords('gauges', { written: 1, already: 0 })).toBe('1 gauge was imported.')
  expect(importedWords('tools', { written: 2, already: 3 })).toBe(
    '2 tools were imported. 3 were there from this file before.',
  )
})
