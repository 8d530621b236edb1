import type { MigrationInterface, QueryRunner } from 'typeorm'

/** The text of programs, each once, under the hash of its bytes. */
export class ProgramTexts1796198400000 implements MigrationInterface {
  name = 'ProgramTexts1796198400000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE program_text (
        sha256 text PRIMARY KEY CHECK (sha256 ~ '^[0-9a-f]{64}$'),
        bytes bytea NOT NULL,
        kept_by uuid NOT NULL REFERENCES person,
        kept_at timestamptz NOT NULL
      );
      CREATE TRIGGER program_text_is_written_once BEFORE UPDATE OR DELETE OR TRUNCATE ON program_text
        FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
    `)
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE program_text')
  }
}
