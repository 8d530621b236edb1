import type { MigrationInterface, QueryRunner } from 'typeorm'

/** The list is asked by the page: what it is asked by stands in columns that follow from the summary, with an index. */
export class PagesOfSetups1797408000000 implements MigrationInterface {
  name = 'PagesOfSetups1797408000000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE summary
        ADD COLUMN is_away boolean NOT NULL GENERATED ALWAYS AS (summary ->> 'away' IS NOT NULL) STORED,
        ADD COLUMN is_released boolean NOT NULL
          GENERATED ALWAYS AS (coalesce((summary ->> 'recorded')::boolean, false) AND summary ->> 'nextStation' IS NULL) STORED,
        ADD COLUMN old_from text GENERATED ALWAYS AS (summary ->> 'oldFrom') STORED;
      DROP INDEX summary_by_age;
      CREATE INDEX summary_by_standing ON summary (shop_id, is_away, is_released, created_at DESC);
      CREATE INDEX summary_by_age ON summary (shop_id, is_away, created_at DESC);
      CREATE INDEX summary_old_from ON summary (shop_id, old_from) WHERE old_from IS NOT NULL;
    `)
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      DROP INDEX summary_old_from, summary_by_standing, summary_by_age;
      ALTER TABLE summary DROP COLUMN is_away, DROP COLUMN is_released, DROP COLUMN old_from;
      CREATE INDEX summary_by_age ON summary (shop_id, created_at DESC);
    `)
  }
}
