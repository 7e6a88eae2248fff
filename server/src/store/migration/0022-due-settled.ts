import type { MigrationInterface, QueryRunner } from 'typeorm';

/** How what owners were to come back for ended: each saying a row, the last one counts. */
export class DueSettled1764000000021 implements MigrationInterface {
  name = 'DueSettled1764000000021';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE due_settled (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY, shop_id VARCHAR(64) NOT NULL, job_id CHAR(36) NOT NULL,
      care VARCHAR(200) NOT NULL, how VARCHAR(16) NOT NULL, at_ms BIGINT UNSIGNED NOT NULL, by_name VARCHAR(120) NOT NULL,
      note VARCHAR(300) NULL, odometer_km DOUBLE NULL, INDEX due_settled_shop (shop_id),
      FOREIGN KEY (shop_id) REFERENCES shop (id), FOREIGN KEY (job_id) REFERENCES job (id)) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE due_settled');
  }
}
