import { Column, type DataSource, Entity, PrimaryGeneratedColumn } from 'typeorm';
import type { SettledHow } from '#contract/due.ts';
import type { OdometerReading } from '#core/follow-up/daily-distance.ts';
import { millis } from './millis.ts';
import { OwnerReportEntity } from './owner-entities.ts';

/** How something an owner was to come back for ended. Append-only: the last saying counts. */
@Entity('due_settled')
export class DueSettledEntity {
  @PrimaryGeneratedColumn({ type: 'bigint', unsigned: true }) id!: string;
  @Column({ type: 'varchar', length: 64, name: 'shop_id' }) shopId!: string;
  @Column({ type: 'char', length: 36, name: 'job_id' }) jobId!: string;
  @Column({ type: 'varchar', length: 200 }) care!: string;
  @Column({ type: 'varchar', length: 16 }) how!: SettledHow;
  @Column({ ...millis, name: 'at_ms' }) atMs!: number;
  @Column({ type: 'varchar', length: 120, name: 'by_name' }) byName!: string;
  @Column({ type: 'varchar', length: 300, nullable: true }) note?: string | null;
  @Column({ type: 'double', name: 'odometer_km', nullable: true }) odometerKm?: number | null;
}

/** What became of what was due, and the odometers of a shop's vehicles as they were read at their visits. */
export class FollowUpRepository {
  constructor(private readonly source: DataSource) {}

  settled(shopId: string): Promise<DueSettledEntity[]> {
    return this.source.getRepository(DueSettledEntity).find({ where: { shopId }, order: { id: 'ASC' } });
  }

  /** What owners reported, the oldest first. */
  reports(shopId: string): Promise<OwnerReportEntity[]> {
    return this.source.getRepository(OwnerReportEntity).find({ where: { shopId }, order: { id: 'ASC' } });
  }

  async settle(entry: Omit<DueSettledEntity, 'id'>): Promise<void> {
    await this.source.getRepository(DueSettledEntity).insert(entry);
  }

  /** By vehicle, in no order. It is read when a job is opened, whenever that is planned to begin. */
  async readings(shopId: string): Promise<Map<string, OdometerReading[]>> {
    const rows: Array<{ vehicleId: string; atMs: string; km: number }> = await this.source.query(
      `SELECT vehicle_id AS vehicleId, opened_at_ms AS atMs, odometer_km AS km
         FROM job WHERE shop_id = ? AND odometer_km IS NOT NULL`,
      [shopId],
    );
    const found = new Map<string, OdometerReading[]>();
    for (const { vehicleId, atMs, km } of rows) {
      const list = found.get(vehicleId);
      const reading = { atMs: Number(atMs), km };
      if (list) list.push(reading);
      else found.set(vehicleId, [reading]);
    }
    return found;
  }
}
