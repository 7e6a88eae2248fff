import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Tablets a lead names, lets in by a code and puts out; and whether the shop lets in no others. */
export class Tablets1764000000015 implements MigrationInterface {
  name = 'Tablets1764000000015';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `ALTER TABLE device ADD paired_at_ms BIGINT UNSIGNED NULL, ADD revoked_at_ms BIGINT UNSIGNED NULL`,
    );
    await runner.query('ALTER TABLE shop ADD paired_only TINYINT(1) NOT NULL DEFAULT 0');
    await runner.query(`CREATE TABLE pairing (
      code_hash CHAR(64) NOT NULL PRIMARY KEY, shop_id VARCHAR(64) NOT NULL, name VARCHAR(80) NOT NULL,
      until_ms BIGINT UNSIGNED NOT NULL, by_id VARCHAR(64) NOT NULL, by_name VARCHAR(120) NOT NULL,
      FOREIGN KEY (shop_id) REFERENCES shop (id)) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE pairing');
    await runner.query('ALTER TABLE shop DROP paired_only');
    await runner.query('ALTER TABLE device DROP paired_at_ms, DROP revoked_at_ms');
  }
}
