import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * A shop that is opened by its own people: the one-time code of an empty installation, people who leave and come back,
 * and a log of what leads change. The log is added to and never changed.
 */
export class Opening1764000000013 implements MigrationInterface {
  name = 'Opening1764000000013';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE user ADD left_at_ms BIGINT UNSIGNED NULL, ADD locked_at_ms BIGINT UNSIGNED NULL,
      ADD mentor_id VARCHAR(64) NULL, ADD skills JSON NULL`);
    await runner.query(`CREATE TABLE shop_opening (
      id TINYINT NOT NULL PRIMARY KEY, code_hash CHAR(64) NOT NULL, until_ms BIGINT UNSIGNED NOT NULL) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE shop_change (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY, shop_id VARCHAR(64) NOT NULL,
      at_ms BIGINT UNSIGNED NOT NULL, by_id VARCHAR(64) NOT NULL, by_name VARCHAR(120) NOT NULL, what JSON NOT NULL,
      INDEX shop_change_shop (shop_id, id), FOREIGN KEY (shop_id) REFERENCES shop (id)) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE shop_change');
    await runner.query('DROP TABLE shop_opening');
    await runner.query('ALTER TABLE user DROP left_at_ms, DROP locked_at_ms, DROP mentor_id, DROP skills');
  }
}
