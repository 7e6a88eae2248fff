import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Visits of several kits, vehicles with a version and a history, photos, and kit revisions taken back. */
export class Visits1764000000004 implements MigrationInterface {
  name = 'Visits1764000000004';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE job ADD kits JSON NULL, ADD vehicle_id VARCHAR(64) NULL');
    await runner.query(`UPDATE job SET vehicle_id = JSON_VALUE(vehicle, '$.id'),
      kits = JSON_ARRAY(JSON_OBJECT('prefix', '', 'id', kit_id, 'revision', kit_revision))`);
    // What lists show of a kit stands in the job's own summary from here on.
    await runner.query(`UPDATE job j JOIN kit k ON k.shop_id = j.shop_id AND k.id = j.kit_id AND k.revision = j.kit_revision
      SET j.progress = JSON_SET(j.progress, '$.title', JSON_VALUE(k.document, '$.title'), '$.estimatedMinutes',
        CAST(COALESCE(JSON_VALUE(k.document, '$.statedMinutes'), JSON_LENGTH(k.document, '$.stations') * 6) AS DOUBLE))`);
    await runner.query('ALTER TABLE job DROP FOREIGN KEY job_ibfk_2');
    await runner.query(`ALTER TABLE job MODIFY kits JSON NOT NULL, MODIFY vehicle_id VARCHAR(64) NOT NULL,
      DROP COLUMN kit_id, DROP COLUMN kit_revision, ADD INDEX job_vehicle (shop_id, vehicle_id)`);
    await runner.query('ALTER TABLE vehicle ADD version INT UNSIGNED NOT NULL DEFAULT 1');
    await runner.query(
      'ALTER TABLE kit ADD withdrawn_at_ms BIGINT UNSIGNED NULL, ADD withdrawn_because VARCHAR(500) NULL',
    );
    await runner.query(`CREATE TABLE photo (
      id CHAR(36) NOT NULL, job_id CHAR(36) NOT NULL, type VARCHAR(40) NOT NULL, bytes MEDIUMBLOB NOT NULL,
      taken_by VARCHAR(64) NOT NULL, taken_at_ms BIGINT UNSIGNED NOT NULL,
      PRIMARY KEY (id), INDEX photo_job (job_id), FOREIGN KEY (job_id) REFERENCES job (id)) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE photo');
    await runner.query('ALTER TABLE kit DROP COLUMN withdrawn_at_ms, DROP COLUMN withdrawn_because');
    await runner.query('ALTER TABLE vehicle DROP COLUMN version');
    // Only the first kit of a visit can be told by the older tables.
    await runner.query('ALTER TABLE job ADD kit_id VARCHAR(64) NULL, ADD kit_revision INT NULL');
    await runner.query(
      `UPDATE job SET kit_id = JSON_VALUE(kits, '$[0].id'), kit_revision = JSON_VALUE(kits, '$[0].revision')`,
    );
    await runner.query(`ALTER TABLE job MODIFY kit_id VARCHAR(64) NOT NULL, MODIFY kit_revision INT NOT NULL,
      DROP INDEX job_vehicle, DROP COLUMN kits, DROP COLUMN vehicle_id`);
  }
}
