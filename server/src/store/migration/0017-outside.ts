import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Keys of other programs, what they asked for, and what they are told of. */
export class Outside1764000000016 implements MigrationInterface {
  name = 'Outside1764000000016';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE api_key (
      id CHAR(36) NOT NULL PRIMARY KEY, shop_id VARCHAR(64) NOT NULL, name VARCHAR(80) NOT NULL,
      key_hash CHAR(64) NOT NULL, scopes JSON NOT NULL, made_at_ms BIGINT UNSIGNED NOT NULL, made_by VARCHAR(120) NOT NULL,
      used_at_ms BIGINT UNSIGNED NULL, revoked_at_ms BIGINT UNSIGNED NULL,
      UNIQUE INDEX api_key_hash (key_hash), FOREIGN KEY (shop_id) REFERENCES shop (id)) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE api_request (
      key_id CHAR(36) NOT NULL, idempotency_key VARCHAR(100) NOT NULL, body_hash CHAR(64) NOT NULL,
      at_ms BIGINT UNSIGNED NOT NULL, job_id CHAR(36) NULL,
      PRIMARY KEY (key_id, idempotency_key), FOREIGN KEY (key_id) REFERENCES api_key (id)) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE webhook (
      id CHAR(36) NOT NULL PRIMARY KEY, shop_id VARCHAR(64) NOT NULL, url VARCHAR(500) NOT NULL, secret CHAR(43) NOT NULL,
      events JSON NOT NULL, made_at_ms BIGINT UNSIGNED NOT NULL, made_by VARCHAR(120) NOT NULL,
      off_at_ms BIGINT UNSIGNED NULL, FOREIGN KEY (shop_id) REFERENCES shop (id)) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE telling (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY, hook_id CHAR(36) NOT NULL, event VARCHAR(32) NOT NULL,
      job_id CHAR(36) NOT NULL, at_ms BIGINT UNSIGNED NOT NULL, made_at_ms BIGINT UNSIGNED NOT NULL,
      tries INT NOT NULL DEFAULT 0, next_at_ms BIGINT UNSIGNED NULL, done_at_ms BIGINT UNSIGNED NULL,
      answer VARCHAR(200) NULL, UNIQUE INDEX telling_once (hook_id, event, job_id), INDEX telling_due (next_at_ms),
      FOREIGN KEY (hook_id) REFERENCES webhook (id), FOREIGN KEY (job_id) REFERENCES job (id)) ENGINE=InnoDB`);
    await runner.query(
      'ALTER TABLE job ADD INDEX job_opened (shop_id, opened_at_ms), ADD INDEX job_closed (shop_id, closed_at_ms)',
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE job DROP INDEX job_opened, DROP INDEX job_closed');
    for (const table of ['telling', 'webhook', 'api_request', 'api_key']) await runner.query(`DROP TABLE ${table}`);
  }
}
