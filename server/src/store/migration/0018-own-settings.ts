import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What a person likes: units, hand, letters, pedal. It goes with them from tablet to tablet. */
export class OwnSettings1764000000017 implements MigrationInterface {
  name = 'OwnSettings1764000000017';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE user ADD own_settings JSON NULL');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE user DROP own_settings');
  }
}
