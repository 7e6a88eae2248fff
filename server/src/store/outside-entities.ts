import { Column, Entity, PrimaryColumn, PrimaryGeneratedColumn } from 'typeorm';
import type { Scope, Told } from '#contract/outside.ts';
import { millis } from './millis.ts';

/** A key of another program; of the key itself its hash alone. */
@Entity('api_key')
export class ApiKeyEntity {
  @PrimaryColumn({ type: 'char', length: 36 }) id!: string;
  @Column({ type: 'varchar', length: 64, name: 'shop_id' }) shopId!: string;
  @Column({ type: 'varchar', length: 80 }) name!: string;
  @Column({ type: 'char', length: 64, name: 'key_hash' }) keyHash!: string;
  @Column({ type: 'json' }) scopes!: Scope[];
  @Column({ ...millis, name: 'made_at_ms' }) madeAtMs!: number;
  @Column({ type: 'varchar', length: 120, name: 'made_by' }) madeBy!: string;
  @Column({ ...millis, name: 'used_at_ms', nullable: true }) usedAtMs?: number | null;
  @Column({ ...millis, name: 'revoked_at_ms', nullable: true }) revokedAtMs?: number | null;
}

/** A request that is answered once, however often it is sent. */
@Entity('api_request')
export class ApiRequestEntity {
  @PrimaryColumn({ type: 'char', length: 36, name: 'key_id' }) keyId!: string;
  @PrimaryColumn({ type: 'varchar', length: 100, name: 'idempotency_key' }) idempotencyKey!: string;
  @Column({ type: 'char', length: 64, name: 'body_hash' }) bodyHash!: string;
  @Column({ ...millis, name: 'at_ms' }) atMs!: number;
  /** What it became; none while it is under way, or where it was refused. */
  @Column({ type: 'char', length: 36, name: 'job_id', nullable: true }) jobId?: string | null;
}

/** Where another program listens. */
@Entity('webhook')
export class WebhookEntity {
  @PrimaryColumn({ type: 'char', length: 36 }) id!: string;
  @Column({ type: 'varchar', length: 64, name: 'shop_id' }) shopId!: string;
  @Column({ type: 'varchar', length: 500 }) url!: string;
  /** What its tellings are signed with. */
  @Column({ type: 'char', length: 43 }) secret!: string;
  @Column({ type: 'json' }) events!: Told[];
  @Column({ ...millis, name: 'made_at_ms' }) madeAtMs!: number;
  @Column({ type: 'varchar', length: 120, name: 'made_by' }) madeBy!: string;
  @Column({ ...millis, name: 'off_at_ms', nullable: true }) offAtMs?: number | null;
}

/** One thing one program is told: kept until it has arrived or was given up. */
@Entity('telling')
export class TellingEntity {
  @PrimaryGeneratedColumn({ type: 'bigint', unsigned: true }) id!: string;
  @Column({ type: 'char', length: 36, name: 'hook_id' }) hookId!: string;
  @Column({ type: 'varchar', length: 32 }) event!: Told;
  @Column({ type: 'char', length: 36, name: 'job_id' }) jobId!: string;
  /** When what it tells of was. */
  @Column({ ...millis, name: 'at_ms' }) atMs!: number;
  @Column({ ...millis, name: 'made_at_ms' }) madeAtMs!: number;
  @Column({ type: 'int', default: 0 }) tries!: number;
  /** When it is tried next; none once it has arrived or is given up. */
  @Column({ ...millis, name: 'next_at_ms', nullable: true }) nextAtMs?: number | null;
  @Column({ ...millis, name: 'done_at_ms', nullable: true }) doneAtMs?: number | null;
  @Column({ type: 'varchar', length: 200, nullable: true }) answer?: string | null;
}

export const OUTSIDE_ENTITIES = [ApiKeyEntity, ApiRequestEntity, WebhookEntity, TellingEntity];
