import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Everything ever pulled, laid out to be searched; made from the events and made anew where they went on. */
export class Book1764000000023 implements MigrationInterface {
  name = 'Book1764000000023';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE book_job (
      job_id CHAR(36) NOT NULL PRIMARY KEY, shop_id VARCHAR(64) NOT NULL, seq INT UNSIGNED NOT NULL,
      kit_id VARCHAR(64) NOT NULL, kit_revision INT NOT NULL, again TINYINT NOT NULL DEFAULT 0,
      INDEX book_job_kit (shop_id, kit_id, kit_revision),
      FOREIGN KEY (job_id) REFERENCES job (id)) ENGINE=InnoDB`);
    // Each index ends with the time: the newest of a vehicle, a kit, a wrench, a person are read off its end.
    await runner.query(`CREATE TABLE book_pull (
      job_id CHAR(36) NOT NULL, pull_id VARCHAR(64) NOT NULL, shop_id VARCHAR(64) NOT NULL, at_ms BIGINT UNSIGNED NOT NULL,
      number VARCHAR(24) NOT NULL, vehicle_id VARCHAR(64) NOT NULL, plate VARCHAR(40) NOT NULL, model VARCHAR(200) NOT NULL,
      kit_id VARCHAR(64) NOT NULL, kit_revision INT NOT NULL, kit_title VARCHAR(200) NOT NULL, station VARCHAR(200) NOT NULL,
      wrench_id VARCHAR(64) NOT NULL, wrench VARCHAR(64) NOT NULL, person_id VARCHAR(64) NOT NULL, person VARCHAR(120) NOT NULL,
      torque_nm DOUBLE NOT NULL, target_nm DOUBLE NOT NULL, min_nm DOUBLE NOT NULL, max_nm DOUBLE NULL,
      verdict VARCHAR(12) NOT NULL, stands TINYINT NOT NULL, final TINYINT NOT NULL,
      PRIMARY KEY (job_id, pull_id),
      INDEX book_time (shop_id, at_ms), INDEX book_vehicle (shop_id, vehicle_id, at_ms), INDEX book_kit (shop_id, kit_id, at_ms),
      INDEX book_station (shop_id, station, at_ms), INDEX book_wrench (shop_id, wrench_id, at_ms),
      INDEX book_person (shop_id, person_id, at_ms), INDEX book_verdict (shop_id, verdict, at_ms)) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE book_trouble (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY, job_id CHAR(36) NOT NULL, shop_id VARCHAR(64) NOT NULL,
      kit_id VARCHAR(64) NOT NULL, kit_revision INT NOT NULL, kind VARCHAR(32) NOT NULL, place VARCHAR(200) NOT NULL,
      text VARCHAR(500) NOT NULL, at_ms BIGINT UNSIGNED NOT NULL,
      INDEX book_trouble_kit (shop_id, kit_id, kit_revision), INDEX book_trouble_job (job_id)) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of ['book_trouble', 'book_pull', 'book_job']) await runner.query(`DROP TABLE ${table}`);
  }
}
