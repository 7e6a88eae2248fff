import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * What a record is sealed and signed with, who may guess a PIN how often, and which device is which.
 * The routine of earlier versions goes: routines are brought to date at every start, from `routines.ts`.
 */
export class Trust1764000000006 implements MigrationInterface {
  name = 'Trust1764000000006';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('DROP PROCEDURE IF EXISTS append_events');
    await runner.query('ALTER TABLE job_event ADD proof LONGTEXT NULL');
    await runner.query(`ALTER TABLE job ADD seal LONGTEXT NULL, ADD personal_salt CHAR(43) NULL,
      ADD closing LONGTEXT NULL`);
    await runner.query('ALTER TABLE photo ADD sha256 CHAR(64) NULL');
    await runner.query('UPDATE photo SET sha256 = SHA2(bytes, 256)');
    await runner.query('ALTER TABLE photo MODIFY sha256 CHAR(64) NOT NULL');
    await runner.query('ALTER TABLE shop ADD secret_digits INT NOT NULL DEFAULT 4');
    // What was counted per person is counted per person and device from here on.
    await runner.query('ALTER TABLE user DROP COLUMN failed_attempts, DROP COLUMN locked_until_ms');
    await runner.query(`CREATE TABLE device (
      id CHAR(36) NOT NULL PRIMARY KEY, shop_id VARCHAR(64) NOT NULL, token_hash CHAR(64) NOT NULL,
      name VARCHAR(80) NOT NULL, made_at_ms BIGINT UNSIGNED NOT NULL, seen_at_ms BIGINT UNSIGNED NOT NULL,
      UNIQUE INDEX device_token (token_hash), FOREIGN KEY (shop_id) REFERENCES shop (id)) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE device_key (
      id CHAR(36) NOT NULL PRIMARY KEY, device_id CHAR(36) NOT NULL, user_id VARCHAR(64) NOT NULL,
      session_key VARCHAR(200) NOT NULL, proof_key VARCHAR(200) NOT NULL,
      made_at_ms BIGINT UNSIGNED NOT NULL, expires_at_ms BIGINT UNSIGNED NOT NULL, revoked_at_ms BIGINT UNSIGNED NULL,
      INDEX device_key_of (user_id, device_id), FOREIGN KEY (user_id) REFERENCES user (id),
      FOREIGN KEY (device_id) REFERENCES device (id)) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE passkey (
      id VARCHAR(255) NOT NULL PRIMARY KEY, user_id VARCHAR(64) NOT NULL, public_key VARCHAR(1000) NOT NULL,
      counter BIGINT UNSIGNED NOT NULL, name VARCHAR(80) NOT NULL, made_at_ms BIGINT UNSIGNED NOT NULL,
      INDEX passkey_user (user_id), FOREIGN KEY (user_id) REFERENCES user (id)) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE secret_attempt (
      user_id VARCHAR(64) NOT NULL, device_id CHAR(36) NOT NULL, failed INT UNSIGNED NOT NULL,
      until_ms BIGINT UNSIGNED NOT NULL, PRIMARY KEY (user_id, device_id)) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE job_device (
      job_id CHAR(36) NOT NULL, device_id CHAR(36) NOT NULL, user_id VARCHAR(64) NOT NULL,
      heard_at_ms BIGINT UNSIGNED NOT NULL, waiting INT UNSIGNED NOT NULL, away BOOLEAN NOT NULL,
      PRIMARY KEY (job_id, device_id), FOREIGN KEY (job_id) REFERENCES job (id)) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of ['job_device', 'secret_attempt', 'passkey', 'device_key', 'device'])
      await runner.query(`DROP TABLE ${table}`);
    await runner.query(
      'ALTER TABLE user ADD failed_attempts INT NOT NULL DEFAULT 0, ADD locked_until_ms BIGINT UNSIGNED NULL',
    );
    await runner.query('ALTER TABLE shop DROP COLUMN secret_digits');
    await runner.query('ALTER TABLE photo DROP COLUMN sha256');
    await runner.query('ALTER TABLE job DROP COLUMN seal, DROP COLUMN personal_salt, DROP COLUMN closing');
    await runner.query('ALTER TABLE job_event DROP COLUMN proof');
  }
}
