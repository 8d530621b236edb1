import type { MigrationInterface, QueryRunner } from 'typeorm'

/** The facts of a shop by when they were entered, and what each stream is declared to be: a page of the log is read off the two. */
export class FactsInTime1797753600000 implements MigrationInterface {
  name = 'FactsInTime1797753600000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE INDEX fact_in_time ON fact (shop_id, recorded_at DESC, stream_id DESC, place DESC);
      CREATE INDEX fact_of_declarations ON fact (shop_id, stream_id, place DESC) WHERE kind IN ('sheet', 'machine', 'gauge', 'tool');
    `)
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP INDEX fact_of_declarations, fact_in_time')
  }
}
