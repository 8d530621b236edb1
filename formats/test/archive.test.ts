import { createWriteStream, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import yazl from 'yazl'
import { BadArchive, openArchive, writeArchive, type Archived } from '../src/archive'

const folder = mkdtempSync(join(tmpdir(), 'pine-zip-'))
const file = (name: string) => join(folder, name)
afterAll(() => rmSync(folder, { recursive: true }))

const ABOUT = { shop: 'Larkspur', madeBy: 'Mira Toller', madeAt: '2026-11-30T14:05:00.000Z' }

const entry = (name: string, ...pieces: readonly string[]): Archived => ({
  name,
  bytes: async function* () {
    yield* pieces
  },
})

async function written(name: string, ...entries: readonly Archived[]): Promise<string> {
  const all = async function* () {
    yield* entries
  }
  await pipeline(writeArchive(all(), ABOUT), createWriteStream(file(name)))
  return file(name)
}

/** An archive whose manifest says whatever a test wants. */
async function claiming(
  name: string,
  manifest: object,
  ...entries: readonly [string, string | Buffer][]
): Promise<string> {
  const zip = new yazl.ZipFile()
  for (const [entryName, content] of entries) zip.addBuffer(Buffer.from(content), entryName)
  zip.addBuffer(Buffer.from(JSON.stringify(manifest)), 'manifest.json')
  zip.end()
  await pipeline(zip.outputStream, createWriteStream(file(name)))
  return file(name)
}
const MANIFEST = { format: 'pine-compass/archive', version: 1, ...ABOUT, entries: [] as object[] }
const HELLO = '2cf24dba5fb0a30e26e83b2ac5b9e29e1b161e5c1fa7425e73043362938b9824'

test('what goes in comes out, with its hash (SHA-256 of “hello”, from memory)', async () => {
  const path = await written('plain.zip', entry('a.txt', 'hel', 'lo'), entry('b/empty.txt'))
  const archive = await openArchive(path)
  expect(archive.manifest).toMatchObject({
    ...ABOUT,
    version: 1,
    entries: [
      { name: 'a.txt', sha256: HELLO, bytes: 5 },
      { name: 'b/empty.txt', bytes: 0 },
    ],
  })
  expect(String(await archive.read(archive.manifest.entries[0]!))).toBe('hello')
  archive.close()
})

test('one entry at a time is asked for: a shop of any size takes the same memory', async () => {
  let open = 0
  let most = 0
  const slow = (name: string): Archived => ({
    name,
    bytes: async function* () {
      open += 1
      most = Math.max(most, open)
      for (let piece = 0; piece < 40; piece += 1) yield 'x'.repeat(50_000)
      open -= 1
    },
  })
  await written('large.zip', ...Array.from({ length: 6 }, (_, index) => slow(`${index}.txt`)))
  expect(most).toBe(1)
})

test('a failure while it is made leaves a file that nobody takes for whole', async () => {
  const broken: Archived = {
    name: 'b.txt',
    bytes: async function* () {
      yield 'some'
      throw new Error('the database went away')
    },
  }
  await expect(written('broken.zip', entry('a.txt', 'hello'), broken)).rejects.toThrow()
  await expect(openArchive(file('broken.zip'))).rejects.toThrow(BadArchive)
})

test.each<[string, () => Promise<string>, RegExp]>([
  [
    'of a newer version',
    () => claiming('newer.zip', { ...MANIFEST, version: 2 }),
    /newer version \(archive 2; this one reads up to 1\)/,
  ],
  [
    'of something else',
    () => claiming('else.zip', { format: 'other', version: 1 }),
    /not of this product/,
  ],
  [
    'without a manifest',
    async () => {
      const zip = new yazl.ZipFile()
      zip.addBuffer(Buffer.from('hi'), 'a.txt')
      zip.end()
      await pipeline(zip.outputStream, createWriteStream(file('bare.zip')))
      return file('bare.zip')
    },
    /no manifest\.json in it/,
  ],
  [
    'that lacks what it names',
    () =>
      claiming('lacks.zip', { ...MANIFEST, entries: [{ name: 'a.txt', sha256: HELLO, bytes: 5 }] }),
    /a\.txt is named by the manifest and missing/,
  ],
  [
    'with more than it names',
    () => claiming('more.zip', MANIFEST, ['a.txt', 'hello']),
    /a\.txt is in it and not in the manifest/,
  ],
  [
    'with another length',
    () =>
      claiming(
        'length.zip',
        { ...MANIFEST, entries: [{ name: 'a.txt', sha256: HELLO, bytes: 4 }] },
        ['a.txt', 'hello'],
      ),
    /another length/,
  ],
  [
    'that would unpack to more than any may',
    () => {
      const bytes = 65 * 1024 * 1024
      return claiming(
        'bomb.zip',
        { ...MANIFEST, entries: [{ name: 'a.txt', sha256: HELLO, bytes }] },
        ['a.txt', Buffer.alloc(bytes)],
      )
    },
    /another length/,
  ],
  [
    'with a name that leads out of it',
    async () => {
      const path = await claiming('out.zip', MANIFEST, ['aa/aa/a.txt', 'hello'])
      const bytes = readFileSync(path).toString('latin1').replaceAll('aa/aa/a.txt', '../../a.txt')
      writeFileSync(path, Buffer.from(bytes, 'latin1'))
      return path
    },
    /cannot be read as an archive/,
  ],
  [
    'with the same name twice',
    () => claiming('twice.zip', MANIFEST, ['a.txt', 'hello'], ['a.txt', 'other']),
    /a\.txt is in it twice/,
  ],
])('an archive %s is refused', async (_, make, words) => {
  await expect(openArchive(await make())).rejects.toThrow(words)
})

test('an entry whose bytes are not what the manifest says is refused when it is read', async () => {
  const path = await claiming(
    'hash.zip',
    { ...MANIFEST, entries: [{ name: 'a.txt', sha256: HELLO, bytes: 5 }] },
    ['a.txt', 'hellO'],
  )
  const archive = await openArchive(path)
  await expect(archive.read(archive.manifest.entries[0]!)).rejects.toThrow(/a\.txt was altered/)
  archive.close()
})
