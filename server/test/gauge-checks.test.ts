import ICAL from 'ical.js'
import { begins, declares, enters } from './entering'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { v7 as uuid } from 'uuid'
import { startHarness, type Harness } from './harness'

const FILE = JSON.parse(
  readFileSync(join(__dirname, '../../docs/examples/whole-run.json'), 'utf8'),
) as { facts: { kind: string; body: any }[] }
const [sheet, ...rest] = FILE.facts

const mm = (text: string) => ({ text, unit: 'mm' })
const DAY = 86_400

let shop: Harness
let setter: string
beforeAll(async () => {
  shop = await startHarness()
  await shop.signInAs('Lena Lead')
  setter = await gauge('50 mm setter', { limit: mm('0.010'), everyDays: 90 })
})
afterAll(() => shop.close())

async function gauge(name: string, watch?: object): Promise<string> {
  const id = uuid()
  const body = {
    id,
    gauge: { id, kind: 'height-setter', name, size: mm('50.000') },
    ...(watch && { watch }),
  }
  expect((await shop.send(...declares('gauge', body))).status).toBe(201)
  return id
}

const check = (read: string, gaugeId = setter, id = uuid()) =>
  shop.send(
    ...enters('gauge', gaugeId, 'gauge-check', {
      id,
      read: mm(read),
      against: '50 mm master',
      master: mm('50.000'),
    }),
  )

const checksOf = async (gaugeId: string) =>
  (await shop.send('GET', `/gauges/${gaugeId}/checks`)).body.checks

/** Nobody stays signed in for a week. */
async function aWeekLater(): Promise<void> {
  shop.passSeconds(7 * DAY)
  await shop.signInAs('Lena Lead')
}

const standing = async (gaugeId = setter) =>
  ((await shop.send('GET', '/gauges/standings')).body as { id: string }[]).find(
    ({ id }) => id === gaugeId,
  )

/** The worked set-up with this gauge at its touches on the plane. */
async function setupWith(name: string, gaugeId: string): Promise<string> {
  const id = uuid()
  const body = structuredClone(sheet!.body)
  body.name = name
  body.gauges = body.gauges.map((one: { id: string }) =>
    one.id === 'setter' ? { ...one, id: gaugeId } : one,
  )
  const begun = await shop.send(...begins({ id, sheetFactId: uuid(), sheet: body }))
  expect([begun.status, begun.body]).toEqual([201, expect.anything()])
  for (const { kind, body: said } of rest.filter((fact) => fact.kind === 'reading')) {
    const reading = structuredClone(said)
    // The tool that is changed there in between is the same one here, and reads the same.
    if (reading.of === 'tip-on-plane') reading.read = mm('-220.000')
    reading.with = reading.with.map((one: string) => (one === 'setter' ? gaugeId : one))
    const added = await shop.send('POST', `/streams/setup/${id}/facts`, {
      id: uuid(),
      kind,
      body: reading,
    })
    expect([added.status, added.body]).toEqual([201, expect.anything()])
  }
  return id
}

test('a month of checks: what was measured since the last good one is suspect, and nothing else', async () => {
  expect(await standing()).toEqual({ id: setter, isDue: true, isSuspect: false })
  expect((await check('50.001')).status).toBe(201)
  // Few checks: once a month, whatever the shop says at most.
  expect(await standing()).toMatchObject({ dueOn: '2026-04-01', isDue: false, isSuspect: false })

  const early = await setupWith('before the good check', setter)
  await aWeekLater()
  await check('50.002')
  expect(await checksOf(setter)).toHaveLength(2)
  await aWeekLater()
  const hit = await setupWith('after it', setter)
  const other = await setupWith('with another setter', await gauge('other setter'))
  expect((await shop.send('GET', `/gauges/${setter}/suspect`)).body).toEqual([])

  await aWeekLater()
  const { body } = await check('50.013')
  expect(body.facts).toMatchObject([
    {
      by: { name: 'Lena Lead' },
      body: { against: '50 mm master' },
      at: '2026-03-23T08:00:00.000Z',
    },
  ])
  expect(await standing()).toMatchObject({
    offMm: expect.closeTo(0.013, 9),
    dueOn: '2026-03-23',
    isDue: true,
    isSuspect: true,
  })
  const suspect = (await shop.send('GET', `/gauges/${setter}/suspect`)).body
  const used = (await shop.send('GET', `/gauges/${setter}/used`)).body
  expect(suspect).toEqual([
    expect.objectContaining({ id: hit, name: 'after it', readings: 3, released: false }),
  ])
  expect([early, other]).not.toContain(suspect[0].id)
  // What used it is told whether it was good then or not, the youngest first; what did not use it is not.
  expect(used.map(({ id }: { id: string }) => id)).toEqual([suspect[0].id, early])
  expect(used[0]).toMatchObject({ name: suspect[0].name, readings: suspect[0].readings })

  // Told in the set-up that is open, once; what was read there before the last good check is no part of it.
  expect(suspect[0].untold).toBe(true)
  const telling = uuid()
  const tell = () => shop.send('POST', `/gauges/${setter}/suspect`, { id: telling })
  const told = [expect.objectContaining({ id: hit, untold: false })]
  expect([(await tell()).body, (await tell()).body]).toEqual([told, told])
  const eventsOf = async (id: string) =>
    ((await shop.send('GET', `/setups/${id}`)).body.file.facts as any[]).filter(
      ({ kind }) => kind === 'event',
    )
  expect((await eventsOf(hit)).map(({ body: said }) => said)).toEqual([
    { kind: 'check-failed', gauge: setter },
  ])
  expect(await eventsOf(early)).toEqual([])
  const { registers } = (await shop.send('GET', `/setups/${hit}/solution`)).body
  expect(registers.find(({ address }: any) => address === 'H1').state).toBe('stale')

  // Good again: what was measured in between stays what it was, and is not suspect by this gauge any more.
  await check('50.001')
  expect((await shop.send('GET', `/gauges/${setter}/suspect`)).body).toEqual([])
})

test('a gauge that was never good has everything suspect that it was used for', async () => {
  const bad = await gauge('bad setter', { limit: mm('0.010') })
  const used = await setupWith('with the bad one', bad)
  await check('50.100', bad)
  expect((await shop.send('GET', `/gauges/${bad}/suspect`)).body).toMatchObject([{ id: used }])
})

test('a check sent twice is one, under the name of who made it', async () => {
  const id = uuid()
  const twice = await gauge('sent twice', { limit: mm('0.010') })
  await check('50.000', twice, id)
  await check('50.000', twice, id)
  expect(await checksOf(twice)).toHaveLength(1)
  const rows = await shop.asOwner(
    `SELECT place, kind, body FROM fact WHERE stream_id = '${twice}' ORDER BY place`,
  )
  expect(rows.map(({ place, kind }) => [place, kind])).toEqual([
    [0, 'gauge'],
    [1, 'gauge-check'],
  ])
  // A check is no declaration: the gauge is what it was.
  const gauges = (await shop.send('GET', '/gauges')).body as { id: string }[]
  expect(gauges.find((one) => one.id === twice)).toMatchObject({
    gauge: { name: 'sent twice' },
    watch: { limit: mm('0.010') },
  })
})

test('a check that was entered without a network is of its own day, and of who entered it alone', async () => {
  const late = await gauge('checked in the cellar', { limit: mm('0.010') })
  const { body: first } = await check('50.000', late)
  const now = Date.parse(first.facts[0].at)
  const send = (beside: Record<string, string>) =>
    shop.send(
      ...enters(
        'gauge',
        late,
        'gauge-check',
        {
          ...{ id: uuid(), read: mm('50.001') },
          ...{ against: '50 mm master', master: mm('50.000') },
        },
        `?${new URLSearchParams(beside).toString()}`,
      ),
    )
  const entered = new Date(now - 3 * DAY * 1000).toISOString()
  const { body } = await send({ at: entered })
  expect(body.facts[0].at).toBe(entered)
  expect(await send({ at: entered, by: uuid() })).toMatchObject({
    status: 401,
    body: { error: { message: expect.stringContaining('by another person') } },
  })
  // A clock that is ahead is not believed.
  const ahead = await send({ at: new Date(now + DAY * 1000).toISOString() })
  expect(Date.parse(ahead.body.facts[0].at)).toBeLessThan(now + 60_000)
})

test.each(['0', '-0.010', 'wide', ''])(
  'a tolerance of “%s” is refused, at first and later: by it no check would ever be wrong',
  async (text) => {
    const id = uuid()
    const declared = { id, kind: 'height-setter', name: `setter ${id}`, size: mm('50.000') }
    const watch = { limit: mm(text) }
    const refused = { status: 422, body: { error: { place: 'body.watch.limit' } } }
    expect(await shop.send(...declares('gauge', { id, gauge: declared, watch }))).toMatchObject(
      refused,
    )
    expect((await shop.send(...declares('gauge', { id, gauge: declared }))).status).toBe(201)
    const changed = { gauge: declared, reason: 'watched from now on', watch }
    expect(await shop.send(...declares('gauge', { id: id, ...changed }))).toMatchObject(refused)
  },
)

test('what cannot be a check is refused with what to do', async () => {
  const free = await gauge('watched by nobody')
  expect(await check('50', free)).toMatchObject({
    status: 422,
    body: { error: { place: 'watch', remedy: expect.stringContaining('A lead sets it') } },
  })
  expect(await check('5o.000')).toMatchObject({
    status: 422,
    body: { error: { place: 'body.read' } },
  })
  expect(await check('-50')).toMatchObject({ status: 422 })
  expect((await check('50', uuid())).status).toBe(404)
  expect((await shop.send('GET', `/gauges/${uuid()}/checks`)).status).toBe(404)
  expect((await shop.send('GET', `/gauges/${uuid()}/suspect`)).status).toBe(404)
  await shop.signInAs('Vera Viewer', '2468', 'viewer')
  expect((await check('50.000')).status).toBe(403)
  await shop.signInAs('Sven Setter', '2468', 'setter')
  expect((await check('50.000')).status).toBe(201)
  await shop.signInAs('Lena Lead')
})

test('due dates as a calendar of RFC 5545, a day long each', async () => {
  const answer = await shop.request('GET', '/gauges/due.ics')
  expect(answer.headers.get('Content-Type')).toBe('text/calendar; charset=utf-8')
  const text = await answer.text()
  const lines = text.replace(/\r\n[ \t]/g, '').split('\r\n')
  expect(lines[0]).toBe('BEGIN:VCALENDAR')
  expect(lines).toContain('VERSION:2.0')
  const at = lines.indexOf(`UID:${setter}@pine-compass`)
  expect(lines.slice(at)).toEqual(
    expect.arrayContaining([
      'SUMMARY:Check the 50 mm setter',
      expect.stringMatching(/^DTSTART;VALUE=DATE:2026\d{4}$/),
    ]),
  )
  expect(lines.filter((line) => line === 'BEGIN:VEVENT').length).toBeGreaterThan(1)
})

test('a reader of calendars from elsewhere (ical.js) finds each check on its day', async () => {
  const text = await (await shop.request('GET', '/gauges/due.ics')).text()
  const calendar = new ICAL.Component(ICAL.parse(text) as unknown[])
  const events = calendar.getAllSubcomponents('vevent').map((one) => new ICAL.Event(one))
  const standings = (await shop.send('GET', '/gauges/standings')).body
  const due = standings.filter(({ dueOn }: any) => dueOn !== undefined)
  expect(events).toHaveLength(due.length)
  for (const { id, dueOn } of due) {
    const event = events.find(({ uid }) => uid === `${id}@pine-compass`)
    expect([event?.startDate.toString(), event?.startDate.isDate]).toEqual([dueOn, true])
    expect(event?.duration.toSeconds()).toBe(86_400)
  }
})
