import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Beside each name of who did something: their id. */
const added: readonly (readonly [table: string, name: string])[] = [
  ['account_note', 'written_by'],
  ['budget', 'locked_by'],
  ['column_plan', 'changed_by'],
  ['coverage_exclusion', 'excluded_by'],
  ['fiscal_period', 'locked_by'],
  ['layout', 'changed_by'],
  ['layout_kept_draft', 'saved_by'],
  ['layout_version', 'made_by'],
  ['line_comment', 'changed_by'],
  ['placement_record', 'applied_by'],
  ['rehearsal', 'word_by'],
  ['statement_set', 'changed_by'],
  ['trial_balance', 'posted_by'],
  ['trial_balance', 'taken_back_by'],
];

/** Those that have ids since they came, and rows from before. */
const begun: readonly (readonly [table: string, name: string, id: string])[] = [
  ['attachment', 'added_by', 'added_by_id'],
  ['audit_event', 'actor', 'actor_id'],
  ['imported_file', 'uploaded_by', 'uploaded_by_id'],
  ['journal_entry', 'posted_by', 'posted_by_id'],
  ['journal_import', 'begun_by', 'begun_by_id'],
];

/** A name is who works in the company and alone is called so in the installation; whatever else it may be stays a name. */
export class NamePeopleById1790000000111 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    for (const [table, name] of added) await queryRunner.query(`ALTER TABLE ${table} ADD COLUMN IF NOT EXISTS ${name}_id INT UNSIGNED NULL AFTER ${name}`);
    for (const [table, name, id] of [...added.map(([table, name]) => [table, name, `${name}_id`] as const), ...begun])
      await queryRunner.query(
        `UPDATE ${table} AS told
           JOIN (SELECT MIN(id) AS id, MIN(name) AS name FROM person GROUP BY BINARY name HAVING COUNT(*) = 1) AS alone ON BINARY alone.name = BINARY told.${name}
           JOIN membership ON membership.company_id = told.company_id AND membership.person_id = alone.id
            SET told.${id} = alone.id WHERE told.${id} IS NULL`,
      );
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    for (const [table, name] of added) await queryRunner.query(`ALTER TABLE ${table} DROP COLUMN IF EXISTS ${name}_id`);
  }
}
