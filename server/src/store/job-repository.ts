import { type DataSource, IsNull, Like, Not } from 'typeorm';
import type { JobCard, StoredEvent, UnheardDevice } from '#contract/job.ts';
import { AppendQueue, type JobAppend } from './append-queue.ts';
import { inTransaction } from './data-source.ts';
import { JobDeviceEntity, JobEntity, JobEventEntity, PhotoEntity, type PinnedKit, ShopEntity } from './entities.ts';
import { slotParts } from './stored-slot.ts';

/** Most jobs of one kit that are listed (chosen by us). */
const MOST_USES = 500;

/** Who took a photo that came in by an owner's link. */
export const OWNER_TOOK = 'owner';

/** A job as lists show it. */
const cardOf = (row: JobEntity): JobCard => ({
  id: row.id,
  number: row.number,
  bay: row.bay,
  plannedStartMs: row.plannedStartMs,
  ...slotParts(row.slot),
  estimatedMinutes: row.progress.estimatedMinutes ?? 0,
  kitTitle: row.progress.title ?? '',
  vehicle: { make: row.vehicle.make, model: row.vehicle.model, plate: row.vehicle.plate },
  progress: row.progress,
  closedAtMs: row.closedAtMs ?? undefined,
  ...(row.altered ? { broken: true } : {}),
});

/** Jobs and their events. With the entities the only place that knows how they are stored. */
export class JobRepository {
  private readonly queue: AppendQueue;

  /** @param appended - told how many events are on disk */
  constructor(
    private readonly source: DataSource,
    appended?: (events: number) => void,
  ) {
    this.queue = new AppendQueue(source, appended);
  }

  async find(shopId: string, id: string): Promise<JobEntity | undefined> {
    return (await this.source.getRepository(JobEntity).findOneBy({ id, shopId })) ?? undefined;
  }

  async eventsAfter(jobId: string, seq: number): Promise<StoredEvent[]> {
    const rows = await this.source
      .getRepository(JobEventEntity)
      .createQueryBuilder('event')
      .where('event.jobId = :jobId AND event.seq > :seq', { jobId, seq })
      .orderBy('event.seq')
      .getMany();
    return rows.map((row) => ({ seq: row.seq, hash: row.hash, event: row.body }));
  }

  async cards(shopId: string, fromMs: number, toMs: number): Promise<JobCard[]> {
    const rows = await this.source
      .getRepository(JobEntity)
      .createQueryBuilder('job')
      .where('job.shopId = :shopId', { shopId })
      // Open jobs stay in sight however old; closed ones show on their own day.
      .andWhere('(job.closedAtMs IS NULL OR (job.plannedStartMs >= :fromMs AND job.plannedStartMs < :toMs))', {
        fromMs,
        toMs,
      })
      .orderBy('job.bay')
      .addOrderBy('job.plannedStartMs')
      .getMany();
    const here = rows.filter(
      ({ slot, plannedStartMs }) => !slot?.calledOff || (plannedStartMs >= fromMs && plannedStartMs < toMs),
    );
    return here.map(cardOf);
  }

  /** One job as lists show it. */
  async card(shopId: string, id: string): Promise<JobCard | undefined> {
    const row = await this.source.getRepository(JobEntity).findOneBy({ shopId, id });
    return row ? cardOf(row) : undefined;
  }

  /** Jobs that have or had a kit, the newest first. */
  async withKit(shopId: string, kitId: string): Promise<JobEntity[]> {
    return this.source
      .getRepository(JobEntity)
      .createQueryBuilder('job')
      .where('job.shopId = :shopId', { shopId })
      .andWhere("JSON_CONTAINS(JSON_EXTRACT(job.kits, '$[*].id'), JSON_QUOTE(:kitId))", { kitId })
      .orderBy('job.openedAtMs', 'DESC')
      .take(MOST_USES)
      .getMany();
  }

  /** All visits of a vehicle, newest first. */
  ofVehicle(shopId: string, vehicleId: string): Promise<JobEntity[]> {
    return this.source
      .getRepository(JobEntity)
      .find({ where: { shopId, vehicleId }, order: { plannedStartMs: 'DESC' }, take: 200 });
  }

  /** Pins a kit that comes into a visit under way. A pin without its event is harmless: the events decide. */
  async pin(jobId: string, kits: readonly PinnedKit[]): Promise<void> {
    await this.source.getRepository(JobEntity).update({ id: jobId }, { kits: [...kits] });
  }

  /** The vehicle does not come, or comes after all. */
  async callOff(jobId: string, slot: JobEntity['slot']): Promise<void> {
    await this.source.getRepository(JobEntity).update({ id: jobId }, { slot });
  }

  /** Signed from an instant on and before another, the earliest first. */
  /** The same without what they hold. */
  async signedHeads(shopId: string, fromMs: number, toMs: number): Promise<Array<{ id: string; closedAtMs: number }>> {
    const rows: Array<{ id: string; closedAtMs: string }> = await this.source.query(
      `SELECT id, closed_at_ms AS closedAtMs FROM job
        WHERE shop_id = ? AND closed_at_ms >= ? AND closed_at_ms < ? ORDER BY closed_at_ms`,
      [shopId, fromMs, toMs],
    );
    return rows.map(({ id, closedAtMs }) => ({ id, closedAtMs: Number(closedAtMs) }));
  }

  signedBetween(shopId: string, fromMs: number, toMs: number): Promise<JobEntity[]> {
    return this.source
      .getRepository(JobEntity)
      .createQueryBuilder('job')
      .where('job.shopId = :shopId AND job.closedAtMs >= :fromMs AND job.closedAtMs < :toMs', { shopId, fromMs, toMs })
      .orderBy('job.closedAtMs')
      .getMany();
  }

  /** Another time, bay, place or other hands for a job that is open. */
  async move(jobId: string, to: Pick<JobEntity, 'bay' | 'plannedStartMs' | 'slot'>): Promise<void> {
    await this.source.getRepository(JobEntity).update({ id: jobId }, to);
  }

  /** Finished jobs whose vehicle has not heard of it; of one vehicle where it is named. */
  async owedToVehicles(of: { shopId: string; vehicleId: string } | undefined): Promise<JobEntity[]> {
    return this.source
      .getRepository(JobEntity)
      .find({ where: { ...of, closedAtMs: Not(IsNull()), fittedNoted: false }, order: { closedAtMs: 'ASC' } });
  }

  /** The vehicle's card says what this job put on it. */
  async noted(jobId: string): Promise<void> {
    await this.source.getRepository(JobEntity).update({ id: jobId }, { fittedNoted: true });
  }

  /** Minutes from first event to close of the newest closed jobs that had just this kit. */
  async minutesOf(shopId: string, kitId: string): Promise<number[]> {
    const rows: Array<{ minutes: string | number }> = await this.source.query(
      `SELECT (j.closed_at_ms - MIN(e.happened_at_ms)) / 60000 AS minutes
        FROM job j JOIN job_event e ON e.job_id = j.id
        WHERE j.shop_id = ? AND j.closed_at_ms IS NOT NULL AND JSON_LENGTH(j.kits) = 1
          AND JSON_VALUE(j.kits, '$[0].id') = ?
        GROUP BY j.id, j.closed_at_ms ORDER BY j.closed_at_ms DESC LIMIT 20`,
      [shopId, kitId],
    );
    return rows.map(({ minutes }) => Number(minutes));
  }

  async addPhoto(photo: PhotoEntity): Promise<void> {
    await this.source.getRepository(PhotoEntity).insert(photo);
  }

  /** Lets go of a photo whose event was not taken. */
  async dropPhoto(id: string): Promise<void> {
    await this.source.getRepository(PhotoEntity).delete({ id });
  }

  async photosOf(jobId: string): Promise<{ count: number; bytes: number }> {
    const [row] = await this.source.query(
      'SELECT COUNT(*) AS count, COALESCE(SUM(LENGTH(bytes)), 0) AS bytes FROM photo WHERE job_id = ?',
      [jobId],
    );
    return { count: Number(row.count), bytes: Number(row.bytes) };
  }

  async photo(jobId: string, id: string): Promise<PhotoEntity | undefined> {
    return (await this.source.getRepository(PhotoEntity).findOneBy({ id, jobId })) ?? undefined;
  }

  /** Hashes of a job's photos as they are stored, by id. */
  async photoHashes(jobId: string): Promise<Map<string, string>> {
    const rows: Array<{ id: string; sha256: string }> = await this.source.query(
      'SELECT id, SHA2(bytes, 256) AS sha256 FROM photo WHERE job_id = ?',
      [jobId],
    );
    return new Map(rows.map(({ id, sha256 }) => [id, sha256]));
  }

  /** The photos a job's own people took, whole, in the order they were taken. */
  photosWhole(jobId: string): Promise<PhotoEntity[]> {
    return this.source
      .getRepository(PhotoEntity)
      .find({ where: { jobId, takenBy: Not(OWNER_TOOK) }, order: { takenAtMs: 'ASC', id: 'ASC' } });
  }

  async setClosing(jobId: string, closing: string): Promise<void> {
    await this.source.getRepository(JobEntity).update({ id: jobId }, { closing });
  }

  /** Whether a lead has to look at a job whose record was altered. */
  async setAltered(jobId: string, altered: boolean): Promise<void> {
    await this.source.getRepository(JobEntity).update({ id: jobId }, { altered });
  }

  /** Ids of the jobs whose record was altered and that no lead has looked at. */
  async altered(): Promise<string[]> {
    const rows = await this.source.getRepository(JobEntity).find({ select: { id: true }, where: { altered: true } });
    return rows.map(({ id }) => id);
  }

  /** The number of a job's newest event. */
  async seqOf(jobId: string): Promise<number | undefined> {
    const [row] = await this.source
      .getRepository(JobEntity)
      .find({ select: { id: true, seq: true }, where: { id: jobId } });
    return row?.seq;
  }

  /** Every job of the installation with its head. */
  async heads(): Promise<Array<{ job: string; shopId: string; seq: number; hash: string }>> {
    return this.source.query('SELECT id AS job, shop_id AS shopId, seq, hash FROM job ORDER BY opened_at_ms');
  }

  /** Every job of a shop, the oldest first. */
  everyJob(shopId: string): Promise<Array<{ id: string; number: string }>> {
    return this.source.query('SELECT id, number FROM job WHERE shop_id = ? ORDER BY opened_at_ms, id', [shopId]);
  }

  /** Personal facts of a vehicle, out of every job of it. */
  async erase(jobId: string, vehicle: JobEntity['vehicle']): Promise<void> {
    await this.source
      .getRepository(JobEntity)
      .update({ id: jobId }, { vehicle: vehicle as object, personalSalt: null });
  }

  /** Signed commands of a job behind their events, by sequence number. */
  async proofs(jobId: string): Promise<Map<number, string>> {
    const rows: Array<{ seq: number; proof: string }> = await this.source.query(
      'SELECT seq, proof FROM job_event WHERE job_id = ? AND proof IS NOT NULL',
      [jobId],
    );
    return new Map(rows.map(({ seq, proof }) => [seq, proof]));
  }

  /** Public keys that commands of a job were signed with. */
  async keysOf(jobId: string): Promise<Array<Record<'id' | 'person' | 'device' | 'session' | 'proof', string>>> {
    return this.source.query(
      `SELECT id, user_id AS person, device_id AS device, session_key AS session, proof_key AS proof
        FROM device_key WHERE id IN (
          SELECT DISTINCT JSON_VALUE(proof, '$.key') FROM job_event WHERE job_id = ? AND proof IS NOT NULL)
        ORDER BY made_at_ms`,
      [jobId],
    );
  }

  /** A device has been heard with a job. */
  async heardDevice(device: JobDeviceEntity): Promise<void> {
    await this.source.getRepository(JobDeviceEntity).upsert(device, ['jobId', 'deviceId']);
  }

  /** Devices have a line open to a job until then; 0 where one has gone. Devices that were never heard with it have no row. */
  async keepLines(lines: ReadonlyArray<{ job: string; device: string }>, untilMs: number): Promise<void> {
    if (lines.length === 0) return;
    await this.source.query('UPDATE job_device SET line_until_ms = ? WHERE (job_id, device_id) IN (?)', [
      untilMs,
      lines.map(({ job, device }) => [job, device]),
    ]);
  }

  /** Devices that did not say, when last heard, that they have left the job with nothing waiting. */
  async devicesOn(jobId: string): Promise<Array<UnheardDevice & { lineUntilMs: number }>> {
    const rows: Array<UnheardDevice & { heardAtMs: string | number; lineUntilMs: string | number }> =
      await this.source.query(
        `SELECT on_job.device_id AS device, device.name, user.name AS person, on_job.heard_at_ms AS heardAtMs, on_job.waiting,
          on_job.line_until_ms AS lineUntilMs
        FROM job_device on_job JOIN device ON device.id = on_job.device_id JOIN user ON user.id = on_job.user_id
        WHERE on_job.job_id = ? AND NOT on_job.away ORDER BY on_job.heard_at_ms`,
        [jobId],
      );
    return rows.map((row) => ({ ...row, heardAtMs: Number(row.heardAtMs), lineUntilMs: Number(row.lineUntilMs) }));
  }

  /**
   * Takes the next free number of the day, `261125-1`, and stores the job. `sealed` completes it once its number is known.
   */
  async insert(
    job: Omit<JobEntity, 'number'>,
    day: string,
    sealed: (row: JobEntity) => Pick<JobEntity, 'seal' | 'personalSalt' | 'hash'>,
  ): Promise<JobEntity> {
    return inTransaction(this.source, async (manager) => {
      // Openings of one shop take their numbers one after another: the shop's row is the lock.
      await manager
        .getRepository(ShopEntity)
        .findOneOrFail({ where: { id: job.shopId }, lock: { mode: 'pessimistic_write' } });
      const taken = await manager.getRepository(JobEntity).find({
        select: { id: true, number: true },
        where: { shopId: job.shopId, number: Like(`${day}-%`) },
      });
      const last = Math.max(0, ...taken.map((row) => Number(row.number.split('-')[1])));
      const numbered = manager.create(JobEntity, { ...job, number: `${day}-${last + 1}` });
      const row = manager.create(JobEntity, { ...numbered, ...sealed(numbered) });
      await manager.insert(JobEntity, row);
      return row;
    });
  }

  /** Appends events and moves the job's row on. @throws JobMoved when another writer was here first */
  async append(append: JobAppend): Promise<void> {
    if (append.rows.length > 0) await this.queue.append(append);
  }
}
