import { parse } from 'csv-parse/sync'
import { SaxesParser } from 'saxes'
import { ladderOf, planViewOf } from '@pine/core/picture'
import { readOffsetText } from '@pine/core/offset-text'
import { writeCsv } from '../src/csv'
import { exportSetup, fileHash, fileStem, TEXT_EXPORTS, type TextExport } from '../src/exports'
import { ladderSvg, planSvg } from '../src/svg'
import { checksOfGauge, gaugesOfShop, SETUP_TABLES, setupTable } from '../src/tables'
import { example } from './example'

const REQUEST = {
  by: 'Mira Toller',
  at: '2026-11-30 14:05',
  hash: 'ab'.repeat(32),
  unproven: 'marked',
} as const
const whole = example('whole-run')
const made = (what: TextExport) => exportSetup(what, whole, REQUEST)

describe('CSV, read by a general library of its own (csv-parse)', () => {
  const read = (text: string) =>
    parse(text, { bom: true, columns: true, record_delimiter: '\r\n' }) as Record<string, string>[]

  test('the checks of a gauge, each with how far off it was', () => {
    const size = { text: '50.000', unit: 'mm' } as const
    const gauge = { id: 'g', kind: 'height-setter', name: 'Setter', size } as const
    const check = (id: string, text: string) => ({
      ...{ id, by: 'Mira Toller', at: `2026-0${id}-01T08:00:00Z`, against: 'master' },
      ...{ read: { text, unit: 'mm' as const }, master: size },
    })
    const history = {
      gauge: { id: 'g', gauge, watch: { limit: { text: '0.01', unit: 'mm' as const } } },
      checks: [check('1', '50.002'), check('2', '49.997')],
    }
    expect(read(writeCsv(checksOfGauge(history)))).toEqual([
      expect.objectContaining({ gauge: 'Setter', read: '50.002', 'off [mm]': '0.002' }),
      expect.objectContaining({ at: '2026-02-01T08:00:00Z', 'off [mm]': '-0.003', unit: 'mm' }),
    ])
  })

  test('registers with their unit in the header, as the control shows them', () => {
    expect(read(made('registers-table').text)).toEqual([
      expect.objectContaining({
        register: 'H1',
        tool: 'T1',
        'value [mm]': '-271.350',
        state: 'proven',
        'control shows [mm]': '-271.350',
        'keyed by': 'Mira Toller',
      }),
      expect.objectContaining({
        register: 'G54 X',
        tool: '',
        'value [mm]': '-347.300',
        'sure to ± [mm]': '0.0253',
      }),
      expect.objectContaining({ register: 'G54 Y', 'value [mm]': '-250.000' }),
      expect.objectContaining({
        register: 'G54 Z',
        'value [mm]': '-30.000',
        'keyed at': '2026-03-02T09:07:00Z',
      }),
    ])
  })

  test.each(SETUP_TABLES)(
    '%s: as many cells in each row as in the header, one row for each thing',
    (name) => {
      const table = setupTable(name, whole)
      expect(read(writeCsv(table)).map((row) => Object.values(row))).toEqual(table.rows)
      const { document, file } = whole
      const things = {
        registers: whole.solution.registers,
        readings: document.readings,
        tools: document.sheet.tools,
        gauges: document.sheet.gauges,
        keyed: [...document.keyIns, ...document.readBacks],
        facts: file.facts,
      }
      expect(table.rows).toHaveLength(things[name].length)
    },
  )

  test('gauges of the shop stand with their checks; one that nobody watches has empty cells', () => {
    const size = { text: '50.000', unit: 'mm' as const }
    const gauge = { id: 'a', kind: 'height-setter' as const, name: '=setter', size }
    const watch = { limit: { text: '0.005', unit: 'mm' as const } }
    const standing = {
      id: 'a',
      lastAt: '2026-11-02T08:00:00Z',
      offMm: -0.002,
      dueOn: '2027-02-14',
      isDue: false,
      isSuspect: true,
    }
    const table = gaugesOfShop(
      [
        { id: 'a', gauge, watch },
        { id: 'b', gauge: { ...gauge, id: 'b', name: 'block' }, retired: true },
      ],
      [standing],
    )
    expect(read(writeCsv(table)).map((row) => Object.values(row))).toEqual([
      [
        "'=setter",
        'height-setter',
        '50.000',
        'mm',
        '0.005',
        'mm',
        '2026-11-02T08:00:00Z',
        '-0.002',
        '2027-02-14',
        'yes',
        '',
      ],
      ['block', 'height-setter', '50.000', 'mm', '', '', '', '', '', '', 'yes'],
    ])
  })

  test('facts give back every body as it was entered', () => {
    const rows = read(made('facts-table').text)
    expect(rows.map((row) => JSON.parse(row['body as JSON']!))).toEqual(
      whole.file.facts.map(({ body }) => body),
    )
  })

  test('what was keyed and shown stands in the order in which it was', () => {
    const places = read(made('keyed-table').text).map((row) => Number(row['place']))
    expect(places).toEqual([...places].sort((one, other) => one - other))
    expect(places.length).toBe(10)
  })

  test('a spreadsheet takes nothing for a formula, and every number for a number', () => {
    const cells = [
      '=1+1',
      '@sum',
      '-cmd',
      '+1-2',
      '\tx',
      '-271.350',
      '+0.030',
      '.5',
      'a "quoted", word',
      'two\nlines',
    ]
    const text = writeCsv({ name: 'x', header: ['cell'], rows: cells.map((cell) => [cell]) })
    expect(text.startsWith('\uFEFFcell\r\n')).toBe(true)
    expect(read(text).map(({ cell }) => cell)).toEqual([
      "'=1+1",
      "'@sum",
      "'-cmd",
      "'+1-2",
      "'\tx",
      '-271.350',
      '+0.030',
      '.5',
      'a "quoted", word',
      'two\nlines',
    ])
  })
})

describe('drawings, read by a strict XML parser (saxes)', () => {
  const wellFormed = (svg: string) => {
    const texts: string[] = []
    const parser = new SaxesParser()
    parser.on('error', (cause) => {
      throw cause
    })
    parser.on('text', (text) => texts.push(text))
    parser.write(svg).close()
    return texts
  }

  test('heights carry their numbers, with a true minus sign', () => {
    const { document, solution } = whole
    const texts = wellFormed(
      ladderSvg(ladderOf(document, solution), { unit: 'mm', decimals: 3, width: 300, height: 200 }),
    )
    expect(texts).toEqual(expect.arrayContaining(['plane', '−350.000', 'part top', '−380.000']))
  })

  test('a plan names its row, and a name with markup in it stays a name', () => {
    const { document, solution } = example('bore-and-sweep')
    const [first] = document.sheet.offsets
    const plan = planViewOf(document, solution, first!)
    expect(wellFormed(planSvg(plan, { width: 300, height: 200 }))).toContain(`${first!.row} X0 Y0`)
    const odd = { ...plan, row: 'G54<&"' as typeof plan.row }
    expect(wellFormed(planSvg(odd, { width: 300, height: 200 }))).toContain('G54<&" X0 Y0')
  })

  test.each(['ladder-drawing', 'plan-drawing'] as const)('%s is a drawing', (what) => {
    expect(made(what).type).toBe('image/svg+xml')
    expect(wellFormed(made(what).text).length).toBeGreaterThan(2)
  })
})

test('an offset program out of here is read back as what the registers hold', () => {
  const { document, solution, file } = whole
  const { sheet } = document
  const control = {
    ...sheet.machine.control,
    offsetProgram: { offsets: 'L2', tools: 'L10' } as const,
  }
  const taking = { ...document, sheet: { ...sheet, machine: { ...sheet.machine, control } } }
  const { text, name } = exportSetup(
    'offset-program',
    { document: taking, solution, file },
    REQUEST,
  )
  expect(name).toBe('a-whole-run-keyed-proven-something-chang-offsets.nc')
  const rows = readOffsetText(text, 'mm', taking.sheet.machine).rows
  expect(rows.map(({ address, shown }) => `${address} ${shown.text}`)).toEqual([
    'G54.X -347.300',
    'G54.Y -250.000',
    'G54.Z -30.000',
    'H1 -271.350',
  ])
})

test('the file itself comes back equal, and its hash does not depend on the order of fields', () => {
  const file = JSON.parse(made('setup-file').text) as typeof whole.file
  expect(file).toEqual(whole.file)
  const turned = Object.fromEntries(Object.entries(file).reverse()) as unknown as typeof file
  expect(fileHash(turned)).toBe(fileHash(whole.file))
  expect(fileHash({ ...file, facts: file.facts.slice(1) })).not.toBe(fileHash(file))
})

test('each file has a name of its own that every file system takes', () => {
  const names = TEXT_EXPORTS.map((what) => made(what).name)
  expect(new Set(names).size).toBe(TEXT_EXPORTS.length)
  expect(fileStem('Größe/2: “Ø 8”')).toBe('gro-e-2-8')
  expect(fileStem('..')).toBe('set-up')
})
