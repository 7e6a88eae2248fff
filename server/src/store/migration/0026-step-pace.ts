import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Who worked on a step and on what vehicle; every job is written into the book anew for it. */
export class StepPace1764000000025 implements MigrationInterface {
  name = 'StepPace1764000000025';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      'ALTER TABLE book_step ADD COLUMN person_id VARCHAR(64) NULL, ADD COLUMN model VARCHAR(200) NULL',
    );
    await runner.query('DELETE FROM book_job');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE book_step DROP COLUMN person_id, DROP COLUMN model');
  }
}
