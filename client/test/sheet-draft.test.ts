import {
  emptyDraft,
  finish,
  nextTool,
  withGauge,
  withNextOffset,
  withUnit,
  type SheetDraft,
} from '@/areas/new-setup/sheet-draft'

const machine = {
  name: 'Mill 2',
  kind: 'mill',
  control: { decimals: { mm: 3, in: 4 }, lengthKey: 'set', workOffsetKey: 'set' },
} as const
const mm = (text: string) => ({ text, unit: 'mm' as const })
const written: SheetDraft = {
  ...emptyDraft(),
  name: 'Body',
  machine,
  stock: { X: mm('120'), Y: mm('80'), Z: mm('40') },
}

const places = (draft: SheetDraft) => finish(draft).problems.map(({ place }) => place)

test('an empty draft says everything that is missing, each at its place', () => {
  expect(places(emptyDraft())).toEqual(
    expect.arrayContaining(['name', 'machine', 'stock.X', 'stock.Y', 'stock.Z']),
  )
})

test('a written draft is a sheet; tools without a name are called by their number', () => {
  expect(finish(written)).toMatchObject({
    problems: [],
    sheet: { name: 'Body', tools: [{ number: 1, name: 'tool 1' }] },
  })
})

test('two tools in one H row are told', () => {
  const tools = [...written.tools, { ...nextTool(written.tools), lengthRegister: 1 }]
  expect(places({ ...written, tools })).toEqual(['tools.1.lengthRegister'])
})

test('the next tool and the next fixture follow the last', () => {
  expect(nextTool([{ number: 7, name: '', lengthRegister: 3 }])).toMatchObject({
    number: 8,
    lengthRegister: 8,
  })
  expect(withNextOffset(withNextOffset(written)).offsets.map(({ row }) => row)).toEqual([
    'G54',
    'G55',
    'G56',
  ])
})

test('another unit changes what was not typed yet, and leaves what was', () => {
  const changed = withUnit({ ...written, stock: { ...written.stock, Z: mm('') } }, 'in')
  expect(changed.stock).toEqual({ X: mm('120'), Y: mm('80'), Z: { text: '', unit: 'in' } })
  expect(changed.offsets[0]?.Z.facing.unit).toBe('in')
})

test('a gauge is taken and put back', () => {
  const gauge = { id: 'a', kind: 'paper', name: 'paper', size: mm('0.09') } as const
  expect(withGauge(withGauge(written, gauge), gauge).gauges).toEqual([])
})
