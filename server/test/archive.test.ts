import { createHash } from 'node:crypto'
import { createWriteStream, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import { DataSource } from 'typeorm'
import { v7 as uuid } from 'uuid'
import { openArchive, writeArchive, type Archived } from '@pine/formats/archive'
import { openDatabase } from '../src/store/data-source'
import { addShop } from '../src/store/new-shop'
import { typeormStore } from '../src/store/typeorm-store'
import { restoreShop } from '../src/use-cases/archive/restore-shop'
import { archiveShop } from '../src/use-cases/archive/archive-shop'
import { begins, declares, enters } from './entering'
import { startHarness, type Harness } from './harness'
import { mm, sheetOf } from './sheets'

// A shop as one file: what goes out comes in again equal, and what was tampered with comes in not at all.

const clock = () => new Date('2026-03-02T12:00:00Z')
const folder = mkdtempSync(join(tmpdir(), 'pine-archive-'))
const file = (name: string) => join(folder, name)
afterAll(() => rmSync(folder, { recursive: true }))

let shop: Harness
let setup: string
beforeAll(async () => {
  shop = await startHarness()
  await shop.signInAs('Jory Fenn', '1357', 'setter')
  await shop.signInAs('Mira Toller')
  setup = uuid()
  await shop.send(...begins({ id: setup, sheetFactId: uuid(), sheet: sheetOf(1) }))
  for (const read of ['-220.000', '-220.004'])
    await shop.send('POST', `/streams/setup/${setup}/facts`, {
      ...{ id: uuid(), kind: 'reading' },
      body: { of: 'tip-on-plane', tool: 1, read: mm(read), with: ['setter'] },
    })
  const [machine, gauge] = [uuid(), uuid()]
  await shop.send(...declares('machine', { id: machine, machine: sheetOf(1).machine }))
  await shop.send(
    ...enters('machine', machine, 'machine-event', { id: uuid(), what: 'home-lost', note: '' }),
  )
  await shop.send(
    ...declares('gauge', {
      id: gauge,
      gauge: { id: gauge, kind: 'ball', name: 'ball', size: mm('20') },
    }),
  )
  await shop.send(...declares('tool', { id: uuid(), tool: { name: 'drill' } }))
  const text = 'G21\nM30\n'
  const sha256 = createHash('sha256').update(text).digest('hex')
  await shop.store.keepProgramText({
    sha256,
    bytes: Buffer.from(text),
    personId: (await shop.store.people())[0]!.id,
    at: clock(),
  })
})
afterAll(() => shop.close())

async function archived(name: string): Promise<string> {
  const { zip } = await archiveShop(shop.store, clock, 'Mira Toller')
  await pipeline(zip, createWriteStream(file(name)))
  return file(name)
}

async function inEmptyShop<T>(work: (other: Harness) => Promise<T>): Promise<T> {
  const other = await startHarness()
  try {
    await other.signInAs('Mira Toller')
    return await work(other)
  } finally {
    await other.close()
  }
}

/** Every entry of an archive but the manifest, by its name. */
async function contents(path: string): Promise<ReadonlyMap<string, string>> {
  const archive = await openArchive(path)
  const read = new Map<string, string>()
  for (const entry of archive.manifest.entries)
    read.set(entry.name, String(await archive.read(entry)))
  archive.close()
  return read
}

test('a shop that is put into an empty one answers the same, and its archive is the same again', async () => {
  const path = await archived('shop.zip')
  const before = await shop.send('GET', `/setups/${setup}`)
  await inEmptyShop(async (other) => {
    expect(await restoreShop(other.store, clock, path)).toEqual({
      // Each as it was entered, and what the lost home told the set-up.
      facts: 8,
      streams: 4,
      records: 0,
      programs: 1,
      people: 2,
    })
    const after = await other.send('GET', `/setups/${setup}`)
    // Who is called as the lead here has a second name; everything else is equal.
    const renamed = JSON.stringify(after.body).replace(/Mira Toller \(2\)/g, 'Mira Toller')
    expect(JSON.parse(renamed)).toEqual(before.body)
    const solved = (at: Harness) => at.send('GET', `/setups/${setup}/solution`)
    expect((await solved(other)).body).toEqual(
      JSON.parse(
        JSON.stringify((await solved(shop)).body).replace(/Mira Toller/g, 'Mira Toller (2)'),
      ),
    )
    const list = await other.send('GET', '/setups')
    expect(list.body).toMatchObject({ total: 1, setups: [{ id: setup, name: 'Worked example' }] })
    expect((await other.send('GET', '/tools')).body.tools).toHaveLength(1)
    const { zip } = await archiveShop(other.store, clock, 'Mira Toller')
    await pipeline(zip, createWriteStream(file('again.zip')))
    const [one, two] = [await contents(path), await contents(file('again.zip'))]
    const streams = (all: ReadonlyMap<string, string>) =>
      [...all]
        .filter(([name]) => name !== 'people.json')
        .map(([name, text]) => [name, text.replace(/Mira Toller \(2\)/g, 'Mira Toller')])
    expect(streams(two)).toEqual(streams(one))
    // It is not empty any more.
    await expect(restoreShop(other.store, clock, path)).rejects.toThrow(/not empty/)
  })
})

test('beside the shop that it is of, an archive is refused in words, with nothing written', async () => {
  const path = await archived('beside.zip')
  const owner = await new DataSource({ type: 'postgres', url: shop.url }).initialize()
  const id = await addShop(owner, { name: 'Beside', host: 'beside.example' }, clock())
  await owner.destroy()
  const opened = await openDatabase(shop.url)
  const beside = typeormStore(await opened.ofShop(id), id)
  await expect(restoreShop(beside, clock, path)).rejects.toThrow(/a database of its own/)
  expect(await beside.streamKeys()).toEqual([])
  expect(await beside.people()).toEqual([])
  await opened.destroy()
})

test('a lead takes everything along, nobody else does', async () => {
  await shop.signInAs('Jory Fenn', '1357')
  expect((await shop.send('GET', '/archive')).status).toBe(403)
  await shop.signInAs('Mira Toller')
  const answer = await shop.request('GET', '/archive')
  expect(answer.headers.get('content-disposition')).toBe(
    'attachment; filename="shop-2026-03-02.pine.zip"',
  )
  writeFileSync(file('asked.zip'), Buffer.from(await answer.arrayBuffer()))
  expect([...(await contents(file('asked.zip'))).keys()]).toEqual([
    ...(await contents(await archived('own.zip'))).keys(),
  ])
})

test('no secret is in it', async () => {
  const all = [...(await contents(await archived('secrets.zip'))).values()].join('\n')
  expect(all).not.toMatch(/argon2|pinHash|pin_hash/i)
})

describe('what was tampered with is refused whole, in words', () => {
  /** An archive with these entries in the place of, or beside, those of the shop. */
  async function changed(
    name: string,
    change: (all: Map<string, string | Uint8Array>) => void,
  ): Promise<string> {
    const all = new Map<string, string | Uint8Array>(await contents(await archived(`base-${name}`)))
    change(all)
    const entries = async function* (): AsyncIterable<Archived> {
      for (const [entry, bytes] of all)
        yield {
          name: entry,
          bytes: async function* () {
            yield bytes
          },
        }
    }
    const zip = writeArchive(entries(), { shop: 'x', madeBy: 'x', madeAt: clock().toISOString() })
    await pipeline(zip, createWriteStream(file(name)))
    return file(name)
  }
  const streamOf = (all: Map<string, string | Uint8Array>) =>
    [...all.keys()].find((name) => name.includes(setup))!
  let other: Harness
  beforeAll(async () => {
    other = await startHarness()
    await other.signInAs('Mira Toller')
  })
  afterAll(() => other.close())
  /** Why it is refused, by a shop in which nothing is written of it. */
  const refused = async (path: string) => {
    const words = await restoreShop(other.store, clock, path).then(
      () => 'taken',
      (cause: Error) => cause.message,
    )
    expect((await other.asOwner('SELECT count(*)::int AS n FROM fact'))[0].n).toBe(0)
    expect((await other.store.people()).map(({ name }) => name)).toEqual(['Mira Toller'])
    return words
  }

  test('a byte of a stream', async () => {
    const path = await archived('byte.zip')
    const bytes = readFileSync(path)
    // Within the first stream's packed bytes, wherever they begin.
    const at = bytes.indexOf('streams/') + 120
    bytes[at] = bytes[at]! ^ 0xff
    writeFileSync(path, bytes)
    expect(await refused(path)).toMatch(/altered|cannot be unpacked/)
  })

  test('a file that was cut short, and one that is none', async () => {
    const path = await archived('cut.zip')
    writeFileSync(path, readFileSync(path).subarray(0, -200))
    expect(await refused(path)).toMatch(/cannot be read as an archive/)
    writeFileSync(file('none.zip'), 'hello')
    expect(await refused(file('none.zip'))).toMatch(/cannot be read as an archive/)
  })

  test.each<[string, (all: Map<string, string | Uint8Array>) => void, RegExp]>([
    [
      'a fact by somebody unknown',
      (all) => all.set('people.json', '[]'),
      /line 1 was entered by somebody who is not in people\.json/,
    ],
    [
      'a number that is none',
      (all) =>
        all.set(streamOf(all), String(all.get(streamOf(all))).replace('-220.004', '-22O.004')),
      /jsonl, facts\.2\.body\.read/,
    ],
    [
      'the same fact twice',
      (all) =>
        all.set(
          streamOf(all),
          `${all.get(streamOf(all))}${String(all.get(streamOf(all)))
            .trimEnd()
            .split('\n')
            .at(-1)}\n`,
        ),
      /jsonl/,
    ],
    [
      'a stream without its sheet',
      (all) =>
        all.set(
          streamOf(all),
          String(all.get(streamOf(all)))
            .split('\n')
            .slice(1)
            .join('\n'),
        ),
      /jsonl/,
    ],
    ['a line that is no JSON', (all) => all.set(streamOf(all), 'x\n'), /line 1 is no JSON/],
    [
      'a NUL in a name',
      (all) =>
        all.set(
          streamOf(all),
          String(all.get(streamOf(all))).replace('"Worked example"', '"Worked\\u0000"'),
        ),
      /jsonl/,
    ],
    [
      'a program under another hash',
      (all) => all.set(`programs/${'0'.repeat(64)}.nc`, 'G21'),
      /another text than its name says/,
    ],
    [
      'a release that froze nothing of it',
      (all) => all.set(`records/${uuid()}.json`, '{}'),
      /not what its release froze/,
    ],
    [
      'a file that nobody knows',
      (all) => all.set('readme.txt', 'hi'),
      /nothing that this product knows/,
    ],
    ['no people', (all) => all.delete('people.json'), /people\.json is missing/],
    [
      'an entry that unpacks to more than any may',
      (all) => all.set('programs/bomb.nc', new Uint8Array(65 * 1024 * 1024)),
      /another length/,
    ],
  ])('%s', async (name, change, words) => {
    expect(await refused(await changed(`${name.replace(/\W+/g, '-')}.zip`, change))).toMatch(words)
  })
})
