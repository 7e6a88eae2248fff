import type { DataSource } from 'typeorm';

/** Adds events given as one JSON list. */
const INSERT_EVENTS = `INSERT INTO job_event (job_id, seq, command_id, command_index, type, body, actor_id, device_id,
        happened_at_ms, received_at_ms, hash, proof)
      SELECT e.job_id, e.seq, e.command_id, e.command_index, e.type, e.body, e.actor_id, e.device_id,
        e.happened_at_ms, e.received_at_ms, e.hash, e.proof
      FROM JSON_TABLE(p_events, '$[*]' COLUMNS (
        job_id CHAR(36) PATH '$.jobId', seq INT UNSIGNED PATH '$.seq', command_id VARCHAR(64) PATH '$.commandId',
        command_index SMALLINT UNSIGNED PATH '$.commandIndex', type VARCHAR(32) PATH '$.type',
        body LONGTEXT PATH '$.body', actor_id VARCHAR(64) PATH '$.actorId', device_id CHAR(36) PATH '$.deviceId',
        happened_at_ms BIGINT UNSIGNED PATH '$.happenedAtMs', received_at_ms BIGINT UNSIGNED PATH '$.receivedAtMs',
        hash CHAR(64) PATH '$.hash', proof LONGTEXT PATH '$.proof')) AS e;`;

/**
 * One round trip for the write that every pull waits for: move the job's row on, then add its event, in one transaction.
 * The row's sequence number is both lock and guard; a writer that was overtaken gets `jobMoved`. Plain values: a list in
 * JSON is unpacked into a table on disk, which takes longer than all the rest.
 */
const APPEND_ONE = `CREATE OR REPLACE PROCEDURE append_one(
    IN p_job CHAR(36), IN p_from INT UNSIGNED, IN p_seq INT UNSIGNED, IN p_hash CHAR(64), IN p_progress LONGTEXT,
    IN p_closed_at_ms BIGINT UNSIGNED, IN p_command CHAR(64), IN p_index SMALLINT UNSIGNED, IN p_type VARCHAR(32),
    IN p_body LONGTEXT, IN p_actor VARCHAR(64), IN p_device CHAR(36), IN p_happened_at_ms BIGINT UNSIGNED,
    IN p_received_at_ms BIGINT UNSIGNED, IN p_proof LONGTEXT)
  SQL SECURITY DEFINER
  BEGIN
    DECLARE EXIT HANDLER FOR SQLEXCEPTION BEGIN ROLLBACK; RESIGNAL; END;
    START TRANSACTION;
    UPDATE job SET seq = p_seq, hash = p_hash, progress = p_progress, closed_at_ms = p_closed_at_ms
      WHERE id = p_job AND seq = p_from;
    IF ROW_COUNT() <> 1 THEN SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'jobMoved'; END IF;
    INSERT INTO job_event (job_id, seq, command_id, command_index, type, body, actor_id, device_id,
        happened_at_ms, received_at_ms, hash, proof)
      VALUES (p_job, p_seq, p_command, p_index, p_type, p_body, p_actor, p_device, p_happened_at_ms, p_received_at_ms,
        p_hash, p_proof);
    COMMIT;
  END`;

/**
 * The same for several events, and for several jobs whose appends came while another was flushed: they share the
 * transaction, and its flush.
 */
const APPEND_ALL = `CREATE OR REPLACE PROCEDURE append_all(IN p_jobs LONGTEXT, IN p_events LONGTEXT, IN p_count INT)
  SQL SECURITY DEFINER
  BEGIN
    DECLARE v_at INT DEFAULT 0;
    DECLARE v_path VARCHAR(16);
    DECLARE v_id CHAR(36);
    DECLARE EXIT HANDLER FOR SQLEXCEPTION BEGIN ROLLBACK; RESIGNAL; END;
    START TRANSACTION;
    -- One row at a time by its key, in the order of the keys: joined to the list, every job would be locked.
    WHILE v_at < p_count DO
      SET v_path = CONCAT('$[', v_at, ']');
      SET v_id = JSON_VALUE(p_jobs, CONCAT(v_path, '.id'));
      UPDATE job SET seq = JSON_VALUE(p_jobs, CONCAT(v_path, '.to')), hash = JSON_VALUE(p_jobs, CONCAT(v_path, '.hash')),
          progress = JSON_VALUE(p_jobs, CONCAT(v_path, '.progress')),
          closed_at_ms = JSON_VALUE(p_jobs, CONCAT(v_path, '.closedAtMs'))
        WHERE id = v_id AND seq = JSON_VALUE(p_jobs, CONCAT(v_path, '.from'));
      IF ROW_COUNT() <> 1 THEN SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'jobMoved'; END IF;
      SET v_at = v_at + 1;
    END WHILE;
    ${INSERT_EVENTS}
    COMMIT;
  END`;

/** The routines the server calls, by name. */
const ROUTINES: Readonly<Record<string, string>> = { append_one: APPEND_ONE, append_all: APPEND_ALL };

/** Brings the routines to this version: a backup of another version may have brought others, or none. */
export async function ensureRoutines(source: DataSource): Promise<void> {
  for (const statement of Object.values(ROUTINES)) await source.query(statement);
}

/** The names of the routines that are missing. */
export async function missingRoutines(source: DataSource): Promise<string[]> {
  const { database } = source.options as { database: string };
  const found: Array<{ name: string }> = await source.query(
    'SELECT ROUTINE_NAME AS name FROM information_schema.ROUTINES WHERE ROUTINE_SCHEMA = ?',
    [database],
  );
  const there = new Set(found.map(({ name }) => name));
  return Object.keys(ROUTINES).filter((name) => !there.has(name));
}
