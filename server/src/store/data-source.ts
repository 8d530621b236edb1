import 'reflect-metadata'
import { DataSource } from 'typeorm'
import {
  factEntity,
  gaugeEntity,
  machineEntity,
  personEntity,
  programTextEntity,
  sessionEntity,
  setupEntity,
} from './entities'
import { FactsOfPrograms1795939200000 } from './migrations/facts-of-programs'
import { FactsOfTheWholeRun1795593600000 } from './migrations/facts-of-the-whole-run'
import { ProgramTexts1796198400000 } from './migrations/program-texts'
import { FirstTables1772438400000 } from './migrations/first-tables'

/** A connection pool on any PostgreSQL server, with the tables brought up to date. */
export async function openDatabase(url: string): Promise<DataSource> {
  const source = new DataSource({
    type: 'postgres',
    url,
    entities: [
      personEntity,
      sessionEntity,
      machineEntity,
      gaugeEntity,
      programTextEntity,
      setupEntity,
      factEntity,
    ],
    migrations: [
      FirstTables1772438400000,
      FactsOfTheWholeRun1795593600000,
      FactsOfPrograms1795939200000,
      ProgramTexts1796198400000,
    ],
    migrationsRun: true,
    // Two processes that start together must not both migrate half of it.
    migrationsTransactionMode: 'all',
  })
  return source.initialize()
}
