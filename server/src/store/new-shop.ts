import type { DataSource } from 'typeorm'
import { v7 as uuid } from 'uuid'

/** What a host may be: a name of letters, digits and hyphens, with dots between its parts (RFC 1123, 2.1). */
const HOST =
  /^(?=.{1,253}$)([a-z0-9]([a-z0-9-]{0,61}[a-z0-9])?)(\.[a-z0-9]([a-z0-9-]{0,61}[a-z0-9])?)*$/

/**
 * Adds a shop that is asked for by a host of its own, as the owner of the database: no server may.
 *
 * @returns its id
 * @throws Error in words, for a name that is empty, a host that is none, or one that another shop has.
 */
export async function addShop(
  owner: DataSource,
  { name, host }: { readonly name: string; readonly host: string },
  at: Date,
): Promise<string> {
  const [called, wanted] = [name.trim(), host.trim().toLowerCase()]
  if (called === '') throw new Error('a shop has a name: expected one, received nothing')
  if (!HOST.test(wanted))
    throw new Error(`“${host}” is no host: expected a name like lathe.shop.example, without a port`)
  const id = uuid()
  await owner.transaction(async (manager) => {
    const taken: readonly object[] = await manager.query(
      'SELECT FROM shop_host WHERE host = $1 FOR UPDATE',
      [wanted],
    )
    if (taken.length > 0)
      throw new Error(`${wanted} is another shop’s already: choose another host`)
    await manager.query(
      'INSERT INTO shop (id, name, created_at, demo) VALUES ($1, $2, $3, false)',
      [id, called, at],
    )
    await manager.query('INSERT INTO shop_host (host, shop_id) VALUES ($1, $2)', [wanted, id])
  })
  return id
}
