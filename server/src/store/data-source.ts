import 'reflect-metadata'
import pg from 'pg'
import { DataSource } from 'typeorm'
import { listenTo, type Changes } from './changes'
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
import { DevicesOfFacts1797235200000 } from './migrations/devices-of-facts'
import { FactsInTime1797753600000 } from './migrations/facts-in-time'
import { FactsOfPrograms1795939200000 } from './migrations/facts-of-programs'
import { FactsOfTheWholeRun1795593600000 } from './migrations/facts-of-the-whole-run'
import { GaugeChecks1796889600000 } from './migrations/gauge-checks'
import { PeopleOfTheShop1796630400000 } from './migrations/people-of-the-shop'
import { ProgramTexts1796198400000 } from './migrations/program-texts'
import { PutAways1796803200000 } from './migrations/put-aways'
import { Streams1796544000000 } from './migrations/streams'
import { MachinesOverTime1797062400000 } from './migrations/machines-over-time'
import { ToolsOverTime1796976000000 } from './migrations/tools-over-time'
import { WhatDevicesHadSeen1796716800000 } from './migrations/what-devices-had-seen'
import { FirstTables1772438400000 } from './migrations/first-tables'
import { AccessTokens1797667200000 } from './migrations/access-tokens'
import { AtTheDoor1797321600000 } from './migrations/at-the-door'
import { ManyShops1797494400000 } from './migrations/many-shops'
import { Notes1797580800000 } from './migrations/notes'
import { PagesOfSetups1797408000000 } from './migrations/pages-of-setups'
import { clientOf, urlsOf } from './primary'
import { givenUpWhereItHangs, NO_SHOP, poolClass, shopPool } from './shop-pool'

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
  PeopleOfTheShop1796630400000,
  WhatDevicesHadSeen1796716800000,
  PutAways1796803200000,
  GaugeChecks1796889600000,
  ToolsOverTime1796976000000,
  MachinesOverTime1797062400000,
  DevicesOfFacts1797235200000,
  AtTheDoor1797321600000,
  PagesOfSetups1797408000000,
  ManyShops1797494400000,
  Notes1797580800000,
  AccessTokens1797667200000,
  FactsInTime1797753600000,
]

/** Nobody at a machine waits longer than this; a migration may. */
const TIMEOUTS_MS = {
  statement_timeout: 15_000,
  lock_timeout: 3_000,
  idle_in_transaction_session_timeout: 15_000,
  connectionTimeoutMillis: 5_000,
  // The server ends what takes too long; one that hangs ends nothing.
  query_timeout: 17_000,
} as const

/** The advisory lock under which tables are brought up to date; any number that nothing else here takes. */
const MIGRATING = 7_463_215

/** The role that the server works as: it adds facts, and neither alters nor deletes one. */
const WRITER = 'pine_writer'

/** A database with the tables brought up to date, and the shops in it. */
export interface Database {
  /** What is asked and written for one shop, and shows nothing of any other. */
  ofShop(id: string): Promise<DataSource>
  /** The oldest shop: the only one, where nobody has added another. */
  firstShop(): Promise<string>
  /** All of them, the oldest first. */
  shops(): Promise<readonly string[]>
  /** The shop that is asked for by a host; undefined where it is none's own. */
  shopOfHost(host: string): Promise<string | undefined>
  destroy(): Promise<void>
}

/**
 * A connection pool on any PostgreSQL server, with the tables brought up to date. All shops share it.
 *
 * @param url as whom the server connects, and where; several hosts: whichever of them writes (primary.ts). It works as a
 * role that may add facts and nothing else to them.
 * @param ownerUrl as whom the tables are brought up to date, where that is somebody else.
 */
export async function openDatabase(url: string, ownerUrl = url): Promise<Database> {
  await migrate(ownerUrl)
  const pool = new pg.Pool({
    connectionString: urlsOf(url)[0],
    ...TIMEOUTS_MS,
    options: `-c role=${WRITER}`,
    // What the pool's types do not know: the kind of its connections.
    ...({ Client: clientOf(url) } as object),
  })
  // A connection that is lost while nobody uses it is replaced by the next that is asked for.
  pool.on('error', () => undefined)
  pool.on('connect', givenUpWhereItHangs)
  const shops = new Map<string, Promise<DataSource>>()
  const directory = shopPool(pool, NO_SHOP)
  const allShops = async (): Promise<readonly string[]> => {
    const { rows } = await directory.query<{ id: string }>(
      'SELECT id FROM shop ORDER BY created_at, id',
    )
    return rows.map(({ id }) => id)
  }
  return {
    ofShop(id) {
      const known = shops.get(id)
      if (known !== undefined) return known
      const opened = new DataSource({
        type: 'postgres',
        url: urlsOf(url)[0],
        entities: ENTITIES,
        driver: Object.assign(Object.create(pg), { Pool: poolClass(pool, id) }),
      }).initialize()
      shops.set(id, opened)
      // What could not be opened is tried again by whoever asks next.
      opened.catch(() => shops.delete(id))
      return opened
    },
    async firstShop() {
      const [first] = await allShops()
      if (first === undefined)
        throw new Error('the database has no shop: its tables were not brought up to date')
      return first
    },
    shops: allShops,
    async shopOfHost(host) {
      const { rows } = await directory.query<{ shop_id: string }>(
        'SELECT shop_id FROM shop_host WHERE host = $1',
        [host],
      )
      return rows[0]?.shop_id
    },
    async destroy() {
      const opened = await Promise.allSettled(shops.values())
      for (const one of opened) if (one.status === 'fulfilled') await one.value.destroy()
      await pool.end()
    },
  }
}

/** Hears of every fact that is written, by whichever process. */
export function listen(url: string): Changes {
  const PrimaryClient = clientOf(url)
  return listenTo(
    () =>
      new PrimaryClient({
        connectionString: urlsOf(url)[0],
        connectionTimeoutMillis: TIMEOUTS_MS.connectionTimeoutMillis,
        keepAlive: true,
      }),
  )
}

/** Brings the tables up to date, one process after the other: of two that begin at once, the second finds it done. */
async function migrate(url: string): Promise<void> {
  const source = new DataSource({
    type: 'postgres',
    url: urlsOf(url)[0],
    migrations: MIGRATIONS,
    migrationsTransactionMode: 'all',
    extra: {
      connectionTimeoutMillis: TIMEOUTS_MS.connectionTimeoutMillis,
      Client: clientOf(url),
    },
  })
  await source.initialize()
  const holder = source.createQueryRunner()
  try {
    await holder.query('SELECT pg_advisory_lock($1)', [MIGRATING])
    await source.runMigrations()
    await grant(source)
  } finally {
    // Its connection ends, and with it the lock, whatever happened.
    await holder.release()
    await source.destroy()
  }
}

/** What is written once can be added to; what is only worked out, or lets people in, can be changed as well. */
const RIGHTS = {
  'SELECT, INSERT': ['stream', 'fact', 'frozen', 'program_text', 'person_change', 'known_device'],
  'SELECT, INSERT, UPDATE': ['person', 'summary', 'tool_now', 'tool_use'],
  'SELECT, INSERT, UPDATE, DELETE': ['session', 'join_code', 'secret_try'],
  SELECT: ['migrations', 'shop_host'],
  'SELECT, UPDATE': ['shop'],
} as const

/** Makes the writer where it is not there yet, and says what it may. Roles are the whole cluster's: others may make it too. */
async function grant(source: DataSource): Promise<void> {
  await source.query(`
    DO $$ BEGIN
      IF NOT EXISTS (SELECT FROM pg_roles WHERE rolname = '${WRITER}') THEN
        CREATE ROLE ${WRITER} NOLOGIN;
      END IF;
    EXCEPTION WHEN duplicate_object OR unique_violation THEN NULL;
    END $$;
    DO $$ BEGIN
      IF NOT pg_has_role(current_user, '${WRITER}', 'MEMBER') THEN
        EXECUTE format('GRANT ${WRITER} TO %I', current_user);
      END IF;
    END $$;
  `)
  await source.query(`GRANT USAGE ON SCHEMA public TO ${WRITER}`)
  for (const [rights, tables] of Object.entries(RIGHTS))
    await source.query(`GRANT ${rights} ON ${tables.join(', ')} TO ${WRITER}`)
}
