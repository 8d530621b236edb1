import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { v7 as uuid } from 'uuid'
import {
  setupFileAnswerSchema,
  setupFilePreviewSchema,
  type SetupFilePreview,
} from '@pine/contract'
import { LONGEST_TABLE_FILE } from '@pine/formats/table-file'
import { begins } from './entering'
import { startHarness, type Harness } from './harness'
import { mm, sheetOf } from './sheets'

// A set-up file comes in: looked at first, of any version, kept byte for byte, and nothing of it counts by itself.

const FIXTURES = join(__dirname, '../../contract/test/fixtures/version-1')

let server: Harness
beforeEach(async () => {
  server = await startHarness()
  await server.signInAs('Mira Toller')
})
afterEach(() => server.close())

const bytesOf = (text: string) => new Uint8Array(new TextEncoder().encode(text))
const hashOf = (bytes: Uint8Array) => createHash('sha256').update(bytes).digest('hex')

async function sent(path: string, file: string | Uint8Array<ArrayBuffer>) {
  const bytes = typeof file === 'string' ? bytesOf(file) : file
  const answer = await server.request('POST', `/imports/${path}`, bytes)
  return { status: answer.status, body: (await answer.json()) as any }
}

async function preview(file: string | Uint8Array<ArrayBuffer>): Promise<SetupFilePreview> {
  const { status, body } = await sent('set-up/preview?name=plate.json', file)
  expect([status, body]).toEqual([200, setupFilePreviewSchema.parse(body)])
  return body as SetupFilePreview
}

/** A set-up with one reading, as the product hands it out. */
async function handedOut(): Promise<{ readonly id: string; readonly text: string }> {
  const id = uuid()
  const sheet = sheetOf(1)
  await server.send(...begins({ id, sheetFactId: uuid(), sheet }))
  const body = { of: 'tip-on-plane', tool: 1, read: mm('-220.000'), with: [sheet.gauges[0]!.id] }
  const reading = { id: uuid(), kind: 'reading', body }
  expect((await server.send('POST', `/streams/setup/${id}/facts`, reading)).status).toBe(201)
  const answer = await server.request('GET', `/setups/${id}/exports/setup-file`)
  return { id, text: await answer.text() }
}

const inAll = async (table: string): Promise<number> => {
  const [{ count }] = await server.asOwner(`SELECT count(*)::int FROM ${table}`)
  return count
}

test('what was handed out is looked at, says that it is here, and writes nothing', async () => {
  const { id, text } = await handedOut()
  const before = [await inAll('fact'), await inAll('program_text')]
  const seen = await preview(text)
  expect(seen).toMatchObject({ isHere: true, problems: [], problemsInAll: 0, name: 'plate.json' })
  expect(seen.sha256).toBe(hashOf(bytesOf(text)))
  expect(seen.file).toEqual(JSON.parse(text))
  expect(seen.file?.id).toBe(id)
  expect([await inAll('fact'), await inAll('program_text')]).toEqual(before)
})

test('it is kept byte for byte, once, and given back as it is understood; a sheet says that it is from it', async () => {
  const { text } = await handedOut()
  const elsewhere = text.replaceAll(/[0-9a-f]{8}-[0-9a-f]{4}-7/g, 'aaaaaaaa-bbbb-7')
  expect((await preview(elsewhere)).isHere).toBe(false)
  const bytes = bytesOf(`\uFEFF${elsewhere}`)
  const sha256 = hashOf(bytes)
  expect(await sent('set-up', bytes)).toEqual({ status: 201, body: { sha256 } })
  expect(await sent('set-up', bytes)).toEqual({ status: 201, body: { sha256 } })
  expect(await inAll('program_text')).toBe(1)
  expect(Buffer.from((await server.store.programText(sha256))!)).toEqual(Buffer.from(bytes))
  const kept = await server.send('GET', `/imports/set-up/${sha256}`)
  expect(setupFileAnswerSchema.parse(kept.body).file).toEqual(JSON.parse(elsewhere))
  const sheet = { ...sheetOf(1), imported: { file: 'plate.json', sha256 } }
  const ids = { id: uuid(), sheetFactId: uuid() }
  const begun = await server.send(...begins({ ...ids, sheet }))
  expect([begun.status, begun.body.facts[0].body.imported]).toEqual([201, sheet.imported])
})

test.each(['utf-16le', 'utf-16be'])(
  'an editor that wrote it as %s has changed nothing in it',
  async (encoding) => {
    const { text } = await handedOut()
    const wide = Buffer.from(`\uFEFF${text}`, 'utf16le')
    const bytes = new Uint8Array(encoding === 'utf-16le' ? wide : wide.swap16())
    expect((await preview(bytes)).file).toEqual(JSON.parse(text))
  },
)

test('a file of version 1 is carried over', async () => {
  const old = readFileSync(join(FIXTURES, 'whole-run.json'), 'utf8')
  expect(JSON.parse(old).version).toBe(1)
  const seen = await preview(old)
  expect([seen.problems, seen.file?.version]).toEqual([[], 2])
  expect((await sent('set-up', old)).status).toBe(201)
})

test('everything that is wrong is told by its place, and such a file is not kept', async () => {
  const { text } = await handedOut()
  const file = JSON.parse(text)
  file.facts[1].body.read.text = '-220,000'
  const comma = await preview(JSON.stringify(file))
  expect(comma.problems.map(({ place }) => place)).toEqual(['facts.1.body.read'])
  file.facts[1].body.read.unit = 'cm'
  file.facts[0].body.sheeet = 1
  const wrong = await preview(JSON.stringify(file))
  expect(wrong.file).toBeUndefined()
  expect(wrong.problems.map(({ place }) => place).toSorted()).toEqual([
    'facts.0.body.sheeet',
    'facts.1.body.read.unit',
  ])
  const refused = await sent('set-up', JSON.stringify(file))
  expect([refused.status, refused.body.error.problems.length]).toEqual([422, 2])
  const many = Array.from({ length: 500 }, () => ({ kind: 'none' }))
  const told = await preview(JSON.stringify({ ...file, facts: many }))
  expect([told.problems.length, told.problemsInAll > 400]).toEqual([100, true])
  expect(await inAll('program_text')).toBe(0)
})

test('what is no set-up file is refused in its own words', async () => {
  const { text } = await handedOut()
  const messages = async (file: string | Uint8Array<ArrayBuffer>) => {
    const { status, body } = await sent('set-up/preview?name=plate.json', file)
    return status === 200
      ? body.problems.map(({ message }: { message: string }) => message)
      : [status, body.error.message]
  }
  expect(await messages('')).toEqual([422, 'There is no text in this file.'])
  expect(await messages(new Uint8Array([0x50, 0x4b, 3, 4, 0, 0, 0]))).toEqual([
    422,
    'There is no text in this file.',
  ])
  expect(await messages(text.slice(0, -20))).toEqual([expect.stringMatching(/^This is not JSON/)])
  expect(await messages('[]')).toEqual([expect.stringContaining('is needed')])
  expect(await messages('['.repeat(200_000))).toEqual([expect.stringMatching(/^This is not JSON/)])
  const deep = `${'{"a":'.repeat(50_000)}1${'}'.repeat(50_000)}`
  expect((await messages(deep)).length).toBeGreaterThan(0)
  const newer = await messages(
    text.replace('"version":2', '"version":3').replace('"version": 2', '"version": 3'),
  )
  expect(newer).toEqual([expect.stringContaining('version')])
  const long = await sent('set-up/preview?name=a', new Uint8Array(LONGEST_TABLE_FILE + 1).fill(32))
  expect(long.status).toBe(413)
  const none = await server.send('GET', `/imports/set-up/${'a'.repeat(64)}`)
  expect([none.status, none.body.error.message]).toEqual([404, 'This set-up file was not kept.'])
})

test('who only looks takes nothing in', async () => {
  const { text } = await handedOut()
  await server.signInAs('Vera Looks', '1357', 'viewer')
  for (const path of ['set-up/preview?name=a', 'set-up'])
    expect((await sent(path, text)).status).toBe(403)
})
