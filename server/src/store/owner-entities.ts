import { Column, Entity, PrimaryColumn, PrimaryGeneratedColumn } from 'typeorm';
import type { MessageChannel, MessageState } from '#contract/owner-message.ts';
import { millis } from './millis.ts';

/** A link that opens one job's hand-over to its owner. */
@Entity('owner_link')
export class OwnerLinkEntity {
  @PrimaryColumn({ type: 'varchar', length: 24 }) id!: string;
  @Column({ type: 'varchar', length: 64, name: 'shop_id' }) shopId!: string;
  @Column({ type: 'char', length: 36, name: 'job_id' }) jobId!: string;
  @Column({ ...millis, name: 'made_at_ms' }) madeAtMs!: number;
  @Column({ type: 'varchar', length: 120, name: 'made_by' }) madeBy!: string;
  @Column({ ...millis, name: 'expires_at_ms' }) expiresAtMs!: number;
  @Column({ ...millis, name: 'revoked_at_ms', nullable: true }) revokedAtMs?: number | null;
  @Column({ type: 'varchar', length: 120, name: 'revoked_by', nullable: true }) revokedBy?: string | null;
  @Column({ type: 'int', default: 0 }) opened!: number;
  @Column({ ...millis, name: 'last_opened_ms', nullable: true }) lastOpenedMs?: number | null;
}

/** What an owner said was done elsewhere. Append-only: the shop settles it, or does not. */
@Entity('owner_report')
export class OwnerReportEntity {
  @PrimaryGeneratedColumn({ type: 'bigint', unsigned: true }) id!: string;
  @Column({ type: 'varchar', length: 64, name: 'shop_id' }) shopId!: string;
  @Column({ type: 'char', length: 36, name: 'job_id' }) jobId!: string;
  @Column({ type: 'varchar', length: 24, name: 'link_id' }) linkId!: string;
  @Column({ type: 'varchar', length: 200 }) care!: string;
  @Column({ ...millis, name: 'at_ms' }) atMs!: number;
  @Column({ type: 'char', length: 10, name: 'done_on' }) doneOn!: string;
  @Column({ type: 'double', name: 'odometer_km', nullable: true }) odometerKm?: number | null;
  @Column({ type: 'varchar', length: 300, nullable: true }) note?: string | null;
  @Column({ type: 'char', length: 36, name: 'photo_id', nullable: true }) photoId?: string | null;
}

/** A message to an owner: made once for what it is about, sent by the outbox, answered or not. */
@Entity('owner_message')
export class OwnerMessageEntity {
  @PrimaryGeneratedColumn({ type: 'bigint', unsigned: true }) id!: string;
  @Column({ type: 'varchar', length: 64, name: 'shop_id' }) shopId!: string;
  @Column({ type: 'char', length: 36, name: 'job_id' }) jobId!: string;
  @Column({ type: 'varchar', length: 200 }) care!: string;
  @Column({ type: 'varchar', length: 8 }) channel!: MessageChannel;
  @Column({ type: 'varchar', length: 200, name: 'sent_to' }) sentTo!: string;
  @Column({ type: 'varchar', length: 2000 }) text!: string;
  /** What it is about, hashed: there is never a second of it. */
  @Column({ type: 'char', length: 64 }) once!: string;
  @Column({ ...millis, name: 'made_at_ms' }) madeAtMs!: number;
  @Column({ type: 'varchar', length: 120, name: 'made_by' }) madeBy!: string;
  @Column({ type: 'varchar', length: 12 }) state!: MessageState;
  @Column({ type: 'int', default: 0 }) tries!: number;
  @Column({ ...millis, name: 'next_at_ms' }) nextAtMs!: number;
  @Column({ ...millis, name: 'ended_at_ms', nullable: true }) endedAtMs?: number | null;
  @Column({ type: 'varchar', length: 300, nullable: true }) fault?: string | null;
  @Column({ type: 'varchar', length: 1000, nullable: true }) reply?: string | null;
  @Column({ ...millis, name: 'replied_at_ms', nullable: true }) repliedAtMs?: number | null;
  @Column({ type: 'varchar', length: 120, name: 'reply_by', nullable: true }) replyBy?: string | null;
}

/** An address that wants no more messages of this shop. */
@Entity('owner_refusal')
export class OwnerRefusalEntity {
  @PrimaryColumn({ type: 'varchar', length: 64, name: 'shop_id' }) shopId!: string;
  @PrimaryColumn({ type: 'varchar', length: 200 }) address!: string;
  @Column({ ...millis, name: 'at_ms' }) atMs!: number;
  @Column({ type: 'varchar', length: 120, name: 'by_name' }) byName!: string;
}

export const OWNER_ENTITIES = [OwnerLinkEntity, OwnerReportEntity, OwnerMessageEntity, OwnerRefusalEntity];
