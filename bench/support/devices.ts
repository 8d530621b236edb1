import { performance } from 'node:perf_hooks'
import { setTimeout as pause } from 'node:timers/promises'
import { Client } from 'pg'
import { line, readBack, type benchShop } from './shop'

const EVERY_MS = 300
const LONGEST_ANSWER_MS = 5000
const AGAIN_MS = 200
const DAY_MS = 86_400_000

type Shop = Awaited<ReturnType<typeof benchShop>>

interface Entered {
  readonly id: string
  readonly setup: string
  readonly personId: string
  readonly tab: number
  /** When it was acknowledged: by the clock, and since this process began. */
  readonly on: Date
  readonly at: number
}

/**
 * Four devices, one of them with two tabs, one with its clock a day back, enter read-backs into a set-up of their own and one
 * that is common. Each tab keeps what is entered until it is acknowledged, and sends it in order.
 */
export class Devices {
  readonly acknowledged: Entered[] = []
  readonly answers = new Map<number | string, number>()
  private entering = true
  private readonly tabs: Promise<void>[]

  private constructor(
    private readonly people: readonly (Awaited<ReturnType<Shop['person']>> & { own: string })[],
    private readonly common: string,
    private readonly addresses: () => readonly string[],
  ) {
    this.tabs = [
      [0, 0],
      [0, 1],
      [1, 2],
      [2, 3],
      [3, 4],
    ].map(([who, number]) => this.tab(who!, number!))
  }

  /** @param addresses of the servers, the same data behind each: a tab that has no answer from one asks the next. */
  static async begin(shop: Shop, addresses: () => readonly string[]): Promise<Devices> {
    const common = await shop.setUp(shop.example)
    const people = await Promise.all(
      ['Mira', 'Jory', 'Ansel', 'Vera'].map(async (name) => ({
        ...(await shop.person(`${name} of the bench`)),
        own: await shop.setUp(shop.example),
      })),
    )
    return new Devices(people, common, addresses)
  }

  private async tab(who: number, number: number): Promise<void> {
    const { cookie, member, own } = this.people[who]!
    const ago = who === 1 ? DAY_MS : 0
    const waiting: { readonly fact: ReturnType<typeof readBack>; readonly setup: string }[] = []
    const enter = async () => {
      for (let times = 0; this.entering; times += 1) {
        waiting.push({ fact: readBack(), setup: times % 4 === 0 ? this.common : own })
        await pause(EVERY_MS)
      }
    }
    const entered = enter()
    for (let server = number; this.entering || waiting.length > 0;) {
      const next = waiting[0]
      if (next === undefined) {
        await pause(EVERY_MS)
        continue
      }
      const addresses = this.addresses()
      const at = encodeURIComponent(new Date(Date.now() - ago).toISOString())
      const status = await fetch(
        `${addresses[server % addresses.length]}/api/setups/${next.setup}/facts?by=${member.id}&at=${at}`,
        {
          method: 'POST',
          headers: { Cookie: cookie, 'Content-Type': 'application/json' },
          body: JSON.stringify(next.fact),
          signal: AbortSignal.timeout(LONGEST_ANSWER_MS),
        },
      )
        .then(async (answer) => {
          await answer.arrayBuffer()
          return answer.status
        })
        .catch(() => 'no answer')
      this.answers.set(status, (this.answers.get(status) ?? 0) + 1)
      if (status === 201) {
        waiting.shift()
        this.acknowledged.push({
          id: next.fact.id,
          setup: next.setup,
          personId: member.id,
          tab: number,
          on: new Date(),
          at: performance.now(),
        })
        continue
      }
      if (status === 'no answer') server += 1
      await pause(AGAIN_MS)
    }
    await entered
  }

  /** Waits until somebody is acknowledged again; the milliseconds since it began. */
  async back(since: number): Promise<number> {
    const count = this.acknowledged.length
    while (this.acknowledged.length <= count) await pause(10)
    return performance.now() - since
  }

  /** The longest that nobody was acknowledged between two moments, in milliseconds. */
  silence(from: number, to: number): number {
    const at = [from, ...this.acknowledged.map((one) => one.at), to].filter(
      (one) => one >= from && one <= to,
    )
    return Math.max(...at.map((one, index) => one - (at[index - 1] ?? from)))
  }

  /** No more is entered; ends when all is acknowledged. */
  async end(): Promise<void> {
    this.entering = false
    await Promise.all(this.tabs)
  }

  /** Prints what became of what was acknowledged, by what the database holds; whether all of it is as it should be. */
  async tell(url: string): Promise<boolean> {
    const client = new Client({ connectionString: url })
    await client.connect()
    const { rows } = await client.query<{ id: string; person_id: string; stream_id: string }>(
      `SELECT id, person_id, stream_id FROM fact WHERE body->>'address' = 'H1' AND kind = 'read-back' ORDER BY stream_id, place`,
    )
    await client.end()
    const kept = new Map(rows.map((row, index) => [row.id, { ...row, index }]))
    const lost = this.acknowledged.filter(({ id }) => !kept.has(id))
    const elsewhere = this.acknowledged.filter(
      ({ id, personId, setup }) =>
        kept.has(id) && (kept.get(id)?.person_id !== personId || kept.get(id)?.stream_id !== setup),
    )
    const doubled = rows.length - kept.size
    const lastOf = new Map<string, number>()
    const outOfOrder = this.acknowledged.filter(({ id, tab, setup }) => {
      const [lane, index] = [`${tab} ${setup}`, kept.get(id)?.index ?? -1]
      const isBefore = index < (lastOf.get(lane) ?? -1)
      lastOf.set(lane, index)
      return isBefore
    })
    line('acknowledged', this.acknowledged.length)
    line('of them lost', lost.length)
    line('doubled', doubled)
    line('under another name or in another set-up', elsewhere.length)
    line('out of the order of their tab', outOfOrder.length)
    line('answers', [...this.answers].map(([status, count]) => `${status}: ${count}`).join(', '))
    return lost.length + doubled + elsewhere.length + outOfOrder.length === 0
  }
}
