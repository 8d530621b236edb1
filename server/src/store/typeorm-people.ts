import { IsNull, LessThanOrEqual, type DataSource, type EntityManager } from 'typeorm'
import type { Member, Role } from '@pine/contract'
import { CHANNEL, SESSIONS_CHANGED } from './changes'
import { personEntity, sessionEntity } from './entities'
import { insertion, joinShop, memberOf, recordChange, type MemberRow } from './rows/person-rows'
import type { PeopleStore } from './people-store'
import { Recent } from './rows/recent'

/** Every request asks who it is from: so long, in milliseconds, another server may not know yet that somebody's session has ended. */
export const SESSION_MOMENT = 1000
const MOST_SESSIONS = 10_000

/** The people of a shop on PostgreSQL. */
export function typeormPeople(source: DataSource, shopId: string): PeopleStore {
  const people = source.getRepository(personEntity)
  const sessions = source.getRepository(sessionEntity)
  const signedIn = new Recent<(Member & { readonly expires_at: Date }) | undefined>(
    SESSION_MOMENT,
    MOST_SESSIONS,
  )

  /** One after the other: who is first, or the last lead, is decided of what stands. */
  const alone = <T>(work: (manager: EntityManager) => Promise<T>): Promise<T> =>
    source.transaction(async (manager) => {
      await manager.query(`SELECT pg_advisory_xact_lock(hashtext('pine people ' || $1))`, [shopId])
      return work(manager)
    })

  return {
    async people() {
      const rows = await people.find({
        where: { shopId, leftAt: IsNull(), isProgram: false },
        order: { name: 'ASC' },
      })
      return rows.map(({ id, name }) => ({ id, name }))
    },
    async members() {
      const rows: readonly MemberRow[] = await source.query(
        `SELECT person.id, person.name, person.role, person.left_at, person.is_program,
            (SELECT max(expires_at) FROM session WHERE person.is_program AND session.person_id = person.id) AS until,
            json_agg(json_build_object('change', change, 'by', teller.name, 'at', at) ORDER BY at) AS changes
          FROM person JOIN person_change ON person_id = person.id JOIN person teller ON teller.id = by_id
          WHERE person.shop_id = $1
          GROUP BY person.id ORDER BY person.left_at IS NOT NULL, person.name`,
        [shopId],
      )
      return rows.map(memberOf)
    },
    addPerson: (person, at) =>
      insertion(source.transaction((manager) => joinShop(manager, shopId, person, at))),
    addFirstPerson: (person, at) =>
      alone(async (manager) => {
        if ((await manager.countBy(personEntity, { shopId })) > 0) return 'not-first'
        await joinShop(manager, shopId, { ...person, role: 'lead' }, at)
        return 'written'
      }),
    async addByCode(person, codeHash, at) {
      const spent = source.transaction(async (manager) => {
        const [rows]: [
          readonly { readonly role: Role; readonly made_by: string | null }[],
          number,
        ] = await manager.query(
          'DELETE FROM join_code WHERE shop_id = $3 AND code_hash = $1 AND expires_at > $2 RETURNING role, made_by',
          [codeHash, at, shopId],
        )
        const [code] = rows
        if (code === undefined) throw new NoSuchCode()
        await joinShop(
          manager,
          shopId,
          { ...person, role: code.role },
          at,
          code.made_by ?? person.id,
        )
      })
      try {
        return await insertion(spent)
      } catch (cause) {
        if (cause instanceof NoSuchCode) return 'no-such-code'
        throw cause
      }
    },
    addProgram: ({ tokenHash, expiresAt, ...program }, byId, at) =>
      insertion(
        source.transaction(async (manager) => {
          const person = { ...program, pinHash: null, pinDigits: null, isProgram: true }
          await joinShop(manager, shopId, person, at, byId)
          const { id: personId } = program
          await manager.insert(sessionEntity, {
            shopId,
            tokenHash,
            personId,
            createdAt: at,
            expiresAt,
          })
        }),
      ),
    async keepJoinCode({ codeHash, role, madeBy, expiresAt }, now) {
      await source.query(
        'DELETE FROM join_code WHERE shop_id = $3 AND (expires_at <= $1 OR made_by IS NULL AND $2::uuid IS NULL)',
        [now, madeBy ?? null, shopId],
      )
      await source.query(
        'INSERT INTO join_code (shop_id, code_hash, role, made_by, expires_at) VALUES ($5, $1, $2, $3, $4)',
        [codeHash, role, madeBy ?? null, expiresAt, shopId],
      )
    },
    async roleOfCode(codeHash, at) {
      const [row]: readonly { readonly role: Role }[] = await source.query(
        'SELECT role FROM join_code WHERE shop_id = $3 AND code_hash = $1 AND expires_at > $2',
        [codeHash, at, shopId],
      )
      return row?.role
    },
    async placeOf(personId) {
      const person = await people.findOneBy({ shopId, id: personId })
      if (person === null) return undefined
      const { role, pinDigits, isProgram } = person
      return { role, pinDigits, isProgram }
    },
    changePerson: ({ personId, change, byId, at, pinHash, pinDigits }) =>
      signedIn.after(
        alone(async (manager) => {
          const person = await manager.findOneBy(personEntity, { shopId, id: personId })
          if (person === null) return 'not-found'
          const endsLead =
            person.role === 'lead' &&
            person.leftAt === null &&
            (change.kind === 'left' || (change.kind === 'role' && change.role !== 'lead'))
          const leads = await manager.countBy(personEntity, {
            shopId,
            role: 'lead',
            leftAt: IsNull(),
          })
          if (endsLead && leads <= 1) return 'last-lead'
          await manager.update(
            personEntity,
            { shopId, id: personId },
            {
              ...(change.kind === 'role' && { role: change.role }),
              ...(change.kind === 'left' && { leftAt: at }),
              ...(change.kind === 'back' && { leftAt: null }),
              ...(pinHash !== undefined && { pinHash, pinDigits: pinDigits ?? null }),
            },
          )
          await recordChange(manager, shopId, personId, change, byId, at)
          // Who was signed in by what held before signs in again.
          if (change.kind === 'left' || change.kind === 'new-pin') {
            await manager.delete(sessionEntity, { shopId, personId })
            await manager.query('DELETE FROM secret_try WHERE shop_id = $2 AND subject LIKE $1', [
              `%${personId}%`,
              shopId,
            ])
          }
          // What a lead has shown lets nobody in once they are none.
          if (endsLead)
            await manager.query('DELETE FROM join_code WHERE shop_id = $2 AND made_by = $1', [
              personId,
              shopId,
            ])
          await tellSessionsChanged(manager)
          return 'changed'
        }),
      ),

    async pinHash(personId) {
      return (
        (await people.findOneBy({ shopId, id: personId, leftAt: IsNull() }))?.pinHash ?? undefined
      )
    },
    async isKnownDevice(deviceHash, personId) {
      const rows: readonly object[] = await source.query(
        'SELECT FROM known_device WHERE shop_id = $3 AND device_hash = $1 AND person_id = $2',
        [deviceHash, personId, shopId],
      )
      return rows.length > 0
    },
    async countTry(subject, now, { freeTries, first, longest, forgottenAfter }) {
      // A pause that ends later than any lasts belongs to a clock that was set back since.
      const [counted]: readonly { readonly tries: number; readonly locked_until: Date | null }[] =
        await source.query(
          `INSERT INTO secret_try AS before (shop_id, subject, tries, locked_until, counted_at) VALUES ($7, $1, 1, NULL, $2)
           ON CONFLICT (shop_id, subject) DO UPDATE SET counted_at = $2,
             tries = CASE WHEN ${FORGOTTEN} THEN 1 ELSE before.tries + 1 END,
             locked_until = CASE WHEN NOT ${FORGOTTEN} AND before.tries + 1 >= $3::int THEN $2::timestamptz + make_interval(
               secs => LEAST($4::float8 * 2 ^ LEAST(before.tries + 1 - $3::int, 20), $5::float8)) END
           WHERE before.locked_until IS NULL OR before.locked_until <= $2
             OR before.locked_until > $2::timestamptz + make_interval(secs => $5::float8)
           RETURNING tries, locked_until`,
          [subject, now, freeTries, first, longest, forgottenAfter ?? null, shopId],
        )
      if (counted !== undefined)
        return { allowed: true, tries: counted.tries, lockedUntil: counted.locked_until }
      const [paused]: readonly { readonly tries: number; readonly locked_until: Date | null }[] =
        await source.query(
          'SELECT tries, locked_until FROM secret_try WHERE shop_id = $2 AND subject = $1',
          [subject, shopId],
        )
      return { allowed: false, tries: paused?.tries ?? 0, lockedUntil: paused?.locked_until ?? now }
    },
    async forgetTries(subjects) {
      await source.query('DELETE FROM secret_try WHERE shop_id = $2 AND subject = ANY($1)', [
        subjects,
        shopId,
      ])
    },

    async takeTryBack(subject) {
      await source.query(
        'UPDATE secret_try SET tries = tries - 1, locked_until = NULL WHERE shop_id = $2 AND subject = $1 AND tries > 0',
        [subject, shopId],
      )
    },

    async openSession({ tokenHash, personId, deviceHash, at, expiresAt }) {
      // Those that ended are of no use to anybody but a thief of the database.
      await sessions.delete({ shopId, expiresAt: LessThanOrEqual(at) })
      await source.query(
        `DELETE FROM secret_try WHERE shop_id = $2 AND locked_until <= $1::timestamptz - interval '1 day'`,
        [at, shopId],
      )
      await source.query(
        'INSERT INTO known_device (shop_id, device_hash, person_id, since) VALUES ($4, $1, $2, $3) ON CONFLICT DO NOTHING',
        [deviceHash, personId, at, shopId],
      )
      await signedIn.after(
        sessions.insert({ shopId, tokenHash, personId, createdAt: at, expiresAt }),
      )
    },
    async memberOfSession(tokenHash, now) {
      const found = await signedIn.get(tokenHash, async () => {
        const [row]: readonly (Member & { readonly expires_at: Date })[] = await source.query(
          `SELECT person.id, name, role, expires_at FROM session JOIN person ON person.id = person_id
           WHERE session.shop_id = $2 AND token_hash = $1 AND left_at IS NULL`,
          [tokenHash, shopId],
        )
        return row
      })
      if (found === undefined || found.expires_at <= now) return undefined
      const { id, name, role } = found
      return { id, name, role }
    },
    async closeSession(tokenHash) {
      await signedIn.after(sessions.delete({ shopId, tokenHash }))
      await tellSessionsChanged(source)
    },
    async closeSessionsOf(personId) {
      await signedIn.after(sessions.delete({ shopId, personId }))
      await tellSessionsChanged(source)
    },
    sessionsChanged: () => signedIn.drop(),
  }
}

/** Nobody has tried for so long that it begins anew. */
const FORGOTTEN =
  '($6::float8 IS NOT NULL AND before.counted_at < $2::timestamptz - make_interval(secs => $6::float8))'

class NoSuchCode extends Error {}

/** Every process asks anew who is signed in, and ends the lines of those who are not. */
const tellSessionsChanged = (on: DataSource | EntityManager): Promise<unknown> =>
  on.query('SELECT pg_notify($1, $2)', [CHANNEL, SESSIONS_CHANGED])
