import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What each step of each job took; every job is written into the book anew for it. */
export class BookSteps1764000000024 implements MigrationInterface {
  name = 'BookSteps1764000000024';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE book_step (
      job_id CHAR(36) NOT NULL, kit_id VARCHAR(64) NOT NULL, step VARCHAR(160) NOT NULL, shop_id VARCHAR(64) NOT NULL,
      kit_revision INT NOT NULL, text VARCHAR(200) NOT NULL, planned_min DOUBLE NULL, took_min DOUBLE NOT NULL,
      at_ms BIGINT UNSIGNED NOT NULL,
      PRIMARY KEY (job_id, kit_id, step), INDEX book_step_kit (shop_id, kit_id, kit_revision, at_ms)) ENGINE=InnoDB`);
    await runner.query('DELETE FROM book_job');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE book_step');
  }
}
