import { createHash } from 'node:crypto'
import { LONGEST_PROGRAM } from '@pine/contract'
import { startHarness, type Harness } from './harness'

let server: Harness
beforeAll(async () => {
  server = await startHarness()
  await server.signInAs('Mira Toller')
})
afterAll(() => server.close())

const hashOf = (bytes: Uint8Array) => createHash('sha256').update(bytes).digest('hex')
const put = (bytes: Uint8Array, sha256 = hashOf(bytes)) =>
  server.request('PUT', `/programs/${sha256}/text`, new Uint8Array(bytes))
const get = (sha256: string) => server.request('GET', `/programs/${sha256}/text`)
const bytesOf = (text: string) => new TextEncoder().encode(text)

test('a text is kept to the last byte, and comes as bytes that no browser makes a page of', async () => {
  const bytes = bytesOf('G21 (F\u00fcllst\u00fcck)\r\nG0 X1\r\n<script>')
  const kept = await put(bytes)
  expect([kept.status, await kept.json()]).toEqual([
    201,
    { sha256: hashOf(bytes), bytes: bytes.length },
  ])
  const answer = await get(hashOf(bytes))
  expect(answer.headers.get('content-type')).toBe('application/octet-stream')
  expect(Buffer.from(await answer.arrayBuffer()).equals(bytes)).toBe(true)
})

test('the same text again is the same, and stays who kept it first', async () => {
  const bytes = bytesOf('G21\nG0 X2\n')
  expect((await put(bytes)).status).toBe(201)
  server.passSeconds(60)
  await server.signInAs('Jory Fenn')
  expect((await put(bytes)).status).toBe(201)
  await server.signInAs('Mira Toller')
  const rows = await server.database.query(
    'SELECT name FROM program_text JOIN person ON person.id = kept_by WHERE sha256 = $1',
    [hashOf(bytes)],
  )
  expect(rows).toEqual([{ name: 'Mira Toller' }])
})

test.each([
  ['another text than its hash says', bytesOf('G0 X1'), 'a'.repeat(64), 'not the one of this hash'],
  ['a hash that is none', bytesOf('G0 X1'), 'abc', 'not the one of this hash'],
  ['nothing', new Uint8Array(0), undefined, 'no text of a program'],
  ['a picture', Uint8Array.of(0x89, 0x50, 0, 0, 1, 2), undefined, 'no text of a program'],
])('%s is refused', async (_, bytes, sha256, words) => {
  const answer = await put(bytes, sha256)
  expect(answer.status).toBe(422)
  const { error } = (await answer.json()) as { error: { message: string; remedy: string } }
  expect(error.message).toContain(words)
  expect(error.remedy.length).toBeGreaterThan(10)
})

test('a text that was never sent is told to be picked', async () => {
  const answer = await get('c'.repeat(64))
  expect(answer.status).toBe(404)
  expect(JSON.stringify(await answer.json())).toContain('Pick the file')
})

test('a text longer than is kept is refused; a long one has more room than a fact', async () => {
  const long = new Uint8Array(2 * 1024 * 1024).fill(32)
  expect((await put(long)).status).toBe(201)
  const tooLong = await put(new Uint8Array(LONGEST_PROGRAM + 1).fill(32), 'd'.repeat(64))
  expect(tooLong.status).toBe(413)
})

test('a text can neither be changed nor taken away', async () => {
  for (const statement of ["UPDATE program_text SET bytes = ''", 'DELETE FROM program_text'])
    await expect(server.asOwner(statement)).rejects.toThrow('written once')
})

test('who is not signed in gets none', async () => {
  const bytes = bytesOf('G21\nG0 X3\n')
  await put(bytes)
  await server.send('DELETE', '/session')
  expect((await get(hashOf(bytes))).status).toBe(401)
  expect((await put(bytes)).status).toBe(401)
})
