import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What several servers on one database must know of each other. */
export class SeveralServers1764000000019 implements MigrationInterface {
  name = 'SeveralServers1764000000019';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE spent (
      id VARCHAR(80) NOT NULL PRIMARY KEY, by_whom VARCHAR(64) NOT NULL, until_ms BIGINT UNSIGNED NOT NULL,
      KEY spent_until (until_ms)) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE news (
      topic VARCHAR(32) NOT NULL PRIMARY KEY, version BIGINT UNSIGNED NOT NULL) ENGINE=InnoDB`);
    await runner.query('ALTER TABLE job ADD altered TINYINT(1) NOT NULL DEFAULT 0');
    await runner.query('ALTER TABLE job_device ADD line_until_ms BIGINT UNSIGNED NOT NULL DEFAULT 0');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE job_device DROP line_until_ms');
    await runner.query('ALTER TABLE job DROP altered');
    await runner.query('DROP TABLE news');
    await runner.query('DROP TABLE spent');
  }
}
