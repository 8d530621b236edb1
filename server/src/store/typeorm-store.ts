import { QueryFailedError, type DataSource, type EntityManager } from 'typeorm'
import { machineSchema, shopGaugeSchema } from '@pine/contract'
import { accept } from '../refusal'
import {
  factEntity,
  gaugeEntity,
  machineEntity,
  personEntity,
  programTextEntity,
  sessionEntity,
  setupEntity,
  type FactEntity,
  type SetupEntity,
} from './entities'
import type { FactRow, Insertion, NewFactRow, SetupRow, Store } from './store'

const UNIQUE_VIOLATION = '23505'

/** The store on PostgreSQL. */
export function typeormStore(source: DataSource): Store {
  const people = source.getRepository(personEntity)
  const sessions = source.getRepository(sessionEntity)
  const machines = source.getRepository(machineEntity)
  const gauges = source.getRepository(gaugeEntity)
  const texts = source.getRepository(programTextEntity)

  return {
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
    async countWrongPin(personId) {
      await people.increment({ id: personId }, 'failedAttempts', 1)
      const row = await people.findOneByOrFail({ id: personId })
      return row.failedAttempts
    },
    async lockUntil(personId, lockedUntil) {
      await people.update({ id: personId }, { lockedUntil })
    },
    async forgetWrongPins(personId) {
      await people.update({ id: personId }, { failedAttempts: 0, lockedUntil: null })
    },

    async openSession(tokenHash, personId, createdAt, expiresAt) {
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

    async machines() {
      const rows = await machines.find({ order: { createdAt: 'ASC' } })
      return rows.map(({ id, declaration }) => machineSchema.parse({ id, machine: declaration }))
    },
    addMachine: ({ id, machine }, createdBy, createdAt) =>
      insertion(machines.insert({ id, declaration: machine, createdBy, createdAt })),
    async gauges() {
      const rows = await gauges.find({ order: { createdAt: 'ASC' } })
      return rows.map(({ id, declaration }) => shopGaugeSchema.parse({ id, gauge: declaration }))
    },
    addGauge: ({ id, gauge }, createdBy, createdAt) =>
      insertion(gauges.insert({ id, declaration: gauge, createdBy, createdAt })),

    async keepProgramText({ sha256, bytes, personId, at }) {
      await texts
        .createQueryBuilder()
        .insert()
        .values({ sha256, bytes: Buffer.from(bytes), keptBy: personId, keptAt: at })
        .orIgnore()
        .execute()
    },
    async programText(sha256) {
      return (await texts.findOneBy({ sha256 }))?.bytes
    },

    async setups() {
      return (await findSetups(source.manager)).map(setupRow)
    },
    async setup(id) {
      const [found] = await findSetups(source.manager, id)
      return found && setupRow(found)
    },
    addSetup: (id, sheet) =>
      insertion(
        source.transaction(async (manager) => {
          await manager.insert(setupEntity, {
            id,
            createdBy: sheet.personId,
            createdAt: sheet.recordedAt,
          })
          await insertFact(manager, sheet)
        }),
      ),
    appendFact: (fact, decide) =>
      source.transaction(async (manager) => {
        // The row lock makes the facts of one set-up come one after the other, in every process.
        const locked = await manager.findOne(setupEntity, {
          where: { id: fact.setupId },
          lock: { mode: 'pessimistic_write' },
        })
        const [found] = locked === null ? [] : await findSetups(manager, fact.setupId)
        if (found === undefined) return 'no-setup'
        const setup = setupRow(found)
        const before = setup.facts.find(({ id }) => id === fact.id)
        if (before !== undefined) return accept(before)
        const decided = decide(setup)
        if (!decided.ok) return decided
        await insertFact(manager, { ...fact, body: decided.value })
        const written = await manager.findOneOrFail(factEntity, {
          where: { id: fact.id },
          relations: { person: true },
        })
        return accept(factRow(written))
      }),
  }
}

function findSetups(manager: EntityManager, id?: string): Promise<SetupEntity[]> {
  return manager.find(setupEntity, {
    ...(id === undefined ? {} : { where: { id } }),
    relations: { creator: true, facts: { person: true } },
    order: { createdAt: 'DESC', facts: { sequence: 'ASC' } },
  })
}

async function insertFact(manager: EntityManager, fact: NewFactRow): Promise<void> {
  await manager.insert(factEntity, fact)
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

function setupRow(row: SetupEntity): SetupRow {
  return {
    id: row.id,
    createdByName: row.creator?.name ?? '',
    createdAt: row.createdAt,
    facts: (row.facts ?? []).map(factRow),
  }
}

function factRow(row: FactEntity): FactRow {
  return {
    id: row.id,
    setupId: row.setupId,
    sequence: Number(row.sequence),
    kind: row.kind,
    body: row.body,
    personId: row.personId,
    personName: row.person?.name ?? '',
    recordedAt: row.recordedAt,
  }
}
