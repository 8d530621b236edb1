import { v7 as uuid } from 'uuid'
import { begins } from './entering'
import { startHarness, type Harness } from './harness'
import { mm, sheetOf } from './sheets'

let server: Harness
beforeAll(async () => {
  server = await startHarness()
  await server.signInAs('Mira Toller')
})
afterAll(() => server.close())

const width = (measured: string) => ({
  ...{ feature: 'outside-width', tool: 1, nominal: mm('50'), measured: mm(measured) },
  ...{ tolerance: { upper: mm('0.02'), lower: mm('-0.01') } },
  instrument: { name: 'micrometer', repeatability: mm('0.003'), uncertainty: mm('0.002') },
})

async function begun(name: string): Promise<string> {
  const id = uuid()
  const sheet = { ...sheetOf(1), name }
  await server.send(...begins({ id, sheetFactId: uuid(), sheet }))
  return id
}

const enter = (setup: string, kind: string, body: object) =>
  server.send('POST', `/streams/setup/${setup}/facts`, { id: uuid(), kind, body })

test('what was measured of the parts of a job comes from all its set-ups, in order, and from no other job', async () => {
  const [first, again, other] = [await begun('Ring'), await begun('Ring'), await begun('Plate')]
  await enter(first, 'check-off', { of: 'first-part', measured: [width('50.005')] })
  server.passSeconds(60)
  const corrected = await enter(again, 'event', {
    ...{ kind: 'corrected', address: 'H1', amount: mm('-0.01') },
    ...{ because: width('50.030'), also: [width('50.020')] },
  })
  expect(corrected.status).toBe(201)
  server.passSeconds(60)
  await enter(again, 'check-off', { of: 'first-part', measured: [width('50.008')] })
  await enter(other, 'check-off', { of: 'first-part', measured: [width('51')] })
  await enter(other, 'check-off', { of: 'clean' })
  const answer = await server.send('GET', `/setups/${first}/first-parts`)
  expect(
    answer.body.map(({ setup, by, measured }: any) => [
      setup,
      by,
      measured.map((one: any) => one.measured.text),
    ]),
  ).toEqual([
    [first, 'Mira Toller', ['50.005']],
    [again, 'Mira Toller', ['50.030', '50.020']],
    [again, 'Mira Toller', ['50.008']],
  ])
  expect(answer.body[0].measured[0]).toEqual(width('50.005'))
  expect((await server.send('GET', `/setups/${uuid()}/first-parts`)).status).toBe(404)
})
