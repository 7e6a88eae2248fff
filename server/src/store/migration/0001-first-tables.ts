import type { MigrationInterface, QueryRunner } from 'typeorm';

/** The first tables. Foreign keys hold every row to its shop; events to their job. */
export class FirstTables1764000000000 implements MigrationInterface {
  name = 'FirstTables1764000000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE shop (
      id VARCHAR(64) NOT NULL PRIMARY KEY, name VARCHAR(120) NOT NULL, bays INT NOT NULL,
      stages JSON NULL, verify TINYINT(1) NULL) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE user (
      id VARCHAR(64) NOT NULL PRIMARY KEY, shop_id VARCHAR(64) NOT NULL, name VARCHAR(120) NOT NULL,
      initials VARCHAR(4) NOT NULL, role VARCHAR(16) NOT NULL, secret_hash VARCHAR(255) NOT NULL,
      failed_attempts INT NOT NULL DEFAULT 0, locked_until_ms BIGINT UNSIGNED NULL,
      INDEX user_shop (shop_id), FOREIGN KEY (shop_id) REFERENCES shop (id)) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE session (
      token_hash CHAR(64) NOT NULL PRIMARY KEY, user_id VARCHAR(64) NOT NULL, device_id CHAR(36) NOT NULL,
      started_at_ms BIGINT UNSIGNED NOT NULL, expires_at_ms BIGINT UNSIGNED NOT NULL, ended_at_ms BIGINT UNSIGNED NULL,
      INDEX session_device (device_id), FOREIGN KEY (user_id) REFERENCES user (id)) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE vehicle (
      id VARCHAR(64) NOT NULL PRIMARY KEY, shop_id VARCHAR(64) NOT NULL, card JSON NOT NULL,
      INDEX vehicle_shop (shop_id), FOREIGN KEY (shop_id) REFERENCES shop (id)) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE kit (
      shop_id VARCHAR(64) NOT NULL, id VARCHAR(64) NOT NULL, revision INT NOT NULL, document JSON NOT NULL,
      added_at_ms BIGINT UNSIGNED NOT NULL,
      PRIMARY KEY (shop_id, id, revision), FOREIGN KEY (shop_id) REFERENCES shop (id)) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE wrench (
      id VARCHAR(64) NOT NULL PRIMARY KEY, shop_id VARCHAR(64) NOT NULL, label VARCHAR(40) NOT NULL,
      kind VARCHAR(16) NOT NULL, square_drive VARCHAR(16) NOT NULL, full_scale_nm DOUBLE NOT NULL,
      lowest_nm DOUBLE NULL, scale_unit VARCHAR(8) NOT NULL, calibration_due_on CHAR(10) NOT NULL, live TINYINT(1) NOT NULL,
      INDEX wrench_shop (shop_id), FOREIGN KEY (shop_id) REFERENCES shop (id)) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE job (
      id CHAR(36) NOT NULL PRIMARY KEY, shop_id VARCHAR(64) NOT NULL, number VARCHAR(24) NOT NULL, bay INT NOT NULL,
      planned_start_ms BIGINT UNSIGNED NOT NULL, odometer_km DOUBLE NULL, vehicle JSON NOT NULL,
      kit_id VARCHAR(64) NOT NULL, kit_revision INT NOT NULL, answers JSON NOT NULL, opened_at_ms BIGINT UNSIGNED NOT NULL,
      seq INT UNSIGNED NOT NULL, hash CHAR(64) NOT NULL, progress JSON NOT NULL, closed_at_ms BIGINT UNSIGNED NULL,
      UNIQUE INDEX job_number (shop_id, number),
      FOREIGN KEY (shop_id) REFERENCES shop (id),
      FOREIGN KEY (shop_id, kit_id, kit_revision) REFERENCES kit (shop_id, id, revision)) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE job_event (
      job_id CHAR(36) NOT NULL, seq INT UNSIGNED NOT NULL, command_id VARCHAR(64) NOT NULL,
      command_index SMALLINT UNSIGNED NOT NULL, type VARCHAR(32) NOT NULL, body JSON NOT NULL,
      actor_id VARCHAR(64) NOT NULL, device_id CHAR(36) NULL, happened_at_ms BIGINT UNSIGNED NOT NULL,
      received_at_ms BIGINT UNSIGNED NOT NULL, hash CHAR(64) NOT NULL,
      PRIMARY KEY (job_id, seq), UNIQUE INDEX job_event_command (job_id, command_id, command_index),
      FOREIGN KEY (job_id) REFERENCES job (id)) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of ['job_event', 'job', 'wrench', 'kit', 'vehicle', 'session', 'user', 'shop']) {
      await runner.query(`DROP TABLE ${table}`);
    }
  }
}
