import { Column, Entity, PrimaryColumn } from 'typeorm';
import type { CompoundKind } from '#core/compound/compound.ts';
import type { CribTool } from '#core/crib/crib-tool.ts';
import type { StockPiece } from '#core/job/stock-used.ts';
import type { Reading } from '#core/wrench/calibration.ts';
import { millis } from './millis.ts';

@Entity('wrench_check')
export class WrenchCheckEntity {
  @PrimaryColumn({ type: 'char', length: 36 }) id!: string;
  @Column({ type: 'varchar', length: 64, name: 'shop_id' }) shopId!: string;
  @Column({ type: 'varchar', length: 64, name: 'wrench_id' }) wrenchId!: string;
  @Column({ type: 'varchar', length: 16 }) kind!: 'check' | 'calibration';
  @Column({ ...millis, name: 'at_ms' }) atMs!: number;
  @Column({ type: 'varchar', length: 120, name: 'by_name' }) byName!: string;
  @Column({ type: 'json' }) readings!: Reading[];
  @Column({ type: 'double' }) permissible!: number;
  @Column({ type: 'double' }) mean!: number;
  @Column({ type: 'double' }) worst!: number;
  @Column({ type: 'boolean' }) within!: boolean;
  @Column({ type: 'varchar', length: 120, nullable: true }) certificate?: string | null;
}

@Entity('tool')
export class ToolEntity {
  @PrimaryColumn({ type: 'char', length: 36 }) id!: string;
  @Column({ type: 'varchar', length: 64, name: 'shop_id' }) shopId!: string;
  @Column({ type: 'json' }) card!: CribTool;
  @Column({ ...millis, name: 'retired_at_ms', nullable: true }) retiredAtMs?: number | null;
}

@Entity('loan')
export class LoanEntity {
  @PrimaryColumn({ type: 'char', length: 36 }) id!: string;
  @Column({ type: 'varchar', length: 64, name: 'shop_id' }) shopId!: string;
  @Column({ type: 'varchar', length: 8 }) thing!: 'wrench' | 'tool';
  @Column({ type: 'varchar', length: 64, name: 'thing_id' }) thingId!: string;
  @Column({ type: 'varchar', length: 120, name: 'thing_name' }) thingName!: string;
  @Column({ type: 'varchar', length: 64, name: 'person_id' }) personId!: string;
  @Column({ type: 'varchar', length: 120, name: 'person_name' }) personName!: string;
  @Column({ type: 'char', length: 36, name: 'job_id', nullable: true }) jobId?: string | null;
  @Column({ ...millis, name: 'out_at_ms' }) outAtMs!: number;
  @Column({ ...millis, name: 'back_at_ms', nullable: true }) backAtMs?: number | null;
  @Column({ type: 'boolean', name: 'set_to_low', nullable: true }) setToLow?: boolean | null;
}

@Entity('bottle')
export class BottleEntity {
  @PrimaryColumn({ type: 'char', length: 36 }) id!: string;
  @Column({ type: 'varchar', length: 64, name: 'shop_id' }) shopId!: string;
  @Column({ type: 'varchar', length: 120 }) name!: string;
  @Column({ type: 'varchar', length: 24 }) kind!: CompoundKind;
  @Column({ type: 'varchar', length: 40 }) lot!: string;
  @Column({ type: 'double', name: 'size_ml' }) sizeMl!: number;
  @Column({ type: 'char', length: 10, name: 'expires_on' }) expiresOn!: string;
  @Column({ type: 'char', length: 10, name: 'opened_on', nullable: true }) openedOn?: string | null;
  @Column({ type: 'int', name: 'open_months', nullable: true }) openMonths?: number | null;
  @Column({ type: 'double', name: 'store_max_c' }) storeMaxC!: number;
  @Column({ ...millis, name: 'received_at_ms' }) receivedAtMs!: number;
  @Column({ type: 'double', name: 'adjusted_ml', default: 0 }) adjustedMl!: number;
  @Column({ type: 'char', length: 10, name: 'emptied_on', nullable: true }) emptiedOn?: string | null;
  @Column({ type: 'char', length: 10, name: 'gelled_on', nullable: true }) gelledOn?: string | null;
}

/** One bead counted off a bottle, by the event that put it on. Without a bottle: none of the kind was there. */
@Entity('bottle_use')
export class BottleUseEntity {
  @PrimaryColumn({ type: 'char', length: 36, name: 'job_id' }) jobId!: string;
  @PrimaryColumn({ type: 'int', unsigned: true }) seq!: number;
  @Column({ type: 'char', length: 36, name: 'bottle_id', nullable: true }) bottleId?: string | null;
  @Column({ type: 'varchar', length: 24 }) kind!: CompoundKind;
  @Column({ type: 'double' }) ml!: number;
}

/** What a person did to a bottle: never changed, so that a count can be followed back. */
@Entity('bottle_note')
export class BottleNoteEntity {
  @PrimaryColumn({ type: 'char', length: 36 }) id!: string;
  @Column({ type: 'char', length: 36, name: 'bottle_id' }) bottleId!: string;
  @Column({ ...millis, name: 'at_ms' }) atMs!: number;
  @Column({ type: 'varchar', length: 120, name: 'by_name' }) byName!: string;
  @Column({ type: 'json', name: 'change_body' }) change!: object;
}

@Entity('store_reading')
export class StoreReadingEntity {
  @PrimaryColumn({ type: 'varchar', length: 64, name: 'shop_id' }) shopId!: string;
  @PrimaryColumn({ ...millis, name: 'at_ms' }) atMs!: number;
  @Column({ type: 'double', name: 'temperature_c' }) temperatureC!: number;
  @Column({ type: 'varchar', length: 120, name: 'by_name' }) byName!: string;
}

@Entity('recheck_settled')
export class RecheckSettledEntity {
  @PrimaryColumn({ type: 'varchar', length: 64, name: 'wrench_id' }) wrenchId!: string;
  @PrimaryColumn({ type: 'char', length: 36, name: 'job_id' }) jobId!: string;
  @PrimaryColumn({ type: 'varchar', length: 64 }) station!: string;
  @Column({ ...millis, name: 'at_ms' }) atMs!: number;
  @Column({ type: 'varchar', length: 120, name: 'by_name' }) byName!: string;
  @Column({ type: 'varchar', length: 500 }) how!: string;
}

/** A drawer of the shop's own fasteners. */
@Entity('shelf')
export class ShelfEntity {
  @PrimaryColumn({ type: 'char', length: 36 }) id!: string;
  @Column({ type: 'varchar', length: 64, name: 'shop_id' }) shopId!: string;
  @Column({ type: 'json' }) card!: Omit<StockPiece, 'id'>;
  @Column({ type: 'int' }) counted!: number;
  @Column({ ...millis, name: 'counted_at_ms' }) countedAtMs!: number;
  @Column({ type: 'int', name: 'low_at', nullable: true }) lowAt?: number | null;
  @Column({ ...millis, name: 'retired_at_ms', nullable: true }) retiredAtMs?: number | null;
}

export const CRIB_ENTITIES = [
  WrenchCheckEntity,
  ToolEntity,
  LoanEntity,
  BottleEntity,
  BottleUseEntity,
  BottleNoteEntity,
  StoreReadingEntity,
  RecheckSettledEntity,
  ShelfEntity,
];
