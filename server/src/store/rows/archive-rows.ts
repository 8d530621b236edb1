import { randomBytes } from 'node:crypto'
import { hash } from '@node-rs/argon2'
import type { DataSource, EntityManager } from 'typeorm'
import type { ArchivedPerson, ArchiveStore, Restoring, StreamKey } from '../archive-store'
import {
  factEntity,
  frozenEntity,
  personEntity,
  programTextEntity,
  streamEntity,
} from '../entities'
import { joinShop, violatedUnique } from './person-rows'

/** So many facts go in by one statement. */
const AT_ONCE = 500

/** A shop taken out and put in as a whole, on PostgreSQL. */
export function archiveRows(source: DataSource, shopId: string): ArchiveStore {
  const column = async (statement: string): Promise<readonly string[]> =>
    ((await source.query(statement, [shopId])) as readonly { readonly one: string }[]).map(
      ({ one }) => one,
    )
  return {
    async archivedPeople() {
      const rows = await source
        .getRepository(personEntity)
        .find({ where: { shopId }, order: { createdAt: 'ASC', id: 'ASC' } })
      return rows.map(({ createdAt, leftAt, ...person }) => ({
        ...{ id: person.id, name: person.name, role: person.role, isProgram: person.isProgram },
        ...{ createdAt: createdAt.toISOString(), leftAt: leftAt?.toISOString() ?? null },
      }))
    },
    streamKeys: () =>
      source.query('SELECT id, kind FROM stream WHERE shop_id = $1 ORDER BY created_at, id', [
        shopId,
      ]) as Promise<readonly StreamKey[]>,
    frozenIds: () =>
      column('SELECT fact_id AS one FROM frozen WHERE shop_id = $1 ORDER BY fact_id'),
    programHashes: () =>
      column('SELECT sha256 AS one FROM program_text WHERE shop_id = $1 ORDER BY sha256'),
    async restoreInto(work) {
      try {
        return await source.transaction(async (manager) => {
          await manager.query(`SELECT pg_advisory_xact_lock(hashtext('pine restore ' || $1))`, [
            shopId,
          ])
          if ((await manager.countBy(streamEntity, { shopId })) > 0) return 'not-empty'
          await work(await restoringInto(manager, shopId))
          return 'restored'
        })
      } catch (cause) {
        // An id is nobody else's on one database: the shop that the archive is of is still here.
        if (violatedUnique(cause) === undefined) throw cause
        return 'known-here'
      }
    },
  }
}

async function restoringInto(manager: EntityManager, shopId: string): Promise<Restoring> {
  // Nobody knows what this is of: a lead gives each a PIN of their own.
  const pinHash = await hash(randomBytes(32))
  const here = await manager.findBy(personEntity, { shopId })
  const [first] = here
  const ids = new Set(here.map(({ id }) => id))
  const names = new Set(here.map(({ name }) => name.toLowerCase()))
  let keeper = first?.id
  return {
    async person({ id, name, role, isProgram, createdAt, leftAt }: ArchivedPerson) {
      keeper ??= id
      if (ids.has(id)) return
      const free = freeName(name, names)
      names.add(free.toLowerCase())
      ids.add(id)
      const joining = {
        ...{ id, role, isProgram, name: free },
        ...(isProgram ? { pinHash: null, pinDigits: null } : { pinHash, pinDigits: 6 }),
      }
      await joinShop(manager, shopId, joining, new Date(createdAt), keeper)
      if (leftAt !== null) await manager.update(personEntity, { id }, { leftAt: new Date(leftAt) })
    },
    async stream({ id, kind }, facts) {
      const [begin] = facts
      if (begin === undefined) return
      await manager.insert(streamEntity, {
        ...{ shopId, id, kind, createdBy: begin.personId, createdAt: begin.recordedAt },
      })
      for (let from = 0; from < facts.length; from += AT_ONCE)
        await manager.insert(
          factEntity,
          facts
            .slice(from, from + AT_ONCE)
            .map((fact, index) => ({ ...fact, shopId, streamId: id, place: from + index })),
        )
    },
    async frozen(factId, content) {
      await manager.insert(frozenEntity, { shopId, factId, content })
    },
    async program(sha256, bytes) {
      if (keeper === undefined) return
      await manager.insert(programTextEntity, {
        ...{ shopId, sha256, bytes: Buffer.from(bytes), keptBy: keeper, keptAt: new Date() },
      })
    },
  }
}

/** A name that nobody here has: whoever restores may be called as somebody of the archive. */
function freeName(name: string, taken: ReadonlySet<string>): string {
  if (!taken.has(name.toLowerCase())) return name
  for (let count = 2; ; count += 1) {
    const other = `${name} (${count})`
    if (!taken.has(other.toLowerCase())) return other
  }
}
