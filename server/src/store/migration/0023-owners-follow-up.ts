import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Links to owners' pages, what owners report through them, and the messages that are sent to owners. */
export class OwnersFollowUp1764000000022 implements MigrationInterface {
  name = 'OwnersFollowUp1764000000022';

  async up(runner: QueryRunner): Promise<void> {
    const OF_JOB = 'FOREIGN KEY (shop_id) REFERENCES shop (id), FOREIGN KEY (job_id) REFERENCES job (id)';
    await runner.query(`CREATE TABLE owner_link (
      id VARCHAR(24) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY, shop_id VARCHAR(64) NOT NULL,
      job_id CHAR(36) NOT NULL, made_at_ms BIGINT UNSIGNED NOT NULL, made_by VARCHAR(120) NOT NULL,
      expires_at_ms BIGINT UNSIGNED NOT NULL, revoked_at_ms BIGINT UNSIGNED NULL, revoked_by VARCHAR(120) NULL,
      opened INT NOT NULL DEFAULT 0, last_opened_ms BIGINT UNSIGNED NULL, INDEX owner_link_job (job_id),
      ${OF_JOB}) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE owner_report (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY, shop_id VARCHAR(64) NOT NULL, job_id CHAR(36) NOT NULL,
      link_id VARCHAR(24) CHARACTER SET ascii COLLATE ascii_bin NOT NULL, care VARCHAR(200) NOT NULL,
      at_ms BIGINT UNSIGNED NOT NULL, done_on CHAR(10) NOT NULL, odometer_km DOUBLE NULL, note VARCHAR(300) NULL,
      photo_id CHAR(36) NULL, INDEX owner_report_shop (shop_id), INDEX owner_report_link (link_id), ${OF_JOB}) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE owner_message (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY, shop_id VARCHAR(64) NOT NULL, job_id CHAR(36) NOT NULL,
      care VARCHAR(200) NOT NULL, channel VARCHAR(8) NOT NULL, sent_to VARCHAR(200) NOT NULL, text VARCHAR(2000) NOT NULL,
      once CHAR(64) NOT NULL, made_at_ms BIGINT UNSIGNED NOT NULL, made_by VARCHAR(120) NOT NULL,
      state VARCHAR(12) NOT NULL, tries INT NOT NULL DEFAULT 0, next_at_ms BIGINT UNSIGNED NOT NULL,
      ended_at_ms BIGINT UNSIGNED NULL, fault VARCHAR(300) NULL, reply VARCHAR(1000) NULL,
      replied_at_ms BIGINT UNSIGNED NULL, reply_by VARCHAR(120) NULL,
      UNIQUE INDEX owner_message_once (shop_id, once), INDEX owner_message_next (state, next_at_ms),
      ${OF_JOB}) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE owner_refusal (
      shop_id VARCHAR(64) NOT NULL, address VARCHAR(200) NOT NULL, at_ms BIGINT UNSIGNED NOT NULL,
      by_name VARCHAR(120) NOT NULL, PRIMARY KEY (shop_id, address),
      FOREIGN KEY (shop_id) REFERENCES shop (id)) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of ['owner_refusal', 'owner_message', 'owner_report', 'owner_link'])
      await runner.query(`DROP TABLE ${table}`);
  }
}
