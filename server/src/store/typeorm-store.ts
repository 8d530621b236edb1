import { LessThanOrEqual, QueryFailedError, type DataSource } from 'typeorm'
import { accept } from '../refusal'
import {
  frozenEntity,
  personEntity,
  programTextEntity,
  sessionEntity,
  shopEntity,
  streamEntity,
  summaryEntity,
} from './entities'
import { factsFrom, factsOf, headOf, insertFact, writeFact } from './stream-rows'
import type { Insertion, Store } from './store'

const UNIQUE_VIOLATION = '23505'

/** The oldest shop of a database: the only one, until an organisation has several. */
export async function firstShop(source: DataSource): Promise<string> {
  const [shop] = await source
    .getRepository(shopEntity)
    .find({ order: { createdAt: 'ASC' }, take: 1 })
  if (shop === undefined)
    throw new Error('the database has no shop: its tables were not brought up to date')
  return shop.id
}

/** The store of one shop on PostgreSQL. */
export function typeormStore(source: DataSource, shopId: string): Store {
  const people = source.getRepository(personEntity)
  const sessions = source.getRepository(sessionEntity)
  const texts = source.getRepository(programTextEntity)
  const summaries = source.getRepository(summaryEntity)

  return {
    async ping() {
      await source.query('SELECT 1')
    },
    async shop() {
      const { id, name } = await source.getRepository(shopEntity).findOneByOrFail({ id: shopId })
      return { id, name }
    },

    async people() {
      const rows = await people.find({ order: { name: 'ASC' } })
      return rows.map(({ id, name }) => ({ id, name }))
    },
    addPerson: ({ id, name, pinHash }, createdAt) =>
      insertion(
        people.insert({ id, name, pinHash, failedAttempts: 0, lockedUntil: null, createdAt }),
      ),
    async credentials(personId) {
      const row = await people.findOneBy({ id: personId })
      return row === null
        ? undefined
        : {
            personId: row.id,
            pinHash: row.pinHash,
            failedAttempts: row.failedAttempts,
            lockedUntil: row.lockedUntil,
          }
    },
    async countTry(personId, now, { freeTries, first, longest }) {
      // A pause that ends later than any lasts belongs to a clock that was set back since.
      const [rows]: [
        readonly { readonly tries: number; readonly locked_until: Date | null }[],
        number,
      ] = await source.query(
        `UPDATE person SET failed_attempts = failed_attempts + 1,
             locked_until = CASE WHEN failed_attempts + 1 >= $3::int THEN $2::timestamptz + make_interval(
               secs => LEAST($4::float8 * 2 ^ LEAST(failed_attempts + 1 - $3::int, 20), $5::float8)) END
           WHERE id = $1 AND (locked_until IS NULL OR locked_until <= $2
             OR locked_until > $2::timestamptz + make_interval(secs => $5::float8))
           RETURNING failed_attempts AS tries, locked_until`,
        [personId, now, freeTries, first, longest],
      )
      const [counted] = rows
      return counted && { tries: counted.tries, lockedUntil: counted.locked_until }
    },
    async forgetWrongPins(personId) {
      await people.update({ id: personId }, { failedAttempts: 0, lockedUntil: null })
    },

    async openSession(tokenHash, personId, createdAt, expiresAt) {
      // Those that ended are of no use to anybody but a thief of the database.
      await sessions.delete({ expiresAt: LessThanOrEqual(createdAt) })
      await sessions.insert({ tokenHash, personId, createdAt, expiresAt })
    },
    async personOfSession(tokenHash, now) {
      const row = await sessions.findOne({ where: { tokenHash }, relations: { person: true } })
      return row?.person && row.expiresAt > now
        ? { id: row.person.id, name: row.person.name }
        : undefined
    },
    async closeSession(tokenHash) {
      await sessions.delete({ tokenHash })
    },

    async keepProgramText({ sha256, bytes, personId, at }) {
      await texts
        .createQueryBuilder()
        .insert()
        .values({ shopId, sha256, bytes: Buffer.from(bytes), keptBy: personId, keptAt: at })
        .orIgnore()
        .execute()
    },
    async programText(sha256) {
      return (await texts.findOneBy({ shopId, sha256 }))?.bytes
    },

    declared: (kind) =>
      source.query(
        `SELECT stream.id, latest.body
         FROM stream CROSS JOIN LATERAL (
           SELECT body FROM fact
           WHERE fact.shop_id = stream.shop_id AND stream_id = stream.id AND fact.kind = $2
           ORDER BY place DESC LIMIT 1
         ) latest
         WHERE shop_id = $1 AND kind = $2
         ORDER BY created_at, stream.id`,
        [shopId, kind],
      ),
    beginStream: ({ id, kind }, first, summary) =>
      insertion(
        source.transaction(async (manager) => {
          await manager.insert(streamEntity, {
            shopId,
            id,
            kind,
            createdBy: first.personId,
            createdAt: first.recordedAt,
          })
          await insertFact(manager, shopId, id, 0, first)
          if (summary !== undefined)
            await manager.insert(summaryEntity, {
              shopId,
              streamId: id,
              summary,
              createdAt: first.recordedAt,
            })
        }),
      ),
    async stream(kind, id, from = 0) {
      const head = await headOf(source.manager, shopId, id)
      if (head?.kind !== kind) return undefined
      return { ...head, facts: await factsOf(source.manager, shopId, id, from) }
    },
    appendFact: (streamId, fact, from, decide) =>
      source.transaction(async (manager) => {
        // The row lock makes the facts of one stream come one after the other, in every process.
        const head = await headOf(manager, shopId, streamId, 'FOR UPDATE OF stream')
        if (head === undefined) return 'no-stream'
        const { facts, before } = await factsFrom(manager, shopId, streamId, from, fact.id)
        if (before !== undefined)
          return accept({ kind: before.kind, body: before.body, isNew: false })
        const decided = decide({ ...head, facts })
        if (!decided.ok) return decided
        const { body, summary, frozen } = decided.value
        await writeFact(manager, {
          shopId,
          streamId,
          place: from + facts.length,
          fact: { ...fact, body },
          summary,
          createdAt: head.createdAt,
        })
        if (frozen !== undefined)
          await manager.insert(frozenEntity, { shopId, factId: fact.id, content: frozen })
        return accept({ kind: fact.kind, body, isNew: true })
      }),

    async summaries() {
      const rows = await summaries.find({ where: { shopId }, order: { createdAt: 'DESC' } })
      return rows.map(({ summary }) => summary)
    },
    async withoutSummary() {
      const rows: readonly { readonly id: string }[] = await source.query(
        `SELECT id FROM stream WHERE shop_id = $1 AND kind = 'setup' AND NOT EXISTS (
           SELECT FROM summary WHERE summary.shop_id = stream.shop_id AND stream_id = stream.id
         )`,
        [shopId],
      )
      return rows.map(({ id }) => id)
    },
    async addSummary(summary) {
      await summaries
        .createQueryBuilder()
        .insert()
        .values({ shopId, streamId: summary.id, summary, createdAt: new Date(summary.createdAt) })
        .orIgnore()
        .execute()
    },
    async renewSummary(before, now) {
      await source.query(
        'UPDATE summary SET summary = $4 WHERE shop_id = $1 AND stream_id = $2 AND summary = $3',
        [shopId, now.id, before, now],
      )
    },
    async frozen(factId) {
      const row = await source.getRepository(frozenEntity).findOneBy({ shopId, factId })
      return row?.content
    },
  }
}

async function insertion(writing: Promise<unknown>): Promise<Insertion> {
  try {
    await writing
    return 'written'
  } catch (cause) {
    if (!(cause instanceof QueryFailedError)) throw cause
    const { code, constraint } = cause.driverError as { code?: string; constraint?: string }
    if (code !== UNIQUE_VIOLATION) throw cause
    return constraint === 'person_name' ? 'name-exists' : 'id-exists'
  }
}
