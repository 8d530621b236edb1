import { parse } from 'csv-parse/sync'
import { guessMapping } from '@pine/core/import-list'
import { writeCsv } from '@pine/formats/csv'
import { LONGEST_TABLE_FILE, MOST_ROWS, readTable, type TableFile } from '@pine/formats/table-file'
import { gaugesOfShop } from '@pine/formats/tables'

// Files as spreadsheets write them, and files that are none.

const utf8 = (text: string) => new TextEncoder().encode(text)
const utf16 = (text: string, mark: readonly [number, number]) =>
  Uint8Array.from([
    ...mark,
    ...[...text].flatMap((letter) => {
      const code = letter.charCodeAt(0)
      return mark[0] === 0xff ? [code & 255, code >> 8] : [code >> 8, code & 255]
    }),
  ])

function tableOf(bytes: Uint8Array): TableFile {
  const read = readTable(bytes)
  if ('refused' in read) throw new Error(read.refused)
  return read
}

const cellsOf = (bytes: Uint8Array) => {
  const { table } = tableOf(bytes)
  return [table.header, ...table.records.map(({ cells }) => cells)]
}

const NAMES = 'Name;Größe\r\nFräser ⌀;6,35\r\n'

test.each([
  ['UTF-8', utf8(NAMES), 'utf-8'],
  ['UTF-8 with its mark', utf8(`\uFEFF${NAMES}`), 'utf-8'],
  ['UTF-16, little end first', utf16(NAMES, [0xff, 0xfe]), 'utf-16le'],
  ['UTF-16, big end first', utf16(NAMES, [0xfe, 0xff]), 'utf-16be'],
])('a table in %s is read', (_, bytes, encoding) => {
  expect(tableOf(bytes).encoding).toBe(encoding)
  expect(cellsOf(bytes).slice(0, 2)).toEqual([
    ['Name', 'Größe'],
    ['Fräser ⌀', '6,35'],
  ])
})

test('what is no UTF-8 is read as Western spreadsheets write it', () => {
  // 0xF6 ö, 0xDF ß, 0x80 €: bytes of Windows-1252 by the Encoding Standard.
  const bytes = Uint8Array.from([...utf8('name;a\n'), 0xf6, 0xdf, 0x80, ...utf8(';1')])
  expect(cellsOf(bytes)[1]).toEqual(['öß€', '1'])
})

test.each([
  ['commas', 'name,size\na,1\n"b, the ""old"" one",2\n', ','],
  ['semicolons', 'name;size\r\na;1\r\n"b;c";2\r\n', ';'],
  ['tabs', 'name\tsize\ra\t1\r"b\tc"\t2', '\t'],
  ['bars', 'name|size\na|1\nb|2', '|'],
])('a table with %s is read as csv-parse reads it', (_, text, delimiter) => {
  expect(tableOf(utf8(text)).delimiter).toBe(delimiter)
  const outside = parse(text, { delimiter, relax_column_count: true }) as string[][]
  expect(cellsOf(utf8(text)).filter((cells) => cells.some((cell) => cell !== ''))).toEqual(outside)
})

test('rows are counted as the spreadsheet counts them, empty ones and lines within a cell too', () => {
  const { table } = tableOf(utf8('name,size\n"two\nlines",1\n\nb,2\n'))
  expect(table.records.filter(({ cells }) => cells[0] !== '').map(({ row }) => row)).toEqual([2, 4])
})

test('a table without a heading has its columns by number, and loses no row', () => {
  const { table } = tableOf(utf8('Setter,50.000\nBlock,25'))
  expect(table.header).toEqual(['Column 1', 'Column 2'])
  expect(table.records.map(({ row }) => row)).toEqual([1, 2])
})

test('a quotation mark that stays open is told at its row', () => {
  expect(tableOf(utf8('name,size\na,1\n"b,2\nc,3\n')).problems).toEqual([
    { row: 3, fault: 'quote-open', text: '' },
  ])
  expect(tableOf(utf8('name,size\n"1/2" mill,1\nc,3\n')).problems).toMatchObject([{ row: 2 }])
})

test.each([
  ['nothing', utf8(''), 'empty'],
  ['blanks', utf8(' \r\n '), 'empty'],
  ['a heading alone', utf8('name,size\n'), 'no-rows'],
  ['a NUL', utf8('name,size\na\0,1'), 'not-text'],
  ['a workbook', Uint8Array.from([0x50, 0x4b, 3, 4, 0, 0, 8, 0]), 'not-text'],
  ['too many bytes', new Uint8Array(LONGEST_TABLE_FILE + 1).fill(65), 'too-long'],
  ['too many rows', utf8(`name\n${'a\n'.repeat(MOST_ROWS + 2)}`), 'too-many-rows'],
])('%s is refused', (_, bytes, refused) => {
  expect(readTable(bytes)).toEqual({ refused })
})

test('our own table of gauges comes back with its columns known', () => {
  const gauge = {
    id: 'g',
    kind: 'pin',
    name: '6 pin',
    size: { text: '6.000', unit: 'mm' },
  } as const
  const { table } = tableOf(utf8(writeCsv(gaugesOfShop([{ id: 'g', gauge }], []))))
  const mapping = guessMapping('gauges', table.header)
  expect(mapping).toEqual({ name: 0, kind: 1, size: 2, unit: 3 })
})
