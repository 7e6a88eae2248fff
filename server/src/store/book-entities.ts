import { Column, Entity, PrimaryColumn, PrimaryGeneratedColumn } from 'typeorm';
import type { PullVerdict } from '#core/tightening/judge-pull.ts';
import { millis } from './millis.ts';

/** How far a job stands in the book. */
@Entity('book_job')
export class BookJobEntity {
  @PrimaryColumn({ type: 'char', length: 36, name: 'job_id' }) jobId!: string;
  @Column({ type: 'varchar', length: 64, name: 'shop_id' }) shopId!: string;
  @Column({ type: 'int', unsigned: true }) seq!: number;
  @Column({ type: 'varchar', length: 64, name: 'kit_id' }) kitId!: string;
  @Column({ type: 'int', name: 'kit_revision' }) kitRevision!: number;
  /** A re-torque of what that kit put on. */
  @Column({ type: 'boolean' }) again!: boolean;
}

/** A pull, laid out to be searched. Made from the events: what is here proves nothing. */
@Entity('book_pull')
export class BookPullEntity {
  @PrimaryColumn({ type: 'char', length: 36, name: 'job_id' }) jobId!: string;
  @PrimaryColumn({ type: 'varchar', length: 64, name: 'pull_id' }) pullId!: string;
  @Column({ type: 'varchar', length: 64, name: 'shop_id' }) shopId!: string;
  @Column({ ...millis, name: 'at_ms' }) atMs!: number;
  @Column({ type: 'varchar', length: 24 }) number!: string;
  @Column({ type: 'varchar', length: 64, name: 'vehicle_id' }) vehicleId!: string;
  @Column({ type: 'varchar', length: 40 }) plate!: string;
  @Column({ type: 'varchar', length: 200 }) model!: string;
  @Column({ type: 'varchar', length: 64, name: 'kit_id' }) kitId!: string;
  @Column({ type: 'int', name: 'kit_revision' }) kitRevision!: number;
  @Column({ type: 'varchar', length: 200, name: 'kit_title' }) kitTitle!: string;
  @Column({ type: 'varchar', length: 200 }) station!: string;
  @Column({ type: 'varchar', length: 64, name: 'wrench_id' }) wrenchId!: string;
  @Column({ type: 'varchar', length: 64 }) wrench!: string;
  @Column({ type: 'varchar', length: 64, name: 'person_id' }) personId!: string;
  @Column({ type: 'varchar', length: 120 }) person!: string;
  @Column({ type: 'double', name: 'torque_nm' }) torqueNm!: number;
  @Column({ type: 'double', name: 'target_nm' }) targetNm!: number;
  @Column({ type: 'double', name: 'min_nm' }) minNm!: number;
  @Column({ type: 'double', name: 'max_nm', nullable: true }) maxNm?: number | null;
  @Column({ type: 'varchar', length: 12 }) verdict!: PullVerdict;
  @Column({ type: 'boolean' }) stands!: boolean;
  /** At the full figure, and not on the way to it. */
  @Column({ type: 'boolean' }) final!: boolean;
}

/** Something that did not go as planned, by the kit it is of. */
@Entity('book_trouble')
export class BookTroubleEntity {
  @PrimaryGeneratedColumn({ type: 'bigint', unsigned: true }) id!: string;
  @Column({ type: 'char', length: 36, name: 'job_id' }) jobId!: string;
  @Column({ type: 'varchar', length: 64, name: 'shop_id' }) shopId!: string;
  @Column({ type: 'varchar', length: 64, name: 'kit_id' }) kitId!: string;
  @Column({ type: 'int', name: 'kit_revision' }) kitRevision!: number;
  @Column({ type: 'varchar', length: 32 }) kind!: string;
  @Column({ type: 'varchar', length: 200 }) place!: string;
  @Column({ type: 'varchar', length: 500 }) text!: string;
  @Column({ ...millis, name: 'at_ms' }) atMs!: number;
}

/** What a step of a job took. */
@Entity('book_step')
export class BookStepEntity {
  @PrimaryColumn({ type: 'char', length: 36, name: 'job_id' }) jobId!: string;
  @PrimaryColumn({ type: 'varchar', length: 64, name: 'kit_id' }) kitId!: string;
  /** As the kit calls it, whatever else was in the visit. */
  @PrimaryColumn({ type: 'varchar', length: 160 }) step!: string;
  @Column({ type: 'varchar', length: 64, name: 'shop_id' }) shopId!: string;
  @Column({ type: 'int', name: 'kit_revision' }) kitRevision!: number;
  @Column({ type: 'varchar', length: 200 }) text!: string;
  @Column({ type: 'double', name: 'planned_min', nullable: true }) plannedMin?: number | null;
  @Column({ type: 'double', name: 'took_min' }) tookMin!: number;
  /** Who worked on it most, and on what: a shop's own pace is told by both. */
  @Column({ type: 'varchar', length: 64, name: 'person_id', nullable: true }) personId?: string | null;
  @Column({ type: 'varchar', length: 200, nullable: true }) model?: string | null;
  @Column({ ...millis, name: 'at_ms' }) atMs!: number;
}

export const BOOK_ENTITIES = [BookJobEntity, BookPullEntity, BookStepEntity, BookTroubleEntity];
