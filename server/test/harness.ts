import { randomUUID } from 'node:crypto'
import { Client } from 'pg'
import { v7 as uuid } from 'uuid'
import type { DataSource } from 'typeorm'
import { createApi, type Api } from '../src/http/api'
import { openDatabase } from '../src/store/data-source'
import type { Store } from '../src/store/store'
import { firstShop, typeormStore } from '../src/store/typeorm-store'

export interface Harness {
  readonly api: Api
  readonly database: DataSource
  readonly store: Store
  /** Moves the server's clock forward. */
  passSeconds(seconds: number): void
  /** Sends JSON, with the cookie of the last sign-in. */
  send(
    method: string,
    path: string,
    body?: unknown,
  ): Promise<{ status: number; body: any; headers: Headers }>
  /** Sends bytes as they are, and gives the answer as it comes. */
  request(method: string, path: string, body?: string | Uint8Array<ArrayBuffer>): Promise<Response>
  signInAs(name: string, pin?: string): Promise<string>
  close(): Promise<void>
}

/** The real API on a real, empty PostgreSQL database of its own. */
export async function startHarness(): Promise<Harness> {
  const url = process.env['DATABASE_URL']
  if (!url)
    throw new Error(
      'DATABASE_URL is not set: run these tests by npm test, or by node scripts/with-database.mjs npx jest',
    )
  const name = `pine_test_${randomUUID().replace(/-/g, '')}`
  const admin = new Client({ connectionString: url })
  await admin.connect()
  await admin.query(`CREATE DATABASE ${name}`)
  const database = await openDatabase(Object.assign(new URL(url), { pathname: `/${name}` }).href)
  const unexpected: unknown[] = []
  let now = new Date('2026-03-02T08:00:00Z').getTime()
  const store = typeormStore(database, await firstShop(database))
  const api = createApi({
    store,
    clock: () => new Date(now),
    onUnexpected: (cause) => unexpected.push(cause),
  })
  let cookie = ''
  const people = new Map<string, string>()

  const request = async (
    method: string,
    path: string,
    body?: string | Uint8Array<ArrayBuffer>,
    type?: string,
  ) => {
    const answer = await api.request(`/api${path}`, {
      method,
      headers: {
        ...(type !== undefined && { 'Content-Type': type }),
        ...(cookie !== '' && { Cookie: cookie }),
      },
      ...(body !== undefined && { body }),
    })
    const set = answer.headers.get('set-cookie')
    if (set !== null) cookie = set.split(';')[0] ?? ''
    return answer
  }

  const send: Harness['send'] = async (method, path, body) => {
    const text = typeof body === 'string' || body === undefined ? body : JSON.stringify(body)
    const answer = await request(method, path, text, 'application/json')
    return { status: answer.status, body: await answer.json(), headers: answer.headers }
  }

  return {
    api,
    database,
    store,
    send,
    request,
    passSeconds: (seconds) => (now += seconds * 1000),
    async signInAs(personName, pin = '2468') {
      const id = people.get(personName) ?? uuid()
      people.set(personName, id)
      await send('POST', '/people', { id, name: personName, pin })
      await send('POST', '/session', { personId: id, pin })
      return id
    },
    async close() {
      await database.destroy()
      await admin.query(`DROP DATABASE ${name}`)
      await admin.end()
      // A test that provoked a failure nobody expected has found one of ours.
      expect(unexpected).toEqual([])
    },
  }
}
