import type { Database } from '../store/data-source'
import { Recent } from '../store/recent'
import { typeormStore } from '../store/typeorm-store'
import type { Store } from '../store/store'
import type { Api } from './api'
import type { ApiOfHost } from './hosts'

/** A shop that was given a host is asked by it so many milliseconds later, at the latest. */
const HOST_MOMENT = 10_000
/** Whoever asks by names that are none of ours fills no memory. */
const MOST_HOSTS = 1_000

/**
 * The API of the shop that a host is for: each is made when it is first asked for. By the names of the server itself, which are no
 * shop's own, the first shop is asked: the only one, in a product of one shop.
 *
 * @param own names and addresses of the server.
 * @param make the API of a shop.
 */
export function apiOfHosts(
  database: Database,
  own: ReadonlySet<string>,
  make: (store: Store) => Api,
): ApiOfHost {
  const apis = new Map<string, Promise<Api>>()
  const hosts = new Recent<string | undefined>(HOST_MOMENT, MOST_HOSTS)
  const first = database.firstShop()
  first.catch(() => undefined)
  const apiOf = (shop: string): Promise<Api> => {
    const known = apis.get(shop)
    if (known !== undefined) return known
    const made = database.ofShop(shop).then((source) => make(typeormStore(source, shop)))
    apis.set(shop, made)
    made.catch(() => apis.delete(shop))
    return made
  }
  return async (host) => {
    const shop = await hosts.get(host, () => database.shopOfHost(host))
    if (shop !== undefined) return apiOf(shop)
    return own.has(host) ? apiOf(await first) : undefined
  }
}
