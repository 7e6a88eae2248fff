import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Pages of makers' sheets and figures cut from them. */
export class KitPictures1764000000009 implements MigrationInterface {
  name = 'KitPictures1764000000009';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE kit_picture (
      shop_id varchar(64) NOT NULL,
      sha256 char(64) NOT NULL,
      type varchar(40) NOT NULL,
      bytes mediumblob NOT NULL,
      added_by varchar(64) NOT NULL,
      added_at_ms bigint NOT NULL,
      PRIMARY KEY (shop_id, sha256)
    ) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE kit_picture');
  }
}
