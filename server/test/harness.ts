import { randomUUID } from 'node:crypto'
import { Client } from 'pg'
import { v7 as uuid } from 'uuid'
import type { Role } from '@pine/contract'
import type { DataSource } from 'typeorm'
import { agentsOf } from '../src/agents/ask-agent'
import { createApi, type Api } from '../src/http/api'
import { hostsOf, type ApiOfHost } from '../src/http/door/hosts'
import { listen, openDatabase } from '../src/store/data-source'
import type { Store } from '../src/store/store'
import { typeormStore } from '../src/store/typeorm-store'
import { admit } from '../src/use-cases/people/people'
import { asDescribed } from './described'

export interface Harness {
  readonly api: Api
  readonly database: DataSource
  readonly store: Store
  /** Of the database, as its owner. */
  readonly url: string
  /** Asks the database as its owner, whom the server is not. */
  asOwner(statement: string, values?: readonly unknown[]): Promise<any[]>
  /** Moves the server's clock forward. */
  passSeconds(seconds: number): void
  /** Sends JSON, with the cookies of a browser. */
  send(
    method: string,
    path: string,
    body?: unknown,
  ): Promise<{ status: number; body: any; headers: Headers }>
  /** Sends bytes as they are, and gives the answer as it comes. */
  request(
    method: string,
    path: string,
    body?: string | Uint8Array<ArrayBuffer>,
    type?: string,
  ): Promise<Response>
  signInAs(name: string, pin?: string, role?: Role): Promise<string>
  close(): Promise<void>
}

/** A server whose only shop is asked by its own names. */
export const onHosts =
  (api: Api, hosts = hostsOf([])): ApiOfHost =>
  async (host) =>
    hosts.has(host) ? api : undefined

/** The real API on a real, empty PostgreSQL database of its own. @param allowed agents that it may ask. */
export async function startHarness(allowed: ReadonlySet<string> = new Set()): Promise<Harness> {
  const url = process.env['DATABASE_URL']
  if (!url)
    throw new Error(
      'DATABASE_URL is not set: run these tests by npm test, or by node scripts/with-database.mjs npx jest',
    )
  const name = `pine_test_${randomUUID().replace(/-/g, '')}`
  const admin = new Client({ connectionString: url })
  await admin.connect()
  await admin.query(`CREATE DATABASE ${name}`)
  const own = Object.assign(new URL(url), { pathname: `/${name}` }).href
  const opened = await openDatabase(own)
  const first = await opened.firstShop()
  const database = await opened.ofShop(first)
  const owner = new Client({ connectionString: own })
  await owner.connect()
  const unexpected: unknown[] = []
  let now = new Date('2026-03-02T08:00:00Z').getTime()
  const store = typeormStore(database, first)
  const changes = listen(own)
  const api = createApi({
    store,
    changes,
    clock: () => new Date(now),
    agents: agentsOf(allowed, () => new Date(now)),
    onUnexpected: (cause) => unexpected.push(cause),
  })
  const cookies = new Map<string, string>()
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
        Cookie: [...cookies].map(([name, value]) => `${name}=${value}`).join('; '),
      },
      ...(body !== undefined && { body }),
    })
    for (const set of answer.headers.getSetCookie()) {
      const [, name = '', value = ''] = /^([^=]+)=([^;]*)/.exec(set) ?? []
      cookies.set(name, value)
    }
    return answer
  }

  const send: Harness['send'] = async (method, path, body) => {
    const text = typeof body === 'string' || body === undefined ? body : JSON.stringify(body)
    const answer = await request(method, path, text, 'application/json')
    const told = { status: answer.status, body: await answer.json(), headers: answer.headers }
    await asDescribed(api, method, path, told)
    return told
  }

  return {
    api,
    database,
    store,
    url: own,
    asOwner: async (statement, values) =>
      (await owner.query(statement, values && [...values])).rows,
    send,
    request,
    passSeconds: (seconds) => (now += seconds * 1000),
    async signInAs(personName, pin = '2468', role = 'lead') {
      const id = people.get(personName) ?? uuid()
      if (!people.has(personName))
        await admit(store, () => new Date(now), { id, name: personName, pin, role })
      people.set(personName, id)
      await send('POST', '/session', { personId: id, pin })
      return id
    },
    async close() {
      await opened.destroy()
      await changes.close()
      await owner.end()
      await admin.query(`DROP DATABASE ${name}`)
      await admin.end()
      // A test that provoked a failure nobody expected has found one of ours.
      expect(unexpected).toEqual([])
    },
  }
}
