import type { MigrationInterface, QueryRunner } from 'typeorm'

/** The shop that everything before belongs to. */
const FIRST_SHOP = '01970000-0000-7000-8000-000000000001'

/**
 * One table of facts for every stream (set-up, machine, gauge, tool), each with its place in its stream; every key begins
 * with the shop. Facts of before are carried over in their order, and nothing is left out: a record's content moves to a
 * table of its own, and a failed check that counted the good readings names the last of them.
 */
export class Streams1796544000000 implements MigrationInterface {
  name = 'Streams1796544000000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE shop (
        id uuid PRIMARY KEY,
        name text NOT NULL CHECK (length(trim(name)) > 0),
        created_at timestamptz NOT NULL
      );
      INSERT INTO shop VALUES ('${FIRST_SHOP}', 'Workshop', now());

      ALTER TABLE fact RENAME TO fact_before;
      ALTER TABLE setup RENAME TO setup_before;
      ALTER TABLE machine RENAME TO machine_before;
      ALTER TABLE gauge RENAME TO gauge_before;

      CREATE TABLE stream (
        shop_id uuid NOT NULL REFERENCES shop,
        id uuid NOT NULL,
        kind text NOT NULL CONSTRAINT stream_kind_known CHECK (kind IN ('setup', 'machine', 'gauge', 'tool')),
        created_by uuid NOT NULL REFERENCES person,
        created_at timestamptz NOT NULL,
        PRIMARY KEY (shop_id, id)
      );
      CREATE TABLE fact (
        shop_id uuid NOT NULL,
        stream_id uuid NOT NULL,
        place int NOT NULL CHECK (place >= 0),
        id uuid NOT NULL,
        kind text NOT NULL CONSTRAINT fact_kind_known CHECK (kind IN (
          'sheet', 'reading', 'key-in', 'read-back', 'event', 'acceptance', 'proof', 'lift',
          'check-off', 'program', 'program-check', 'record', 'machine', 'gauge', 'tool'
        )),
        body jsonb NOT NULL,
        via text NOT NULL
          CONSTRAINT fact_via_known CHECK (via IN ('typed', 'captured', 'live', 'imported', 'simulated')),
        person_id uuid NOT NULL REFERENCES person,
        recorded_at timestamptz NOT NULL,
        PRIMARY KEY (shop_id, stream_id, place),
        UNIQUE (shop_id, id),
        FOREIGN KEY (shop_id, stream_id) REFERENCES stream (shop_id, id)
      );
      CREATE TABLE frozen (
        shop_id uuid NOT NULL,
        fact_id uuid NOT NULL,
        content jsonb NOT NULL,
        PRIMARY KEY (shop_id, fact_id),
        FOREIGN KEY (shop_id, fact_id) REFERENCES fact (shop_id, id)
      );
      CREATE TABLE summary (
        shop_id uuid NOT NULL,
        stream_id uuid NOT NULL,
        summary jsonb NOT NULL,
        created_at timestamptz NOT NULL,
        PRIMARY KEY (shop_id, stream_id),
        FOREIGN KEY (shop_id, stream_id) REFERENCES stream (shop_id, id)
      );
      CREATE INDEX summary_by_age ON summary (shop_id, created_at DESC);
    `)
    await runner.query(`
      INSERT INTO stream
        SELECT uuid '${FIRST_SHOP}', id, 'setup', created_by, created_at FROM setup_before
        UNION ALL
        SELECT uuid '${FIRST_SHOP}', id, 'machine', created_by, created_at FROM machine_before
        UNION ALL
        SELECT uuid '${FIRST_SHOP}', id, 'gauge', created_by, created_at FROM gauge_before;

      INSERT INTO fact
        SELECT uuid '${FIRST_SHOP}', setup_id,
          row_number() OVER (PARTITION BY setup_id ORDER BY sequence) - 1,
          id, kind,
          CASE
            WHEN kind = 'record' THEN jsonb_build_object('hash', body -> 'hash')
            WHEN kind = 'event' AND body ? 'goodUntil' THEN (body - 'goodUntil') || coalesce((
              SELECT jsonb_build_object('lastGood', reading.id)
              FROM fact_before reading
              WHERE reading.setup_id = fact_before.setup_id AND reading.kind = 'reading'
              ORDER BY reading.sequence
              OFFSET greatest((fact_before.body ->> 'goodUntil')::int - 1, 0)
              LIMIT CASE WHEN (fact_before.body ->> 'goodUntil')::int > 0 THEN 1 ELSE 0 END
            ), '{}')
            ELSE body
          END,
          CASE kind WHEN 'program' THEN 'imported' ELSE 'typed' END,
          person_id, recorded_at
        FROM fact_before;
      INSERT INTO fact
        SELECT uuid '${FIRST_SHOP}', id, 0, gen_random_uuid(), 'machine', declaration, 'typed', created_by, created_at
        FROM machine_before;
      INSERT INTO fact
        SELECT uuid '${FIRST_SHOP}', id, 0, gen_random_uuid(), 'gauge', declaration, 'typed', created_by, created_at
        FROM gauge_before;
      INSERT INTO frozen
        SELECT uuid '${FIRST_SHOP}', id, body - 'hash' FROM fact_before WHERE kind = 'record';

      DROP TABLE fact_before, setup_before, machine_before, gauge_before;
    `)
    // What is frozen is as much of a record as the facts are.
    await runner.query(
      ['stream', 'fact', 'frozen']
        .map(
          (table) => `
            CREATE TRIGGER ${table}_is_written_once BEFORE UPDATE OR DELETE OR TRUNCATE ON ${table}
              FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();`,
        )
        .join(''),
    )
    await runner.query(`
      ALTER TABLE program_text ADD COLUMN shop_id uuid REFERENCES shop;
      ALTER TABLE program_text DISABLE TRIGGER program_text_is_written_once;
      UPDATE program_text SET shop_id = '${FIRST_SHOP}';
      ALTER TABLE program_text ENABLE TRIGGER program_text_is_written_once;
      ALTER TABLE program_text ALTER COLUMN shop_id SET NOT NULL;
      ALTER TABLE program_text DROP CONSTRAINT program_text_pkey;
      ALTER TABLE program_text ADD PRIMARY KEY (shop_id, sha256);
    `)
  }

  /** Facts of other streams than set-ups cannot be told by the tables of before. */
  async down(): Promise<void> {
    throw new Error(
      'the tables of before streams cannot hold what is kept now: restore a backup instead',
    )
  }
}
