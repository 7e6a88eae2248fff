import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * One round trip for the write that every pull waits for: move the job's row on, then add its events, in one
 * transaction. The row's sequence number is both lock and guard; a writer that was overtaken gets `jobMoved`.
 */
export class AppendEvents1764000000001 implements MigrationInterface {
  name = 'AppendEvents1764000000001';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE PROCEDURE append_events(
        IN p_job CHAR(36), IN p_from INT UNSIGNED, IN p_to INT UNSIGNED, IN p_hash CHAR(64),
        IN p_progress LONGTEXT, IN p_closed_at_ms BIGINT UNSIGNED, IN p_device CHAR(36),
        IN p_received_at_ms BIGINT UNSIGNED, IN p_events LONGTEXT)
      BEGIN
        DECLARE EXIT HANDLER FOR SQLEXCEPTION BEGIN ROLLBACK; RESIGNAL; END;
        START TRANSACTION;
        UPDATE job SET seq = p_to, hash = p_hash, progress = p_progress, closed_at_ms = p_closed_at_ms
          WHERE id = p_job AND seq = p_from;
        IF ROW_COUNT() <> 1 THEN SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'jobMoved'; END IF;
        INSERT INTO job_event (job_id, seq, command_id, command_index, type, body, actor_id, device_id,
            happened_at_ms, received_at_ms, hash)
          SELECT p_job, e.seq, e.command_id, e.command_index, e.type, e.body, e.actor_id, p_device,
            e.happened_at_ms, p_received_at_ms, e.hash
          FROM JSON_TABLE(p_events, '$[*]' COLUMNS (
            seq INT UNSIGNED PATH '$.seq', command_id VARCHAR(64) PATH '$.commandId',
            command_index SMALLINT UNSIGNED PATH '$.commandIndex', type VARCHAR(32) PATH '$.type',
            body LONGTEXT PATH '$.body', actor_id VARCHAR(64) PATH '$.actorId',
            happened_at_ms BIGINT UNSIGNED PATH '$.happenedAtMs', hash CHAR(64) PATH '$.hash')) AS e;
        COMMIT;
      END`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP PROCEDURE append_events');
  }
}
