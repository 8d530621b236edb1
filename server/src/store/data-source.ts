import 'reflect-metadata'
import { DataSource } from 'typeorm'
import {
  factEntity,
  frozenEntity,
  personEntity,
  programTextEntity,
  sessionEntity,
  shopEntity,
  streamEntity,
  summaryEntity,
} from './entities'
import { FactsOfPrograms1795939200000 } from './migrations/facts-of-programs'
import { FactsOfTheWholeRun1795593600000 } from './migrations/facts-of-the-whole-run'
import { ProgramTexts1796198400000 } from './migrations/program-texts'
import { Streams1796544000000 } from './migrations/streams'
import { FirstTables1772438400000 } from './migrations/first-tables'

const ENTITIES = [
  shopEntity,
  personEntity,
  sessionEntity,
  programTextEntity,
  streamEntity,
  factEntity,
  summaryEntity,
  frozenEntity,
]

const MIGRATIONS = [
  FirstTables1772438400000,
  FactsOfTheWholeRun1795593600000,
  FactsOfPrograms1795939200000,
  ProgramTexts1796198400000,
  Streams1796544000000,
]

/** Nobody at a machine waits longer than this; a migration may. */
const TIMEOUTS_MS = {
  statement_timeout: 15_000,
  lock_timeout: 3_000,
  idle_in_transaction_session_timeout: 15_000,
  connectionTimeoutMillis: 5_000,
} as const

/** The advisory lock under which tables are brought up to date; any number that nothing else here takes. */
const MIGRATING = 7_463_215

/** A connection pool on any PostgreSQL server, with the tables brought up to date. */
export async function openDatabase(url: string): Promise<DataSource> {
  await migrate(url)
  return new DataSource({
    type: 'postgres',
    url,
    entities: ENTITIES,
    extra: TIMEOUTS_MS,
  }).initialize()
}

/** Brings the tables up to date, one process after the other: of two that begin at once, the second finds it done. */
async function migrate(url: string): Promise<void> {
  const source = new DataSource({
    type: 'postgres',
    url,
    migrations: MIGRATIONS,
    migrationsTransactionMode: 'all',
    extra: { connectionTimeoutMillis: TIMEOUTS_MS.connectionTimeoutMillis },
  })
  await source.initialize()
  const holder = source.createQueryRunner()
  try {
    await holder.query('SELECT pg_advisory_lock($1)', [MIGRATING])
    await source.runMigrations()
  } finally {
    // Its connection ends, and with it the lock, whatever happened.
    await holder.release()
    await source.destroy()
  }
}
