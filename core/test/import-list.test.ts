import {
  decimalOf,
  guessMapping,
  importRows,
  missingColumns,
  withoutKnown,
  type ImportList,
  type ImportTable,
} from '@pine/core/import-list'
import { IMPORT_FAULTS } from '@pine/core/import-list'
import { GAUGE_KINDS } from '@pine/core/touch'
import { describeImported, describeImportFault, GAUGE_NAMES } from '@pine/core/words'

// A list as a spreadsheet has it, read row by row: what is right comes to a tool or a gauge, what is wrong is told, all in one pass.

const MILL = '0190b2c4-0000-7000-8000-000000000001'
const table = (header: string, ...lines: readonly string[]): ImportTable => ({
  header: header.split(';'),
  records: lines.map((line, index) => ({ row: index + 2, cells: line.split(';') })),
})

function read(list: ImportList, from: ImportTable, unit: 'mm' | 'in' = 'mm') {
  const columns = guessMapping(list, from.header)
  return importRows(list, from, {
    ...{ columns, unit, decimal: decimalOf(list, from, columns) },
    machines: new Map([['tall mill', MILL]]),
  })
}

const faults = (list: ImportList, from: ImportTable) =>
  read(list, from).problems.map(({ row, column, fault }) => [row, column, fault])

test('a list of tools is read by its headings, each length in the unit of its column', () => {
  const { rows, problems } = read(
    'tools',
    table(
      'Tool;Holder;Seat;Dia [mm];OAL (in);Flutes;SIG;Stick-out;Machine;Pocket',
      '10 mm end mill;Collet chuck 3;register face;10.000;2.85;4;;31.5;Tall Mill;4',
      '1/2 drill;;;1/2";;;118;;;',
    ),
  )
  expect(problems).toEqual([])
  expect(rows).toEqual([
    {
      row: 2,
      body: {
        name: '10 mm end mill',
        holder: { name: 'Collet chuck 3', seat: 'register-face' },
        stickOut: { text: '31.5', unit: 'mm' },
        properties: {
          DC: { text: '10.000', unit: 'mm' },
          OAL: { text: '2.85', unit: 'in' },
          NOF: 4,
        },
        place: { machine: MILL, pocket: 4 },
      },
    },
    {
      row: 3,
      body: { name: '1/2 drill', properties: { DC: { text: '1/2', unit: 'in' }, SIG: 118 } },
    },
  ])
})

test('a list of gauges is read with the unit of each row, and a gauge of each kind by what it is called', () => {
  const { rows, problems } = read(
    'gauges',
    table(
      'name;kind;size;unit;uncertainty;grade;max rpm',
      'Setter 50;height-setter;50.000;mm;0.002;;',
      'Finder;Edge finders;0.200;in;;;1000',
      'Block 25;gage block;25;mm;;1;',
    ),
  )
  expect(problems).toEqual([])
  expect(rows.map(({ body }) => body)).toEqual([
    {
      kind: 'height-setter',
      name: 'Setter 50',
      size: { text: '50.000', unit: 'mm' },
      uncertainty: { text: '0.002', unit: 'mm' },
    },
    { kind: 'edge-finder', name: 'Finder', size: { text: '0.200', unit: 'in' }, maxSpeed: 1000 },
    { kind: 'gauge-block', name: 'Block 25', size: { text: '25', unit: 'mm' }, grade: '1' },
  ])
  for (const kind of GAUGE_KINDS) {
    const one = table('name;kind;size', `a;${GAUGE_NAMES[kind].toUpperCase()};1`)
    expect(read('gauges', one).rows.map(({ body }) => 'kind' in body && body.kind)).toEqual([kind])
  }
})

test('a comma is the decimal sign of a table that has no points, and of no other', () => {
  const sizes = (...lines: readonly string[]) => {
    const from = table('name;kind;size', ...lines)
    return {
      decimal: decimalOf('gauges', from, guessMapping('gauges', from.header)),
      rows: read('gauges', from).rows.map(({ body }) => 'kind' in body && body.size.text),
      faults: faults('gauges', from),
    }
  }
  expect(sizes('a;pin;6,35', 'b;pin;,5 in', 'c;pin;7')).toEqual({
    ...{ decimal: 'comma', rows: ['6.35', '.5', '7'], faults: [] },
  })
  expect(sizes('a;pin;6.35', 'b;pin;1,250')).toEqual({
    ...{ decimal: 'point', rows: ['6.35'], faults: [[3, 2, 'length-comma']] },
  })
  const comma = importRows('gauges', table('name;kind;size', 'a;pin;1.250,5', 'b;pin;1.250'), {
    ...{ columns: { name: 0, kind: 1, size: 2 }, unit: 'mm', decimal: 'comma' },
    machines: new Map(),
  })
  expect(comma.problems.map(({ fault }) => fault)).toEqual(['point-and-comma', 'point-and-comma'])
})

test('everything that is wrong is told at once, with its row and column', () => {
  expect(
    faults(
      'gauges',
      table(
        'name;kind;size;grade;rpm',
        ';pin;6;;',
        'a;ruler;6;;',
        'b;pin;-6;;',
        'c;pin;six;;',
        'd;pin;0;;',
        'e;pin;;;',
        'f;pin;6;1;',
        'g;pin;6;;900',
        'h;gauge block;6;9;',
        'i;wobbler;6;;fast',
        `${'x'.repeat(121)};pin;6;;`,
        'k\uFFFDn;pin;6;;',
        'l;pin;6;;;beyond',
        'L;pin;6;;',
        ';ruler;six;;',
      ),
    ),
  ).toEqual([
    [2, 0, 'empty'],
    [3, 1, 'kind-unknown'],
    [4, 2, 'length-negative'],
    [5, 2, 'length-not-a-number'],
    [6, 2, 'length-zero'],
    [7, 2, 'empty'],
    [8, 3, 'grade-unknown'],
    [9, 4, 'speed-wrong'],
    [10, 3, 'grade-unknown'],
    [11, 4, 'speed-wrong'],
    [12, 0, 'too-long'],
    [13, 0, 'not-storable'],
    [14, undefined, 'cells-beyond'],
    [15, undefined, 'row-twice'],
    [16, 1, 'kind-unknown'],
    [16, 0, 'empty'],
    [16, 2, 'length-not-a-number'],
  ])
  expect(
    faults(
      'tools',
      table(
        'name;machine;pocket;seat;unit;flutes;sig;dc',
        'a;Small mill;4;;;;;',
        'b;;4;;;;;',
        'c;Tall mill;0;;;;;',
        'd;Tall mill;7;;;;;',
        'e;Tall mill;7;;;;;',
        'f;;;glued;;;;',
        'g;;;;furlong;;;',
        'h;;;;;2.5;;',
        'i;;;;;;200;',
        'j;;;;;;;1.2345678',
      ),
    ),
  ).toEqual([
    [2, 1, 'machine-unknown'],
    [3, 2, 'pocket-without-machine'],
    [4, 2, 'pocket-wrong'],
    [6, 2, 'pocket-twice'],
    [7, 3, 'seat-unknown'],
    [8, 4, 'unit-unknown'],
    [9, 5, 'count-wrong'],
    [10, 6, 'angle-wrong'],
    [11, 7, 'length-too-fine'],
  ])
})

test('a pocket is of the machine that was chosen for all, unless a column names one', () => {
  const from = table('name;pocket', 'a;4')
  const options = { unit: 'mm', decimal: 'point', machines: new Map(), machine: MILL } as const
  const { rows } = importRows('tools', from, { ...options, columns: { name: 0, pocket: 1 } })
  expect(rows[0]?.body).toMatchObject({ place: { machine: MILL, pocket: 4 } })
})

test('what the shop has already is left as it is: by name, holder and place, and by the pocket', () => {
  const sound = read(
    'tools',
    table(
      'name;holder;machine;pocket',
      'Drill;chuck 1;;',
      'Drill;chuck 2;;',
      'Tap;;Tall mill;5',
      'Reamer;;Tall mill;6',
    ),
  )
  const { rows, problems } = withoutKnown(sound, {
    identities: new Set(['drill\nchuck 1\n', `tap\n\n${MILL}/5`]),
    pockets: new Set([`${MILL}/5`, `${MILL}/6`]),
  })
  expect(rows.map(({ row }) => row)).toEqual([3])
  expect(problems.map(({ row, fault }) => [row, fault])).toEqual([
    [2, 'known-already'],
    [4, 'known-already'],
    [5, 'pocket-in-use'],
  ])
})

test('one column is one thing, what is missing is named, and an empty row is passed over', () => {
  expect(guessMapping('gauges', ['Diameter', 'Gauge', 'Colour', 'Diameter (mm)'])).toEqual({
    ...{ name: 1, size: 0 },
  })
  expect(missingColumns('gauges', { name: 1, size: 0 })).toEqual(['kind'])
  expect(read('tools', table('name;dc', ';', 'a;', ' ; ')).rows).toHaveLength(1)
})

test('a row is told as it will be entered, and each fault in words of its own', () => {
  const [tool] = read('tools', table('name;holder;dc;pocket;machine', 'a;chuck;6;3;tall mill')).rows
  expect(tool && describeImported(tool.body, () => 'Tall mill')).toBe(
    'chuck · DC 6 mm · pocket 3 of Tall mill',
  )
  const [gauge] = read('gauges', table('name;kind;size;rpm', 'a;wobbler;0.5 in;900')).rows
  expect(gauge && describeImported(gauge.body, () => '')).toBe(
    'wobbler · tip diameter 0.5 in · up to 900 rpm',
  )
  const words = IMPORT_FAULTS.map((fault) => describeImportFault({ fault, text: 'x' }))
  expect(new Set(words).size).toBe(IMPORT_FAULTS.length)
  expect(describeImportFault({ fault: 'length-comma', text: '1,5' })).toContain('1.5')
})
