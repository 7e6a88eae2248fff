import { type DataSource, IsNull, Like, Not } from 'typeorm';
import type { JobCard, StoredEvent } from '#contract/job.ts';
import type { JobProgress } from '#core/job/job-progress.ts';
import { JobEntity, JobEventEntity, PhotoEntity, type PinnedKit, ShopEntity } from './entities.ts';

/** What `append` writes beside each event. */
export interface EventRow extends StoredEvent {
  /** Place of the event among those of one command. */
  commandIndex: number;
}

/** The job changed under us since it was read. */
export class JobMoved extends Error {}

/** Jobs and their events. With the entities the only place that knows how they are stored. */
export class JobRepository {
  constructor(private readonly source: DataSource) {}

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
    return rows.map((row) => ({
      id: row.id,
      number: row.number,
      bay: row.bay,
      plannedStartMs: row.plannedStartMs,
      estimatedMinutes: row.progress.estimatedMinutes ?? 0,
      kitTitle: row.progress.title ?? '',
      vehicle: { make: row.vehicle.make, model: row.vehicle.model, plate: row.vehicle.plate },
      progress: row.progress,
      closedAtMs: row.closedAtMs ?? undefined,
    }));
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

  async photo(jobId: string, id: string): Promise<PhotoEntity | undefined> {
    return (await this.source.getRepository(PhotoEntity).findOneBy({ id, jobId })) ?? undefined;
  }

  /** Takes the next free number of the day, `1125-1`, and stores the job. */
  async insert(job: Omit<JobEntity, 'number'>, day: string): Promise<JobEntity> {
    return this.source.transaction(async (manager) => {
      // Openings of one shop take their numbers one after another: the shop's row is the lock.
      await manager
        .getRepository(ShopEntity)
        .findOneOrFail({ where: { id: job.shopId }, lock: { mode: 'pessimistic_write' } });
      const taken = await manager.getRepository(JobEntity).find({
        select: { id: true, number: true },
        where: { shopId: job.shopId, number: Like(`${day}-%`) },
      });
      const last = Math.max(0, ...taken.map((row) => Number(row.number.split('-')[1])));
      const row = manager.create(JobEntity, { ...job, number: `${day}-${last + 1}` });
      await manager.insert(JobEntity, row);
      return row;
    });
  }

  /**
   * Appends events and moves the job's row on, in one transaction that locks this job alone.
   * Throws {@link JobMoved} when another writer was here first.
   */
  async append(
    jobId: string,
    fromSeq: number,
    rows: readonly EventRow[],
    received: { atMs: number; deviceId?: string },
    progress: JobProgress,
    closedAtMs: number | undefined,
  ): Promise<void> {
    const last = rows.at(-1);
    if (!last) return;
    const events = rows.map(({ seq, hash, event, commandIndex }) => ({
      seq,
      hash,
      commandId: event.commandId,
      commandIndex,
      type: event.type,
      // As text: the stored JSON is to the letter what was hashed over.
      body: JSON.stringify(event),
      actorId: event.by.id,
      happenedAtMs: event.atMs,
    }));
    try {
      await this.source.query('CALL append_events(?, ?, ?, ?, ?, ?, ?, ?, ?)', [
        jobId,
        fromSeq,
        last.seq,
        last.hash,
        JSON.stringify(progress),
        closedAtMs ?? null,
        received.deviceId ?? null,
        received.atMs,
        JSON.stringify(events),
      ]);
    } catch (error) {
      if (String((error as Error).message).includes('jobMoved')) throw new JobMoved(jobId);
      throw error;
    }
  }
}
