import { begins } from './entering'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { v7 as uuid } from 'uuid'
import { foldSetup, type SetupFact } from '@pine/core/facts'
import { FewAtATime } from '../src/use-cases/few-at-a-time'
import { QueueTimeout } from '../src/use-cases/facts/keyed-queue'
import { MOST_FACTS } from '../src/use-cases/facts/setup-refusals'
import { startHarness, type Harness } from './harness'
import { sheetOf } from './sheets'

let shop: Harness
beforeAll(async () => {
  shop = await startHarness()
  await shop.signInAs('Mira Toller')
})
afterAll(() => shop.close())

const home = () => ({ id: uuid(), kind: 'check-off', body: { of: 'home' } })

test('a set-up without end is told so, with what to do, and stays as it is', async () => {
  const id = uuid()
  await shop.send(...begins({ id, sheetFactId: uuid(), sheet: sheetOf(1) }))
  // As if it had been entered: the rows of a stream that has grown.
  await shop.asOwner(
    `INSERT INTO fact (shop_id, stream_id, place, id, kind, body, via, person_id, recorded_at)
     SELECT shop_id, stream_id, more, gen_random_uuid(), 'check-off', '{"of":"home"}', 'typed', person_id, recorded_at
     FROM fact, generate_series(1, $2::int) AS more WHERE stream_id = $1 AND fact.place = 0`,
    [id, MOST_FACTS - 2],
  )
  const last = await shop.send('POST', `/streams/setup/${id}/facts`, home())
  expect(last.status).toBe(201)
  const { status, body } = await shop.send('POST', `/streams/setup/${id}/facts`, home())
  expect([status, body.error.code]).toEqual([409, 'set-up-full'])
  expect(body.error.remedy).toContain('Begin the same job again')
  expect((await shop.send('GET', `/setups/${id}`)).body.file.facts).toHaveLength(MOST_FACTS)
})

test('a stream is folded without a copy of what is there for every fact; what is handed out stays as it is', () => {
  const file = JSON.parse(
    readFileSync(join(__dirname, '../../docs/examples/whole-run.json'), 'utf8'),
  )
  const facts = file.facts as SetupFact[]
  const whole = foldSetup({ id: file.id, facts })
  // The same as fact after fact, and nobody can add to what was handed out.
  expect(() => (whole.readings as unknown[]).push({})).toThrow(TypeError)
  expect(() => Object.assign(whole, { length: 0 })).toThrow(TypeError)
  expect(whole.length).toBe(facts.length)
})

describe('heavy work', () => {
  test('is done a few at a time, in the order in which it was asked for', async () => {
    const few = new FewAtATime(2, 10)
    let running = 0
    let most = 0
    const order: number[] = []
    await Promise.all(
      Array.from({ length: 8 }, (_, index) =>
        few.run(async () => {
          running += 1
          most = Math.max(most, running)
          order.push(index)
          await new Promise((resolve) => setTimeout(resolve, 2))
          running -= 1
        }),
      ),
    )
    expect(most).toBe(2)
    expect(order).toEqual([0, 1, 2, 3, 4, 5, 6, 7])
  })

  test('of what waits only so much is kept; one that fails hands its turn on', async () => {
    const few = new FewAtATime(1, 2)
    const outcomes = await Promise.allSettled(
      Array.from({ length: 5 }, (_, index) =>
        few.run(async () => {
          await new Promise((resolve) => setTimeout(resolve, 2))
          if (index === 0) throw new Error('it broke')
          return index
        }),
      ),
    )
    expect(outcomes.map(({ status }) => status)).toEqual([
      ...['rejected', 'fulfilled', 'fulfilled'],
      ...['rejected', 'rejected'],
    ])
    expect(outcomes.slice(3).map((one) => 'reason' in one && one.reason)).toEqual([
      expect.any(QueueTimeout),
      expect.any(QueueTimeout),
    ])
    expect(await few.run(async () => 'next')).toBe('next')
  })
})

test('a flood of sign-ins holds up nobody who enters', async () => {
  const id = uuid()
  await shop.send(...begins({ id, sheetFactId: uuid(), sheet: sheetOf(1) }))
  const people = []
  for (let person = 0; person < 80; person += 1) people.push(await shop.signInAs(`Shift ${person}`))
  await shop.signInAs('Mira Toller')
  let isEntered = false
  const flood = people.map(async (personId) => {
    const { status } = await shop.api.request('/api/session', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ personId, pin: '2468' }),
    })
    return { status, isEntered }
  })
  expect((await shop.send('POST', `/streams/setup/${id}/facts`, home())).status).toBe(201)
  isEntered = true
  const answers = await Promise.all(flood)
  const came = new Set(answers.map(({ status }) => status))
  // Entered while most of them still waited, whichever of them were let in, paused (one address) or told to come again.
  expect(answers.filter((one) => one.isEntered).length).toBeGreaterThan(10)
  expect([...came].every((status) => [201, 429, 503].includes(status))).toBe(true)
})
