import type { MigrationInterface, QueryRunner } from 'typeorm';

/** How long a sign-in lasts, as the shop wants it. */
export class SessionHours1764000000018 implements MigrationInterface {
  name = 'SessionHours1764000000018';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE shop ADD session_hours INT NOT NULL DEFAULT 14');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE shop DROP session_hours');
  }
}
