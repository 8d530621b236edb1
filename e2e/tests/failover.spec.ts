import { chmodSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { request } from '@playwright/test'
import { Client } from 'pg'
import { v7 as uuid } from 'uuid'
import { Pair } from '../../scripts/lib/pair.mjs'
import { startServer } from '../../scripts/lib/serve.mjs'
import { expect, freePort, test } from '../support/product'

const EXAMPLE = new URL('../../docs/examples/gauge-line.json', import.meta.url)
const readBack = () => ({
  id: uuid(),
  kind: 'read-back',
  body: { address: 'H1', moment: 'after', shown: { text: '80.000', unit: 'mm' } },
})

/** How many of these facts a database holds. */
async function held(url: string, ids: readonly string[]): Promise<number> {
  const client = new Client({ connectionString: url })
  await client.connect()
  const { rows } = await client.query('SELECT id FROM fact WHERE id = ANY($1::uuid[])', [ids])
  await client.end()
  return rows.length
}

test('the primary of two databases dies: the other is promoted and gone on with, nothing is lost, and the dead one is never gone back to', async () => {
  const folder = mkdtempSync(join(process.getuid?.() === 0 ? '/var/tmp' : tmpdir(), 'pine-pair-'))
  chmodSync(folder, 0o711)
  const pair = await Pair.start(folder)
  const port = await freePort()
  const serve = () => startServer({ databaseUrl: pair.url, port, demo: false })
  let server = await serve()
  const asking = await request.newContext({ baseURL: `${server.address}/api/` })
  try {
    const person = { id: uuid(), name: 'Mira Toller', pin: '246810' }
    expect((await asking.post('people', { data: person })).status()).toBe(201)
    await asking.post('session', { data: { personId: person.id, pin: person.pin } })
    const { body: sheet } = JSON.parse(readFileSync(EXAMPLE, 'utf8')).facts[0]
    const id = uuid()
    const made = await asking.post(`streams/setup/${id}/facts`, {
      data: { id: uuid(), kind: 'sheet', body: sheet },
    })
    expect(made.status(), await made.text()).toBe(201)

    /** Sends one fact until it is acknowledged, as a device does; its id. */
    const enter = async (): Promise<string> => {
      const fact = readBack()
      await expect
        .poll(async () => (await asking.post(`streams/setup/${id}/facts`, { data: fact })).status())
        .toBe(201)
      return fact.id
    }
    const before = [await enter(), await enter(), await enter()]
    const dead = await pair.failOver()
    const after = [await enter(), await enter()]
    expect(await held(pair.primary.url('postgres'), [...before, ...after])).toBe(5)

    // Somebody starts the dead one again as it was: two write now. A server that begins only then knows neither.
    const back = await pair.comeBack(dead)
    await server.stop()
    server = await serve()
    const late = [await enter(), await enter()]
    expect(await held(pair.primary.url('postgres'), [...before, ...after, ...late])).toBe(7)
    expect(await held(back.url('postgres'), [...after, ...late])).toBe(0)

    // And with the right one away as well, it waits rather than go to the old one.
    await pair.primary.stop()
    const alone = await asking.post(`streams/setup/${id}/facts`, { data: readBack() })
    expect(alone.status()).toBe(503)
    await back.stop()
  } finally {
    await asking.dispose()
    await server.stop()
    await pair.stop()
    rmSync(folder, { recursive: true, force: true })
  }
})
