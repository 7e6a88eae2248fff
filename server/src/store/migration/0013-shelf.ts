import type { MigrationInterface, QueryRunner } from 'typeorm';

/** The shop's own fasteners: what lies in which drawer, as it was last counted. What jobs took is told by their events. */
export class Shelf1764000000012 implements MigrationInterface {
  name = 'Shelf1764000000012';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE shelf (
      id CHAR(36) NOT NULL PRIMARY KEY, shop_id VARCHAR(64) NOT NULL, card JSON NOT NULL, counted INT NOT NULL,
      counted_at_ms BIGINT UNSIGNED NOT NULL, low_at INT NULL, retired_at_ms BIGINT UNSIGNED NULL,
      INDEX shelf_shop (shop_id), FOREIGN KEY (shop_id) REFERENCES shop (id)) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE shelf');
  }
}
