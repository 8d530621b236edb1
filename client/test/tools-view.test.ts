import type { SetupSummary, ToolHistory } from '@pine/contract'
import { staleByMachine } from '@/areas/shop/machine/stale-by-machine'
import { staleByTool } from '@/areas/tools/happened-view'
import { correctedTool, newTool, toolDraft, toolOf } from '@/areas/tools/tool-draft'
import {
  codeOf,
  labelText,
  lengthChart,
  measuredLines,
  placeWords,
  propertyLines,
  toolOfLabel,
} from '@/areas/tools/tools-view'
import { waitingTools } from '@/data/shop/tools'

jest.mock('@/data/outbox/outbox-store', () => ({ outboxStore: {}, useOutbox: () => [] }))
jest.mock('@/data/outbox/outbox', () => ({ postAndHear: () => undefined }))

const ID = '019aaaaa-0000-7000-8000-0000deadbeef'
const mm = (text: string) => ({ text, unit: 'mm' as const })

const measured = (at: string, length: string | undefined, touched = true) =>
  ({
    ...{ setup: ID, name: 'Clamp ring', machine: 'Mill 2', number: 4, plane: 'fixed jaw' },
    ...{ at: `${at}T08:00:00.000Z`, by: 'Mira', with: ['setter', 'block'], touched },
    ...(length !== undefined && { length: mm(length), lengthWithinMm: 0.0084 }),
  }) as ToolHistory['measured'][number]

test('a label holds the address of the tool’s page, and its code is the end of its id', () => {
  expect(toolOfLabel(labelText('https://shop.example', ID))).toBe(ID)
  expect(toolOfLabel(labelText('https://elsewhere', ID.toUpperCase()))).toBe(ID)
  expect(toolOfLabel(`https://shop/setups/${ID}`)).toBeUndefined()
  expect(toolOfLabel('https://shop/tools/scan')).toBeUndefined()
  expect(codeOf(ID)).toBe('DEADBEEF')
})

test('a tool is in a pocket of a machine, of one that is unknown here, or in none', () => {
  const machines = [{ id: ID, machine: { name: 'Mill 2' } as never }]
  const place = { machine: ID, pocket: 4 }
  const tool = { name: 'drill', place }
  expect(placeWords({ tool }, machines)).toBe('T4 in Mill 2')
  expect(placeWords({ tool }, [])).toBe('T4')
  expect(placeWords({ tool: { name: 'drill' } }, machines)).toBe('in no machine')
  expect(placeWords({ tool, displaced: true }, machines)).toBe(
    'out of its pocket: another is T4 in Mill 2 now',
  )
})

test('properties are told by symbol and name, each with its unit', () => {
  const lines = propertyLines({
    name: 'drill',
    properties: { DC: mm('10'), NOF: 2, SIG: 118 },
    holder: { name: 'chuck 3', seat: 'taper' },
    stickOut: mm('62.5'),
  })
  expect(lines.map(({ symbol, name, text: says }) => `${symbol} ${name}: ${says}`)).toEqual([
    'DC cutting diameter: 10 mm',
    'NOF flutes: 2',
    'SIG point angle: 118°',
    ' holder: chuck 3',
    ' sits by: its taper alone',
    ' sticks out: 62.5 mm',
  ])
})

test('measurements say where, how, how long and how surely; what was taken over says so', () => {
  const [one, two] = measuredLines({
    measured: [measured('2026-03-05', '80.004'), measured('2026-03-02', undefined, false)],
  })
  expect(one).toMatchObject({
    on: '5 Mar 2026',
    where: 'T4 in Mill 2 · fixed jaw',
    how: 'Mira, on the setter and block',
    length: '80.004 mm',
    within: '± 0.008',
  })
  expect(two).toMatchObject({ how: 'reused', length: undefined, within: undefined })
})

test('lengths over time are told from the first on, the oldest first, without what was taken over', () => {
  const chart = lengthChart({
    measured: [
      measured('2026-03-09', '80.050'),
      measured('2026-03-07', '80.020', false),
      measured('2026-03-05', '80.000'),
    ],
    repeatsMm: 0.004,
  })!
  expect(chart.points.map(({ on, off }) => [on, Number(off.toFixed(6))])).toEqual([
    ['03-05', 0],
    ['03-09', 0.05],
  ])
  expect(chart.text).toBe(
    '2 times measured; the last is 0.050 mm from the first. Left alone it comes again within ± 0.008 mm.',
  )
  expect(lengthChart({ measured: [measured('2026-03-05', '80')] })).toBeUndefined()
})

describe('a tool that is declared', () => {
  test('has what was typed, and no place: a set-up says that', () => {
    const draft = {
      ...newTool,
      name: ' 10 mm drill ',
      holder: 'chuck 3',
      DC: '10',
      NOF: '2',
      SIG: '118',
    }
    expect(toolOf(draft)).toEqual({
      made: {
        name: '10 mm drill',
        holder: { name: 'chuck 3' },
        properties: { DC: mm('10'), NOF: 2, SIG: 118 },
      },
    })
  })

  test.each([
    ['name', {}, /Say what it is/],
    ['DC', { name: 'drill', DC: '-10' }, /./],
    ['NOF', { name: 'drill', NOF: '2.5' }, /whole number from 1 to 40/],
    ['SIG', { name: 'drill', SIG: '200' }, /number from 1 to 180/],
    ['stickOut', { name: 'drill', stickOut: 'x' }, /./],
  ] as const)('is refused where its %s is wrong', (field, typed, says) => {
    const outcome = toolOf({ ...newTool, ...typed })
    expect('problems' in outcome && outcome.problems[field]).toMatch(says)
  })

  test('is put right with a reason, where it is', () => {
    const before = {
      name: 'drill',
      holder: { name: 'chuck 3', seat: 'taper' as const },
      properties: { DC: { text: '0.5', unit: 'in' as const }, NOF: 2 },
      place: { machine: ID, pocket: 4 },
    }
    const draft = toolDraft(before)
    expect(draft).toMatchObject({ DC: '0.5', NOF: '2', unit: 'in', seat: 'taper', reason: '' })
    expect(correctedTool(before, draft)).toHaveProperty('problems.reason')
    expect(correctedTool(before, { ...draft, reason: 'measured' })).toEqual({
      made: { tool: before, reason: 'measured' },
    })
  })
})

describe('what staleByTool by something that happens between set-ups', () => {
  const [a, b, c] = [
    { setup: 'a', name: 'Job a', open: true },
    { setup: 'b', name: 'Job b', open: false },
    { setup: 'c', name: 'Job c', open: true },
  ]
  const on = (...ids: string[]) => ({
    setups: ids.map((id) => ({ id, name: `Job ${id}` }) as SetupSummary),
    total: ids.length,
  })

  test('a tool: those open ones that it was touched in', () => {
    expect(staleByTool([a, b]).setups).toEqual([{ id: 'a', name: 'Job a' }])
    expect(staleByTool([a, b]).text).toContain('Reported to the one still open')
    expect(staleByTool([a, b, c]).text).toContain('the 2 still open')
    expect(staleByTool([b]).text).toContain('None is open')
  })

  test('a machine: those open on it, and its tools', () => {
    expect(staleByMachine(on('a'), 6).setups.map(({ id }) => id)).toEqual(['a'])
    expect(staleByMachine(on('a'), 6).text).toBe(
      'The 6 tools in it: what was touched before counts no more by itself. Reported to the one set-up open on it:',
    )
    expect(staleByMachine(on('a'), 1).text).toContain('The one tool in it')
    // More than a page of them: all are told of, some are shown.
    expect(staleByMachine({ ...on('a', 'b'), total: 120 }, 1).text).toContain('the 120 set-ups')
    expect(staleByMachine(on(), 0).text).toBe('No tool is known in it. No set-up is open on it.')
  })
})

test('tools that are declared here and on their way are told by name; refused ones and other entries are not', () => {
  const entry = (fact: object, changes: object = {}) =>
    ({ stream: { kind: 'tool', id: 't' }, fact, by: 'Mira', at: '', ...changes }) as never
  const declared = (name: string) => ({ id: name, kind: 'tool', body: { name } })
  expect(
    waitingTools([
      entry(declared('reamer')),
      entry(declared('tap'), { refused: { message: 'no' } }),
      entry({ id: 'e', kind: 'tool-event', body: { what: 'broken', note: '' } }),
      entry(declared('ball'), { stream: { kind: 'gauge', id: 'g' } }),
    ]),
  ).toEqual(['reamer'])
})
