import {
  againstOptions,
  chosenAgainst,
  compareView,
  standingAsOf,
} from '@/areas/compare/compare-view'
import type { SetupSummary } from '@pine/contract'
import type { SetupFact, SetupFile } from '@pine/core/facts'
import { after, example, mm } from './run/set-ups'

const setup = example('whole-run', 6)
const { id, sheet } = setup.document
const by = { id: '0190b2c4-0000-7000-8000-000000000009', name: 'Mira Toller' }
const fact = (kind: string, body: object): SetupFact =>
  ({ id: kind, by, at: '2026-01-05T10:00:00Z', via: 'typed', kind, body }) as never
const summary = (of: Partial<SetupSummary>): SetupSummary => ({
  ...{
    id: 'other',
    name: sheet.name,
    machine: 'Mill',
    unit: 'mm',
    createdAt: '2025-12-01T08:00:00Z',
  },
  ...{ changedAt: '2025-12-02T08:00:00Z', changedBy: '', stepsDone: 1, stepsTotal: 1 },
  ...{ nextStation: null, recorded: true, warnings: 0, blocks: null, oldFrom: null },
  ...{ away: null, machineId: null, ...of },
})

test('it is held against the last good run of its job first, then its own moments, then what was only begun', () => {
  const facts = [fact('sheet', sheet), fact('record', { hash: 'a' })]
  const options = againstOptions(setup.document, facts, [
    summary({ id: 'begun', recorded: false }),
    summary({ id: 'released' }),
    summary({ id: 'elsewhere', name: 'Another job' }),
    summary({ id }),
  ])
  expect(options.map(({ value }) => value)).toEqual(['setup:released', 'moment:2', 'setup:begun'])
  expect(options[0]?.label).toMatch(/^Released .*, Mill$/)
  expect(options[1]?.label).toMatch(/^Released by Mira Toller, /)
  // The one that it repeats comes before all, known or not, and whatever it is called now.
  const repeat = { ...setup.document, sheet: { ...setup.document.sheet, repeats: 'elsewhere' } }
  const others = [
    summary({ id: 'released' }),
    summary({ id: 'elsewhere', name: 'Another job' }),
  ] as const
  expect(againstOptions(repeat, facts, others).map(({ value }) => value)).toEqual([
    'setup:elsewhere',
    'setup:released',
    'moment:2',
  ])
  expect(againstOptions(repeat, facts, others)[0]?.label).toMatch(/^What it repeats: Released /)
  expect(againstOptions(repeat, facts, [])[0]).toEqual({
    ...{ value: 'setup:elsewhere', label: 'What it repeats' },
  })
  // The file that it was set up from stands before everything.
  const imported = { file: 'plate.json', sha256: 'ab' }
  const fromFile = { ...setup.document, sheet: { ...setup.document.sheet, imported } }
  expect(againstOptions(fromFile, facts, others)[0]).toEqual({
    ...{ value: 'file:ab', label: 'The file plate.json' },
  })
  expect(chosenAgainst('moment:2')).toEqual({ length: 2 })
  expect(chosenAgainst('setup:released')).toEqual({ setup: 'released' })
  expect(chosenAgainst('file:ab')).toEqual({ file: 'ab' })
  expect(chosenAgainst(undefined)).toEqual({})
})

test('another set-up counts as it was released; a number that moved is told with its parts', () => {
  const reading = (text: string) => ({
    ...{ of: 'tip-on-plane', tool: 1, read: mm(text), with: ['setter'] },
  })
  const file = {
    ...{ format: 'pine-compass/setup', version: 2, id },
    facts: [
      fact('sheet', sheet),
      fact('reading', reading('-220.000')),
      fact('record', { hash: 'a' }),
      fact('reading', reading('-230.000')),
    ],
  } as SetupFile
  expect(standingAsOf(file).document.readings).toHaveLength(1)
  expect(standingAsOf(file, 4).document.readings).toHaveLength(2)
  const H1 = setup.solution.registers.find(({ address }) => address === 'H1')
  const now = after(setup, { kind: 'event', body: { kind: 'tool-changed', tool: 1 } })
  const moved = after(now, { kind: 'reading', body: reading('-222.000') as never })
  const view = compareView(setup, moved)
  expect(view.summary).toMatch(/^1 number differs, \d+ as before\.$/)
  const [line] = view.lines
  expect(line).toMatchObject({ name: 'H1', state: 'read' })
  expect(line?.because[0]).toMatch(/tip at the touch/)
  expect(H1?.value).toBeDefined()
  expect(compareView(setup, setup)).toMatchObject({ summary: 'No number differs.', lines: [] })
})
