import { begins } from './entering'
import fc from 'fast-check'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { v7 as uuid } from 'uuid'
import { startHarness, type Harness } from './harness'
import { examplesOf, LEAKS, mutatedRequests } from './mutated-requests'

const FOLDER = join(__dirname, '../../docs/examples')
const EXAMPLES = examplesOf(FOLDER)

let shop: Harness
const setups: string[] = []
beforeAll(async () => {
  shop = await startHarness()
  await shop.signInAs('Mira Toller')
  for (const name of ['gauge-line', 'whole-run']) {
    const text = readFileSync(join(FOLDER, `${name}.json`), 'utf8')
    const [sheet, ...rest] = JSON.parse(text).facts
    const id = uuid()
    await shop.send(...begins({ id, sheetFactId: uuid(), sheet: sheet.body }))
    for (const { kind, body } of rest)
      await shop.send('POST', `/streams/setup/${id}/facts`, { id: uuid(), kind, body })
    setups.push(id)
  }
})
afterAll(() => shop.close())

// A thousand of the million of bench/server/requests.ts (which also tells how long they take), with other seeds each time that they fail on are told by fast-check.
test('whatever is sent, nothing fails, nothing is told that should not be', async () => {
  const seen = new Map<number, number>()
  await fc.assert(
    fc.asyncProperty(mutatedRequests(EXAMPLES, setups), async ({ method, path, type, body }) => {
      const answer = await shop.request(method, path, body, type)
      const text = path.startsWith('/live') ? '' : await answer.text()
      seen.set(answer.status, (seen.get(answer.status) ?? 0) + 1)
      expect(answer.status).toBeLessThan(500)
      expect(text).not.toMatch(LEAKS)
      // Every no has its words.
      if (answer.status >= 400)
        expect(JSON.parse(text).error).toMatchObject({
          message: expect.stringMatching(/./),
          remedy: expect.stringMatching(/./),
        })
    }),
    { numRuns: 1000 },
  )
  // Both kinds came about: what is sound was taken, what is not was refused.
  expect(seen.get(201)).toBeGreaterThan(50)
  expect(seen.get(422)).toBeGreaterThan(200)
}, 60_000)
