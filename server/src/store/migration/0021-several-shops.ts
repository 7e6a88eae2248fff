import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Several shops of one owner: who leads more than one, where a session works, and what shops let each other have. */
export class SeveralShops1764000000020 implements MigrationInterface {
  name = 'SeveralShops1764000000020';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE also_lead (
      user_id VARCHAR(64) NOT NULL, shop_id VARCHAR(64) NOT NULL, since_ms BIGINT UNSIGNED NOT NULL,
      PRIMARY KEY (user_id, shop_id), KEY also_lead_shop (shop_id),
      FOREIGN KEY (user_id) REFERENCES user (id), FOREIGN KEY (shop_id) REFERENCES shop (id)) ENGINE=InnoDB`);
    await runner.query('ALTER TABLE session ADD shop_id VARCHAR(64) NULL');
    await runner.query(
      'ALTER TABLE shop ADD shares_kits TINYINT(1) NOT NULL DEFAULT 0, ADD wrench_pool TINYINT(1) NOT NULL DEFAULT 0',
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE shop DROP shares_kits, DROP wrench_pool');
    await runner.query('ALTER TABLE session DROP shop_id');
    await runner.query('DROP TABLE also_lead');
  }
}
