import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * The crib: what a wrench is and what its checks said, tools, loans, bottles and what was taken from them.
 * `job_event.wrench_id` is read out of the event's body, so that a wrench's pulls are found without opening each.
 */
export class Crib1764000000002 implements MigrationInterface {
  name = 'Crib1764000000002';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE wrench
      ADD serial VARCHAR(40) NULL, ADD division_nm DOUBLE NULL, ADD length_mm DOUBLE NULL,
      ADD interval_months INT NOT NULL DEFAULT 12, ADD locked_at_ms BIGINT UNSIGNED NULL,
      ADD locked_because VARCHAR(200) NULL, ADD retired_at_ms BIGINT UNSIGNED NULL,
      ADD UNIQUE INDEX wrench_label (shop_id, label)`);
    await runner.query(`ALTER TABLE job_event
      ADD wrench_id VARCHAR(64) AS (JSON_VALUE(body, '$.wrench.id')) PERSISTENT,
      ADD INDEX job_event_wrench (wrench_id, happened_at_ms), ADD INDEX job_event_type (type, job_id, seq)`);
    await runner.query(`CREATE TABLE wrench_check (
      id CHAR(36) NOT NULL PRIMARY KEY, shop_id VARCHAR(64) NOT NULL, wrench_id VARCHAR(64) NOT NULL,
      kind VARCHAR(16) NOT NULL, at_ms BIGINT UNSIGNED NOT NULL, by_name VARCHAR(120) NOT NULL, readings JSON NOT NULL,
      permissible DOUBLE NOT NULL, mean DOUBLE NOT NULL, worst DOUBLE NOT NULL, within TINYINT(1) NOT NULL,
      certificate VARCHAR(120) NULL, INDEX wrench_check_wrench (wrench_id, at_ms),
      FOREIGN KEY (shop_id) REFERENCES shop (id), FOREIGN KEY (wrench_id) REFERENCES wrench (id)) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE tool (
      id CHAR(36) NOT NULL PRIMARY KEY, shop_id VARCHAR(64) NOT NULL, card JSON NOT NULL, retired_at_ms BIGINT UNSIGNED NULL,
      INDEX tool_shop (shop_id), FOREIGN KEY (shop_id) REFERENCES shop (id)) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE loan (
      id CHAR(36) NOT NULL PRIMARY KEY, shop_id VARCHAR(64) NOT NULL, thing VARCHAR(8) NOT NULL, thing_id VARCHAR(64) NOT NULL,
      thing_name VARCHAR(120) NOT NULL, person_id VARCHAR(64) NOT NULL, person_name VARCHAR(120) NOT NULL, job_id CHAR(36) NULL,
      out_at_ms BIGINT UNSIGNED NOT NULL, back_at_ms BIGINT UNSIGNED NULL, set_to_low TINYINT(1) NULL,
      out_now VARCHAR(80) AS (IF(back_at_ms IS NULL, CONCAT(thing, ':', thing_id), NULL)) PERSISTENT,
      UNIQUE INDEX loan_once (shop_id, out_now), INDEX loan_job (job_id, back_at_ms),
      FOREIGN KEY (shop_id) REFERENCES shop (id), FOREIGN KEY (job_id) REFERENCES job (id)) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE bottle (
      id CHAR(36) NOT NULL PRIMARY KEY, shop_id VARCHAR(64) NOT NULL, name VARCHAR(120) NOT NULL, kind VARCHAR(24) NOT NULL,
      lot VARCHAR(40) NOT NULL, size_ml DOUBLE NOT NULL, expires_on CHAR(10) NOT NULL, opened_on CHAR(10) NULL,
      open_months INT NULL, store_max_c DOUBLE NOT NULL, received_at_ms BIGINT UNSIGNED NOT NULL,
      adjusted_ml DOUBLE NOT NULL DEFAULT 0, emptied_on CHAR(10) NULL,
      INDEX bottle_shop (shop_id), FOREIGN KEY (shop_id) REFERENCES shop (id)) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE bottle_use (
      job_id CHAR(36) NOT NULL, seq INT UNSIGNED NOT NULL, bottle_id CHAR(36) NULL, kind VARCHAR(24) NOT NULL, ml DOUBLE NOT NULL,
      PRIMARY KEY (job_id, seq), INDEX bottle_use_bottle (bottle_id),
      FOREIGN KEY (job_id) REFERENCES job (id), FOREIGN KEY (bottle_id) REFERENCES bottle (id)) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE bottle_note (
      id CHAR(36) NOT NULL PRIMARY KEY, bottle_id CHAR(36) NOT NULL, at_ms BIGINT UNSIGNED NOT NULL, by_name VARCHAR(120) NOT NULL,
      change_body JSON NOT NULL, INDEX bottle_note_bottle (bottle_id, at_ms),
      FOREIGN KEY (bottle_id) REFERENCES bottle (id)) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE store_reading (
      shop_id VARCHAR(64) NOT NULL, at_ms BIGINT UNSIGNED NOT NULL, temperature_c DOUBLE NOT NULL, by_name VARCHAR(120) NOT NULL,
      PRIMARY KEY (shop_id, at_ms), FOREIGN KEY (shop_id) REFERENCES shop (id)) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE recheck_settled (
      wrench_id VARCHAR(64) NOT NULL, job_id CHAR(36) NOT NULL, station VARCHAR(64) NOT NULL, at_ms BIGINT UNSIGNED NOT NULL,
      by_name VARCHAR(120) NOT NULL, how VARCHAR(500) NOT NULL, PRIMARY KEY (wrench_id, job_id, station),
      FOREIGN KEY (wrench_id) REFERENCES wrench (id), FOREIGN KEY (job_id) REFERENCES job (id)) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of [
      'recheck_settled',
      'store_reading',
      'bottle_note',
      'bottle_use',
      'bottle',
      'loan',
      'tool',
      'wrench_check',
    ]) {
      await runner.query(`DROP TABLE ${table}`);
    }
    await runner.query(
      'ALTER TABLE job_event DROP INDEX job_event_type, DROP INDEX job_event_wrench, DROP COLUMN wrench_id',
    );
    await runner.query(`ALTER TABLE wrench DROP INDEX wrench_label, DROP COLUMN serial, DROP COLUMN division_nm,
      DROP COLUMN length_mm, DROP COLUMN interval_months, DROP COLUMN locked_at_ms, DROP COLUMN locked_because,
      DROP COLUMN retired_at_ms`);
  }
}
