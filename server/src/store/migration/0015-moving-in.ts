import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What a shop brought along, import by import, with the ids of what it became, so that the last can be undone. */
export class MovingIn1764000000014 implements MigrationInterface {
  name = 'MovingIn1764000000014';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE moved_in (
      id CHAR(36) NOT NULL PRIMARY KEY, shop_id VARCHAR(64) NOT NULL, book VARCHAR(16) NOT NULL, file VARCHAR(200) NOT NULL,
      made JSON NOT NULL, at_ms BIGINT UNSIGNED NOT NULL, by_name VARCHAR(120) NOT NULL,
      undone_at_ms BIGINT UNSIGNED NULL, undone_by VARCHAR(120) NULL,
      INDEX moved_in_shop (shop_id, at_ms), FOREIGN KEY (shop_id) REFERENCES shop (id)) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE moved_in');
  }
}
