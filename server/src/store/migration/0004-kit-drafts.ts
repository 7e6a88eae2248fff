import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Kits being written, what a released revision was released with, and the shop's own words for compounds. */
export class KitDrafts1764000000003 implements MigrationInterface {
  name = 'KitDrafts1764000000003';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE kit
      ADD note VARCHAR(500) NULL, ADD released_by VARCHAR(120) NULL, ADD waivers JSON NULL`);
    await runner.query('ALTER TABLE shop ADD lexicon JSON NULL');
    await runner.query(`CREATE TABLE kit_draft (
      shop_id VARCHAR(64) NOT NULL, id VARCHAR(64) NOT NULL, document JSON NOT NULL, sheet MEDIUMTEXT NULL,
      version INT UNSIGNED NOT NULL, changed_at_ms BIGINT UNSIGNED NOT NULL, changed_by VARCHAR(120) NOT NULL,
      PRIMARY KEY (shop_id, id), FOREIGN KEY (shop_id) REFERENCES shop (id)) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE kit_draft');
    await runner.query('ALTER TABLE shop DROP COLUMN lexicon');
    await runner.query('ALTER TABLE kit DROP COLUMN note, DROP COLUMN released_by, DROP COLUMN waivers');
  }
}
