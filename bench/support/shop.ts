import { readFileSync } from 'node:fs'
import { parseSetupText, type NewFact } from '@pine/contract'
import { DataSource } from 'typeorm'
import { v7 as uuid } from 'uuid'
import { openDatabase } from '../../server/src/store/data-source'
import type { Store } from '../../server/src/store/store'
import { typeormStore } from '../../server/src/store/typeorm-store'
import { setupsOf } from '../../server/src/use-cases/setups/setups'
import { hashToken } from '../../server/src/use-cases/people/sign-in'

/** A shop on an empty database, to be filled by the thousand: each set-up is the example, read back over and over. */
export async function benchShop(url: string) {
  const opened = await openDatabase(url)
  const shop = await opened.firstShop()
  const database = await opened.ofShop(shop)
  // What no server may: copies by the thousand, and the bare statements that ours are held against.
  const owner = await new DataSource({ type: 'postgres', url, extra: { max: 4 } }).initialize()
  const store = typeormStore(database, shop)
  const clock = () => new Date()
  const setups = setupsOf(store, clock)
  const parsed = parseSetupText(
    readFileSync(new URL('../../docs/examples/gauge-line.json', import.meta.url), 'utf8'),
  )
  if (!parsed.ok) throw new Error('the example is broken')
  const [sheet, ...rest] = parsed.file.facts
  if (sheet?.kind !== 'sheet') throw new Error('the example has no sheet')

  /** Somebody who is signed in; the cookie to ask with. */
  async function person(name: string) {
    const member = { id: uuid(), name, role: 'lead' } as const
    await store.addPerson({ ...member, pinHash: 'x', pinDigits: 6 }, clock())
    const token = uuid()
    const at = clock()
    const expiresAt = new Date(at.getTime() + 14 * 3_600_000)
    await store.openSession({
      tokenHash: hashToken(token),
      personId: member.id,
      deviceHash: token,
      at,
      expiresAt,
    })
    return { member, cookie: `pine_session=${token}` }
  }
  const { member, cookie } = await person('Mira Toller')

  return {
    database,
    owner,
    store,
    shop,
    clock,
    cookie,
    person,
    member,
    /** Facts of the example. */
    example: rest.length + 1,
    /** An empty product on a database of its own, and what closes it. */
    async emptyShop(): Promise<{ readonly store: Store; readonly close: () => Promise<void> }> {
      const name = `pine_bench_${uuid().replaceAll('-', '')}`
      await owner.query(`CREATE DATABASE ${name}`)
      const beside = await openDatabase(Object.assign(new URL(url), { pathname: `/${name}` }).href)
      const first = await beside.firstShop()
      const empty = typeormStore(await beside.ofShop(first), first)
      return { store: empty, close: () => beside.destroy() }
    },
    /** A set-up of so many facts. */
    async setUp(facts: number): Promise<string> {
      const id = uuid()
      await setups.create(member, { id, sheetFactId: uuid(), sheet: sheet.body as never })
      for (const { kind, body } of rest)
        await setups.add(member, id, { id: uuid(), kind, body } as NewFact)
      await owner.query(
        `INSERT INTO fact (shop_id, stream_id, place, id, kind, body, via, person_id, recorded_at)
         SELECT $1, $2, place, gen_random_uuid(), 'read-back',
           '{"address": "H1", "moment": "after", "shown": {"text": "80.000", "unit": "mm"}}', 'typed', $3, now()
         FROM generate_series($4::int, $5::int - 1) place`,
        [shop, id, member.id, rest.length + 1, facts],
      )
      return id
    },
    /** Copies of a set-up with all its facts and its summary. */
    copies: (id: string, count: number): Promise<unknown> =>
      owner.query(
        `WITH new AS (SELECT gen_random_uuid() AS id FROM generate_series(1, $3::int)),
         streams AS (
           INSERT INTO stream SELECT $1, new.id, 'setup', created_by, created_at
           FROM new, stream WHERE shop_id = $1 AND stream.id = $2 RETURNING id
         ),
         facts AS (
           INSERT INTO fact SELECT $1, new.id, place, gen_random_uuid(), kind, body, via, person_id, recorded_at, seen
           FROM new, fact WHERE shop_id = $1 AND stream_id = $2
         )
         INSERT INTO summary (shop_id, stream_id, summary, created_at) SELECT $1, new.id, jsonb_set(summary, '{id}', to_jsonb(new.id)), created_at
         FROM new, summary WHERE shop_id = $1 AND stream_id = $2`,
        [shop, id, count],
      ),
    async close() {
      await owner.destroy()
      await opened.destroy()
    },
  }
}

/** The value below which a share of the values lies. */
export function quantile(values: readonly number[], share: number): number {
  const sorted = values.toSorted((a, b) => a - b)
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? NaN
}

export const line = (...cells: readonly (string | number)[]): void =>
  void process.stdout.write(`| ${cells.join(' | ')} |\n`)

/** A read-back of the example's tool, as a person enters one. */
export const readBack = (): NewFact => ({
  id: uuid(),
  kind: 'read-back',
  body: { address: 'H1', moment: 'after', shown: { text: '80.000', unit: 'mm' } },
})
