import type { MigrationInterface, QueryRunner } from 'typeorm'
import { knownKinds } from './known-kinds'

const BEFORE = [
  'sheet',
  'reading',
  'key-in',
  'read-back',
  'event',
  'acceptance',
  'proof',
  'lift',
  'check-off',
  'program',
  'program-check',
  'record',
  'put-away',
  'machine',
  'gauge',
  'tool',
  'gauge-check',
]

/**
 * Tools live longer than a set-up: what happened to them and to machines outside of set-ups are facts of their streams. What each
 * set-up tells of a tool, and what a tool is declared to be now, are worked out of facts, as the list of set-ups is, so that a list
 * and a search are one question to the database.
 */
export class ToolsOverTime1796976000000 implements MigrationInterface {
  name = 'ToolsOverTime1796976000000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(knownKinds([...BEFORE, 'tool-event', 'machine-event']))
    await runner.query(`
      CREATE TABLE tool_now (
        shop_id uuid NOT NULL,
        tool_id uuid NOT NULL,
        name text NOT NULL,
        machine_id uuid,
        pocket int,
        retired boolean NOT NULL,
        declared jsonb NOT NULL,
        -- Of two that are said to be in one pocket, the one that was put there last is.
        placed_at timestamptz NOT NULL,
        PRIMARY KEY (shop_id, tool_id),
        FOREIGN KEY (shop_id, tool_id) REFERENCES stream (shop_id, id)
      );
      -- As people sort them: 6.8 mm before 10 mm.
      CREATE COLLATION by_number (provider = icu, locale = 'und-u-kn-true');
      CREATE INDEX tool_now_by_name ON tool_now (shop_id, retired, (lower(name) COLLATE by_number), tool_id);
      CREATE INDEX tool_now_by_pocket ON tool_now (shop_id, machine_id, pocket, placed_at DESC);

      CREATE TABLE tool_use (
        shop_id uuid NOT NULL,
        tool_id uuid NOT NULL,
        setup_id uuid NOT NULL,
        at timestamptz NOT NULL,
        use jsonb NOT NULL,
        PRIMARY KEY (shop_id, tool_id, setup_id),
        FOREIGN KEY (shop_id, setup_id) REFERENCES stream (shop_id, id)
      );
      CREATE INDEX tool_use_by_age ON tool_use (shop_id, tool_id, at DESC);

      -- Few of many facts: what happened to tools and machines, in set-ups and outside of them.
      CREATE INDEX fact_of_events ON fact (shop_id, recorded_at) WHERE kind = 'event';
      CREATE INDEX fact_outside_of_setups ON fact (shop_id, stream_id, place)
        WHERE kind IN ('tool-event', 'machine-event');
    `)
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(
      'DROP INDEX fact_outside_of_setups, fact_of_events; DROP TABLE tool_use, tool_now; DROP COLLATION by_number',
    )
    await runner.query(knownKinds(BEFORE))
  }
}
