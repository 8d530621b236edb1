import { QueryFailedError, type EntityManager } from 'typeorm'
import type { MemberHistory, PersonChange } from '@pine/contract'
import { personEntity } from '../entities'
import type { Insertion, NewMember } from '../people-store'

const UNIQUE_VIOLATION = '23505'

/** Somebody who is or was here, as the database tells it. */
export interface MemberRow extends Omit<MemberHistory, 'leftAt' | 'program'> {
  readonly left_at: Date | null
  readonly is_program: boolean
  readonly until: Date | null
}

/** The same as it is told: a program with the end of its token. */
export const memberOf = ({
  left_at: leftAt,
  is_program: isProgram,
  until,
  ...member
}: MemberRow): MemberHistory => ({
  ...member,
  ...(isProgram && { program: { until: until?.toISOString() ?? null } }),
  leftAt: leftAt?.toISOString() ?? null,
})

/** Somebody with a PIN, or a program without one. */
interface Joining extends Omit<NewMember, 'pinHash' | 'pinDigits'> {
  readonly pinHash: string | null
  readonly pinDigits: number | null
  readonly isProgram?: boolean
}

/** A person, and how they came: let in by somebody, or the first one. */
export async function joinShop(
  manager: EntityManager,
  shopId: string,
  { id, name, pinHash, pinDigits, role, isProgram = false }: Joining,
  at: Date,
  byId = id,
): Promise<void> {
  await manager.insert(personEntity, {
    ...{ shopId, id, name, pinHash, pinDigits, role, isProgram, leftAt: null, createdAt: at },
  })
  await recordChange(manager, shopId, id, { kind: 'joined', role }, byId, at)
}

/** What happened to somebody's place, kept for good. */
export const recordChange = (
  manager: EntityManager,
  shopId: string,
  personId: string,
  change: PersonChange,
  byId: string,
  at: Date,
): Promise<unknown> =>
  manager.query(
    'INSERT INTO person_change (shop_id, person_id, change, by_id, at) VALUES ($5, $1, $2, $3, $4)',
    [personId, change, byId, at, shopId],
  )

/** What became of writing something that must be the only one of its id, or of its name. */
export async function insertion(writing: Promise<unknown>): Promise<Insertion> {
  try {
    await writing
    return 'written'
  } catch (cause) {
    const constraint = violatedUnique(cause)
    if (constraint === undefined) throw cause
    return constraint === 'person_name' ? 'name-exists' : 'id-exists'
  }
}

/** What must be there once only, and would have been twice; undefined for another failure. */
export function violatedUnique(cause: unknown): string | undefined {
  if (!(cause instanceof QueryFailedError)) return undefined
  const { code, constraint } = cause.driverError as { code?: string; constraint?: string }
  return code === UNIQUE_VIOLATION ? (constraint ?? '') : undefined
}
