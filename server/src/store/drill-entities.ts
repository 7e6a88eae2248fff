import { Column, Entity, PrimaryColumn } from 'typeorm';
import type { Drill } from '#core/drill/drill.ts';
import type { DrillAttempt, DrillVerdict } from '#core/drill/judge-drill.ts';
import { millis } from './millis.ts';

@Entity('drill')
export class DrillEntity {
  @PrimaryColumn({ type: 'char', length: 36 }) id!: string;
  @Column({ type: 'varchar', length: 64, name: 'shop_id' }) shopId!: string;
  @Column({ type: 'varchar', length: 120 }) title!: string;
  @Column({ type: 'json' }) body!: Drill;
  @Column({ type: 'varchar', length: 120, name: 'made_by' }) madeBy!: string;
  @Column({ ...millis, name: 'made_at_ms' }) madeAtMs!: number;
  @Column({ ...millis, name: 'retired_at_ms', nullable: true }) retiredAtMs?: number | null;
}

/** What a learner did. Theirs: they take it with them, and delete it. */
@Entity('drill_attempt')
export class DrillAttemptEntity {
  @PrimaryColumn({ type: 'char', length: 36 }) id!: string;
  @Column({ type: 'varchar', length: 64, name: 'shop_id' }) shopId!: string;
  @Column({ type: 'varchar', length: 64, name: 'user_id' }) userId!: string;
  @Column({ type: 'varchar', length: 64, name: 'drill_id' }) drillId!: string;
  @Column({ ...millis, name: 'ended_at_ms' }) endedAtMs!: number;
  @Column({ type: 'json' }) body!: DrillAttempt;
  @Column({ type: 'json' }) verdict!: DrillVerdict;
}

@Entity('drill_assignment')
export class DrillAssignmentEntity {
  @PrimaryColumn({ type: 'char', length: 36 }) id!: string;
  @Column({ type: 'varchar', length: 64, name: 'shop_id' }) shopId!: string;
  @Column({ type: 'varchar', length: 64, name: 'user_id' }) userId!: string;
  @Column({ type: 'char', length: 36, name: 'drill_id' }) drillId!: string;
  @Column({ type: 'varchar', length: 120, name: 'by_name' }) byName!: string;
  @Column({ ...millis, name: 'at_ms' }) atMs!: number;
  @Column({ type: 'varchar', length: 500 }) comment!: string;
  @Column({ type: 'varchar', length: 120, name: 'signed_by', nullable: true }) signedBy?: string | null;
  @Column({ ...millis, name: 'signed_at_ms', nullable: true }) signedAtMs?: number | null;
  @Column({ type: 'varchar', length: 500, name: 'sign_comment', nullable: true }) signComment?: string | null;
}

export const DRILL_ENTITIES = [DrillEntity, DrillAttemptEntity, DrillAssignmentEntity];
