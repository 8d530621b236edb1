import { EventEmitter } from 'node:events'
import type { Client, Pool, PoolClient, QueryResult, QueryResultRow } from 'pg'

/** What a connection is told that works for no shop: it sees none's rows. */
export const NO_SHOP = ''

type Release = (failure?: Error | boolean) => void
type Connected = (error: Error | undefined, client?: PoolClient, release?: Release) => void

/** For which shop a connection was told to work last. */
const shopOfClient = new WeakMap<PoolClient, string>()

/** As the driver says it. */
const NOT_ANSWERED = 'Query read timeout'

/**
 * A connection whose question was not answered in time leads to a database that hangs. It is given up: handed out again, it would
 * keep whoever gets it waiting behind that question, and ten of them would be all there are.
 */
export function givenUpWhereItHangs(client: PoolClient): void {
  const ask = client.query.bind(client) as (...asked: unknown[]) => unknown
  client.query = ((...asked: unknown[]) => {
    const answer = ask(...asked)
    if (answer instanceof Promise)
      answer.catch((cause: unknown) => {
        if (cause instanceof Error && cause.message === NOT_ANSWERED)
          void (client as unknown as Client).end().catch(() => undefined)
      })
    return answer
  }) as typeof client.query
}

/** Connections of a pool that all shops share, each told for whom it works before it is handed out. */
class ShopPool extends EventEmitter {
  constructor(
    private readonly pool: Pool,
    private readonly shop: string,
  ) {
    super()
  }

  connect(done: Connected): void {
    this.told().then(
      (client) => done(undefined, client, (failure) => client.release(failure)),
      (cause: unknown) => done(cause as Error),
    )
  }

  async query<Row extends QueryResultRow>(
    text: string,
    values: unknown[] = [],
  ): Promise<QueryResult<Row>> {
    const client = await this.told()
    try {
      return await client.query<Row>(text, values)
    } finally {
      client.release()
    }
  }

  /** The pool is the database's, and ends with it. */
  end(done?: () => void): void {
    done?.()
  }

  private async told(): Promise<PoolClient> {
    const client = await this.pool.connect()
    if (shopOfClient.get(client) === this.shop) return client
    try {
      shopOfClient.delete(client)
      await client.query("SELECT set_config('pine.shop', $1, false)", [this.shop])
      shopOfClient.set(client, this.shop)
      return client
    } catch (cause) {
      client.release(true)
      throw cause
    }
  }
}

export const shopPool = (pool: Pool, shop: string): ShopPool => new ShopPool(pool, shop)

/** A kind of pool as TypeORM makes one, which is part of the common one. */
export const poolClass = (pool: Pool, shop: string): new () => ShopPool =>
  class extends ShopPool {
    constructor() {
      super(pool, shop)
    }
  }
