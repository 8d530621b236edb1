import { PLAN_WAYS, planWay } from '@pine/core/sheet'
import {
  emptyDraft,
  finish,
  nextTool,
  withGauge,
  withMachine,
  withNextOffset,
  withPlanWay,
  withProgram,
  withSchool,
  withUnit,
  withZWay,
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

test('where things stood belongs to its machine: another one begins without it', () => {
  const stood = { plane: { text: '-350.000', unit: 'mm' } } as const
  const [mill, other] = ['019aaaaa-0000-7000-8000-00000000eeee', 'another']
  const repeated = { ...written, machineId: mill, stood }
  expect(withMachine(repeated, mill, machine).stood).toEqual(stood)
  expect(withMachine(repeated, other, machine)).not.toHaveProperty('stood')
})

describe('on a machine that keeps no lengths', () => {
  const ROUTER = '019aaaaa-0000-7000-8000-00000000dddd'
  const MILL = '019aaaaa-0000-7000-8000-00000000eeee'
  const router = {
    ...machine,
    name: 'Small router',
    control: { ...machine.control, toolLengths: 'none' },
  } as const

  test('each tool is touched on the part, unless something else was chosen', () => {
    expect(withMachine(written, ROUTER, router)).toMatchObject({
      machineId: ROUTER,
      school: 'part-top',
      offsets: [{ Z: { by: 'part-top' } }],
    })
    const chosen = withSchool(written, 'master-tool')
    expect(withMachine(chosen, ROUTER, router).school).toBe('master-tool')
    expect(withMachine(written, MILL, machine).school).toBe('setting-plane')
  })

  test('its tools have no register in the sheet, and get theirs back on another machine', () => {
    const on = withMachine(written, ROUTER, router)
    const { sheet, problems } = finish(on)
    expect(problems).toEqual([])
    expect(sheet?.tools).toEqual([{ number: 1, name: 'tool 1' }])
    const back = withMachine({ ...on, tools: [...sheet!.tools] }, MILL, machine)
    expect(finish(back).sheet?.tools).toEqual([{ number: 1, name: 'tool 1', lengthRegister: 1 }])
  })
})

test('an empty draft says everything that is missing, each at its place', () => {
  expect(places(emptyDraft())).toEqual(expect.arrayContaining(['name', 'machine']))
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

describe('every school and way can be written', () => {
  const twoParts = withNextOffset(written)

  test('to the part’s top: the tools find its Z, another part by the difference', () => {
    const byTop = withSchool(twoParts, 'part-top')
    expect(byTop.offsets.map(({ Z }) => Z)).toEqual([
      { by: 'part-top', facing: mm('0') },
      { by: 'fixture-difference', from: 'G54', facing: mm('0') },
    ])
    expect(places(byTop)).toEqual([])
    // And back: a way that only that school knows gives way.
    expect(withSchool(byTop, 'gauge-line').offsets[0]?.Z.by).toBe('carried-difference')
  })

  test('a master is named with its school, and dropped with it', () => {
    const byMaster = withSchool(written, 'master-tool')
    expect(byMaster.reference).toEqual({ masterTool: 1 })
    expect(places(byMaster)).toEqual([])
    expect(withSchool(byMaster, 'gauge-line').reference).toBeUndefined()
  })

  test.each(PLAN_WAYS)('X and Y by %s keep what the drawing says', (way) => {
    const [offset] = written.offsets
    const changed = withPlanWay({ ...offset!, X: { ...offset!.X, drawing: mm('12.5') } }, way, 'mm')
    expect(planWay(changed)).toBe(way)
    expect([changed.X.drawing, changed.Y.drawing]).toEqual([mm('12.5'), mm('0')])
    const missing = places({ ...written, offsets: [changed] })
    expect(missing).toEqual(
      way.startsWith('circle') ? expect.arrayContaining(['offsets.0.X.diameter']) : [],
    )
  })

  test.each(['carried-difference', 'nose-on-part', 'tool-on-part', 'fixture-difference'] as const)(
    'Z by %s keeps the facing and the quill',
    (by) => {
      const offset = twoParts.offsets[1]!
      const quill = { measured: mm('5'), running: mm('0') }
      const changed = withZWay(
        twoParts,
        { ...offset, Z: { by: 'nose-on-part', facing: mm('0.5'), quill } },
        by,
      )
      expect(changed.Z).toMatchObject({ by, facing: mm('0.5'), quill })
      expect(places({ ...twoParts, offsets: [twoParts.offsets[0]!, changed] })).toEqual([])
    },
  )
})

test('a program fills in tools, rows and unit; what it cannot say stays as it was typed', () => {
  const tools = [{ number: 4, name: 'drill', lengthRegister: 14 }]
  const filled = withProgram(written, { unit: 'in', tools, rows: ['G55'], otherRows: [] }, 'a.ngc')
  expect(filled.tools).toEqual(tools)
  expect(filled.offsets.map(({ row }) => row)).toEqual(['G55'])
  expect(filled.unit).toBe('in')
  expect(filled.name).toBe('Body')
  expect(filled.stock).toEqual(written.stock)
  const named = withProgram(
    emptyDraft(),
    { tools: [], rows: [], otherRows: [] },
    'flange.rev.b.ngc',
  )
  expect(named.name).toBe('flange.rev.b')
  expect(named.tools).toEqual(emptyDraft().tools)
})

test('a plan of touches goes on while it fits, and not with a gauge or a tool that it no longer does', () => {
  const setter = { id: 'setter', kind: 'height-setter', name: 'setter', size: mm('50') } as const
  const tools = [
    { number: 1, name: 'one', touchWith: ['setter'] },
    { number: 2, name: 'two', touchWith: ['gone'] },
  ]
  const leftOut = [2, 9].map((number) => ({
    tool: { number, name: `T${number}` },
    reason: 'second side',
  }))
  const { sheet, problems } = finish({ ...written, gauges: [setter], tools, leftOut })
  expect(problems).toEqual([])
  expect(sheet?.tools.map(({ touchWith }) => touchWith)).toEqual([['setter'], undefined])
  expect(sheet?.leftOut?.map(({ tool }) => tool.number)).toEqual([9])
  expect(finish(written).sheet).not.toHaveProperty('leftOut')
})
