import type { Database } from '../../store/data-source'
import { typeormStore } from '../../store/typeorm-store'
import type { Store } from '../../store/store'
import type { Api } from '../api'
import type { ApiOfHost } from './hosts'

/** A shop that was given a host is asked by it so many milliseconds later, at the latest. */
const HOST_MOMENT = 10_000
/** Whoever asks by names that are none of ours fills no memory. */
const MOST_HOSTS = 1_000

/** Which shop a host is for, as it was found last. */
interface Found {
  readonly shop: string | undefined
  readonly at: number
}

/**
 * The API of the shop that a host is for: each is made when it is first asked for. By the names of the server itself, which are no
 * shop's own, the first shop is asked: the only one, in a product of one shop. While the database is away, what was known holds: the
 * page opens, and what is asked is told to come again.
 *
 * @param own names and addresses of the server.
 * @param first the shop that is asked by them.
 * @param make the API of a shop.
 */
export function apiOfHosts(
  database: Pick<Database, 'shopOfHost' | 'ofShop'>,
  { own, first }: { readonly own: ReadonlySet<string>; readonly first: string },
  make: (store: Store) => Api,
): ApiOfHost {
  const apis = new Map<string, Promise<Api>>()
  const known = new Map<string, Found>()
  const apiOf = (shop: string): Promise<Api> => {
    const before = apis.get(shop)
    if (before !== undefined) return before
    const made = database.ofShop(shop).then((source) => make(typeormStore(source, shop)))
    apis.set(shop, made)
    made.catch(() => apis.delete(shop))
    return made
  }

  /** @throws what the database failed with, where nothing is known of a host that is not the server's own. */
  async function shopOf(host: string): Promise<string | undefined> {
    const before = known.get(host)
    if (before !== undefined && performance.now() < before.at + HOST_MOMENT) return before.shop
    try {
      const shop = await database.shopOfHost(host)
      known.delete(host)
      known.set(host, { shop, at: performance.now() })
      if (known.size > MOST_HOSTS) known.delete(known.keys().next().value ?? '')
      return shop
    } catch (cause) {
      if (before === undefined && !own.has(host)) throw cause
      return before?.shop
    }
  }

  return async (host) => {
    const shop = await shopOf(host)
    if (shop !== undefined) return apiOf(shop)
    return own.has(host) ? apiOf(first) : undefined
  }
}
