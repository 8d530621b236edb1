import { createHash } from 'node:crypto'
import { v7 as uuid } from 'uuid'
import { importPreviewSchema, NEW_FACTS, type ImportPreview } from '@pine/contract'
import { LONGEST_TABLE_FILE } from '@pine/formats/table-file'
import { declares } from './entering'
import { startHarness, type Harness } from './harness'
import { sheetOf } from './sheets'

// Lists of tools and gauges from a spreadsheet: looked at first, written all or not at all, and nothing that is there is touched.

let server: Harness
const mill = uuid()
beforeEach(async () => {
  server = await startHarness()
  await server.signInAs('Mira Toller')
  await server.send(...declares('machine', { id: mill, machine: sheetOf(1).machine }))
})
afterEach(() => server.close())

type Options = Readonly<Record<string, string>>
const bytesOf = (text: string) => new Uint8Array(new TextEncoder().encode(text))

async function sent(path: string, file: string | Uint8Array<ArrayBuffer>, options: Options = {}) {
  const asked = new URLSearchParams({ name: 'list.csv', ...options })
  const bytes = typeof file === 'string' ? bytesOf(file) : file
  const answer = await server.request('POST', `/imports/${path}?${asked}`, bytes)
  return { status: answer.status, body: (await answer.json()) as any }
}

async function preview(
  list: string,
  file: string | Uint8Array<ArrayBuffer>,
  options?: Options,
): Promise<ImportPreview> {
  const { status, body } = await sent(`${list}/preview`, file, options)
  expect([status, body]).toEqual([200, importPreviewSchema.parse(body)])
  return body as ImportPreview
}

const count = async (kind: string): Promise<number> => {
  const [{ count }] = await server.asOwner('SELECT count(*)::int FROM fact WHERE kind = $1', [kind])
  return count
}

const TOOLS =
  'Tool;Holder;Dia [mm];Pocket\r\n10 mm end mill;chuck 3;10,000;4\r\nSpot drill;;6,0;\r\n'

test('a list is looked at, and nothing is written by that', async () => {
  const seen = await preview('tools', TOOLS, { machine: mill })
  expect(seen).toMatchObject({
    file: { name: 'list.csv', encoding: 'utf-8', rows: 2 },
    mapping: { name: 0, holder: 1, DC: 2, pocket: 3 },
    ...{ unit: 'mm', decimal: 'comma', missing: [], good: 2, faulty: 0, already: 0, problems: [] },
    sample: [
      { row: 2, name: '10 mm end mill', words: expect.stringContaining('chuck 3 · DC 10.000 mm') },
      { row: 3, name: 'Spot drill', words: 'DC 6.0 mm' },
    ],
  })
  expect(seen.columns[2]).toEqual({ heading: 'Dia [mm]', samples: ['10,000', '6,0'] })
  expect(await count('tool')).toBe(0)
})

test('its rows become tools under the name of who imports it, each with the file that it came from', async () => {
  expect(await sent('tools', TOOLS, { machine: mill })).toEqual({
    ...{ status: 201, body: { written: 2, already: 0 } },
  })
  const { tools } = (await server.send('GET', '/tools')).body
  expect(tools.map(({ tool }: any) => tool)).toEqual([
    {
      name: '10 mm end mill',
      holder: { name: 'chuck 3' },
      properties: { DC: { text: '10.000', unit: 'mm' } },
      place: { machine: mill, pocket: 4 },
    },
    { name: 'Spot drill', properties: { DC: { text: '6.0', unit: 'mm' } } },
  ])
  const { facts } = (await server.send('GET', `/streams/tool/${tools[0].id}/facts?from=0`)).body
  expect(facts).toMatchObject([
    {
      via: 'imported',
      by: { name: 'Mira Toller' },
      body: {
        imported: {
          file: 'list.csv',
          sha256: createHash('sha256').update(bytesOf(TOOLS)).digest('hex'),
          row: 2,
        },
      },
    },
  ])
  // What was written is what a person could have entered.
  const { id, kind, body } = facts[0]
  expect(NEW_FACTS.tool.safeParse({ id, kind, body }).success).toBe(true)
})

test('the same file a second time writes nothing, and says so', async () => {
  await sent('tools', TOOLS, { machine: mill })
  expect(await preview('tools', TOOLS, { machine: mill })).toMatchObject({
    ...{ good: 0, faulty: 0, already: 2 },
  })
  expect(await sent('tools', TOOLS, { machine: mill })).toMatchObject({
    body: { written: 0, already: 2 },
  })
  // Saved anew with one row more, only that one is taken: the others are there, and are not overwritten.
  const more = `${TOOLS}Tap;;8,0;\r\n`
  const seen = await preview('tools', more, { machine: mill })
  expect([seen.good, seen.problems.map(({ row, words }) => [row, words.slice(0, 16)])]).toEqual([
    1,
    [
      [2, 'The shop has one'],
      [3, 'The shop has one'],
    ],
  ])
  await sent('tools', more, { machine: mill })
  expect(await count('tool')).toBe(3)
})

test('a pocket that is in use is not given to another tool', async () => {
  await sent('tools', TOOLS, { machine: mill })
  const other = await preview('tools', 'name;pocket\nReamer;4\n', { machine: mill })
  expect(other.problems).toMatchObject([{ row: 2, text: '4' }])
  expect(other.problems[0]?.words).toContain('in this pocket already')
})

test('gauges come in by a lead, and stand on the shop’s list without what was said of their file', async () => {
  const list = 'name,kind,size,unit\nSetter 50,height setter,50.000,mm\nPin,gauge pin,0.25,in\n'
  await server.signInAs('Jory Fenn', '1357', 'setter')
  expect((await sent('gauges', list)).status).toBe(403)
  await server.signInAs('Mira Toller')
  expect(await sent('gauges', list)).toMatchObject({ body: { written: 2 } })
  const gauges = (await server.send('GET', '/gauges')).body
  expect(gauges).toHaveLength(2)
  for (const { id, gauge } of gauges) {
    expect(gauge.id).toBe(id)
    expect(Object.keys(gauge).sort()).toEqual(['id', 'kind', 'name', 'size'])
  }
  expect((await preview('gauges', `${list}Block,gauge block,25,mm\n`)).problems).toHaveLength(2)
})

test('a quotation mark that stays open is the only fault of its row, and the rows before it are sound', async () => {
  const seen = await preview('gauges', 'name,kind,size\nPin,gauge pin,6\n"open,pin,3\nlast,pin,4\n')
  expect([seen.good, seen.problems.map(({ row }) => row)]).toEqual([1, [3]])
  expect(seen.problems[0]?.words).toContain('quotation mark')
})

test('columns are named by the person where headings say nothing, and named wrongly they are refused', async () => {
  const list = 'A|B\nSetter|50\n'
  expect((await preview('gauges', list)).missing).toEqual(['name', 'kind of gauge', 'size'])
  const refused = await sent('gauges', list)
  expect([refused.status, refused.body.error.remedy]).toEqual([
    422,
    'Look at the preview: it says what is wrong with each row.',
  ])
  const named = await preview('tools', list, { columns: '{"name":0,"stickOut":1}', unit: 'in' })
  expect(named.sample).toMatchObject([{ name: 'Setter', words: 'stick-out 50 in' }])
  for (const columns of ['{"name":2}', '{"colour":0}', '{"name":-1}', 'no JSON', '[0]'])
    expect((await sent('tools/preview', list, { columns })).status).toBe(422)
})

test.each([
  ['nothing', '', 422, 'There is nothing in this file.'],
  ['a workbook', Uint8Array.of(0x50, 0x4b, 3, 4, 0, 0), 422, 'This is no table of text.'],
  ['a heading alone', 'name;size\n', 422, 'There is a heading and no row below it.'],
  ['too many rows', `name\n${'a\n'.repeat(100_001)}`, 422, 'more rows than any list'],
  ['too many bytes', new Uint8Array(LONGEST_TABLE_FILE + 1).fill(65), 413, ''],
])('%s is refused in words, and nothing is written', async (_, file, status, words) => {
  for (const path of ['tools/preview', 'tools']) {
    const answer = await sent(path, file)
    expect([answer.status, answer.body.error.message]).toEqual([
      status,
      expect.stringContaining(words),
    ])
  }
  expect(await count('tool')).toBe(0)
})

test('a list of another kind is none, and a name of a file is asked for', async () => {
  expect((await sent('machines/preview', 'a\nb')).status).toBe(404)
  expect((await server.request('POST', '/imports/tools', bytesOf(TOOLS))).status).toBe(422)
})

test('of 50,000 rows with 300 faults of ten kinds every fault is told, and the good ones come in on request', async () => {
  const wrong: readonly ((row: number) => string)[] = [
    (row) => `;c${row};1.0;1;`,
    (row) => `${'n'.repeat(121)}${row};c;1.0;1;`,
    (row) => `t${row};c;1,0;1;`,
    (row) => `t${row};c;-1;1;`,
    (row) => `t${row};c;0;1;`,
    (row) => `t${row};c;ten;1;`,
    (row) => `t${row};c;1.1234567;1;`,
    (row) => `t${row};c;1.0;41;`,
    (row) => `t${row};c;1.0;1;1000`,
    (row) => `t${row};c;1.0;1;;beyond`,
  ]
  const rows = Array.from({ length: 50_000 }, (_, index) => `tool ${index};c;6.35;4;`)
  const told = new Map<number, number>()
  for (let fault = 0; fault < 300; fault += 1) {
    const at = 7 + fault * 163
    rows[at] = wrong[fault % 10]!(at)
    told.set(at + 2, fault % 10)
  }
  const fileOf = (lines: readonly string[]) => `name;holder;dc;flutes;pocket\n${lines.join('\n')}\n`
  const file = fileOf(rows)
  const seen = await preview('tools', file, { decimal: 'point', machine: mill })
  expect([seen.good, seen.faulty, seen.problemsInAll]).toEqual([49_700, 300, 300])
  expect(seen.problems.map(({ row }) => row)).toEqual([...told.keys()])
  // Ten kinds of faults are told in ten ways; what is quoted of the row is left aside.
  const kinds = new Set(seen.problems.map(({ words }) => words.replace(/“.*?”|\d\.\d/g, '')))
  expect(kinds.size).toBe(10)
  // Written are a tenth of them, which takes a second instead of ten: 30 faults are among them.
  const part = fileOf(rows.slice(0, 5000))
  expect(await sent('tools', part, { decimal: 'point', machine: mill })).toMatchObject({
    ...{ status: 201, body: { written: 4969, already: 0 } },
  })
  expect(await count('tool')).toBe(4969)
  const page = (await server.send('GET', '/tools?find=tool%204999')).body
  expect(page.total).toBe(1)
})

test('where one row cannot be written, none is', async () => {
  const good = { id: uuid(), factId: uuid(), body: { name: 'a' } }
  // An id that a fact has already: the whole import falls with it.
  const twice = { id: uuid(), factId: good.factId, body: { name: 'b' } }
  const person = (await server.store.people())[0]!.id
  await expect(
    server.store.importStreams('tool', [good, twice], person, new Date()),
  ).rejects.toThrow()
  expect(await count('tool')).toBe(0)
})
