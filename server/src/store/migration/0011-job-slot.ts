import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Where a job is worked, by whom, and when it was promised: planned at intake, and moved without a word in its record. */
export class JobSlot1764000000010 implements MigrationInterface {
  name = 'JobSlot1764000000010';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE job ADD slot json NULL');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE job DROP slot');
  }
}
