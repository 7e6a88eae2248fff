import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Practice: drills of a shop, what each learner did with them, and what leads ask for. Nothing here points to a job. */
export class Drills1764000000026 implements MigrationInterface {
  name = 'Drills1764000000026';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE drill (
      id CHAR(36) NOT NULL PRIMARY KEY, shop_id VARCHAR(64) NOT NULL, title VARCHAR(120) NOT NULL,
      body JSON NOT NULL, made_by VARCHAR(120) NOT NULL, made_at_ms BIGINT UNSIGNED NOT NULL,
      retired_at_ms BIGINT UNSIGNED NULL,
      INDEX drill_shop (shop_id), FOREIGN KEY (shop_id) REFERENCES shop (id)) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE drill_attempt (
      id CHAR(36) NOT NULL PRIMARY KEY, shop_id VARCHAR(64) NOT NULL, user_id VARCHAR(64) NOT NULL,
      drill_id VARCHAR(64) NOT NULL, ended_at_ms BIGINT UNSIGNED NOT NULL,
      body JSON NOT NULL, verdict JSON NOT NULL,
      INDEX drill_attempt_user (user_id, ended_at_ms),
      FOREIGN KEY (user_id) REFERENCES user (id), FOREIGN KEY (shop_id) REFERENCES shop (id)) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE drill_assignment (
      id CHAR(36) NOT NULL PRIMARY KEY, shop_id VARCHAR(64) NOT NULL, user_id VARCHAR(64) NOT NULL,
      drill_id CHAR(36) NOT NULL, by_name VARCHAR(120) NOT NULL, at_ms BIGINT UNSIGNED NOT NULL,
      comment VARCHAR(500) NOT NULL, signed_by VARCHAR(120) NULL, signed_at_ms BIGINT UNSIGNED NULL,
      sign_comment VARCHAR(500) NULL,
      INDEX drill_assignment_user (user_id, at_ms), INDEX drill_assignment_shop (shop_id, at_ms),
      FOREIGN KEY (user_id) REFERENCES user (id), FOREIGN KEY (drill_id) REFERENCES drill (id)) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of ['drill_assignment', 'drill_attempt', 'drill']) await runner.query(`DROP TABLE ${table}`);
  }
}
