import type { MigrationInterface, QueryRunner } from 'typeorm'

/** How much of a stream a device had when a fact was entered: of what came later it knew nothing. */
export class WhatDevicesHadSeen1796716800000 implements MigrationInterface {
  name = 'WhatDevicesHadSeen1796716800000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE fact ADD COLUMN seen int CHECK (seen IS NULL OR (seen >= 0 AND seen <= place));
      -- What a machine asks is looked up for every fact: among thousands of set-ups there are few machines.
      CREATE INDEX stream_by_kind ON stream (shop_id, kind, created_at);
    `)
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE fact DROP COLUMN seen; DROP INDEX stream_by_kind')
  }
}
