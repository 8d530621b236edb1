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

/** A connection pool on any PostgreSQL server, with the tables brought up to date. */
export async function openDatabase(url: string): Promise<DataSource> {
  const source = new DataSource({
    type: 'postgres',
    url,
    entities: [
      shopEntity,
      personEntity,
      sessionEntity,
      programTextEntity,
      streamEntity,
      factEntity,
      summaryEntity,
      frozenEntity,
    ],
    migrations: [
      FirstTables1772438400000,
      FactsOfTheWholeRun1795593600000,
      FactsOfPrograms1795939200000,
      ProgramTexts1796198400000,
      Streams1796544000000,
    ],
    migrationsRun: true,
    // Two processes that start together must not both migrate half of it.
    migrationsTransactionMode: 'all',
  })
  try {
    return await source.initialize()
  } catch (cause) {
    // A migration that fails leaves its connections open, and the process would not end.
    if (source.isInitialized) await source.destroy()
    throw cause
  }
}
