import { Column, Entity, PrimaryColumn } from 'typeorm';
import { millis } from './millis.ts';

/** What counts once, whichever server it is shown to: a reading, the answer to a passkey's question, a ticket. */
@Entity('spent')
export class SpentEntity {
  @PrimaryColumn({ type: 'varchar', length: 80 }) id!: string;
  @Column({ type: 'varchar', length: 64, name: 'by_whom' }) byWhom!: string;
  /** Kept this long: after it the thing itself has run out. */
  @Column({ ...millis, name: 'until_ms' }) untilMs!: number;
}

/** How often something changed that servers keep in memory. */
@Entity('news')
export class NewsEntity {
  @PrimaryColumn({ type: 'varchar', length: 32 }) topic!: string;
  @Column({ ...millis }) version!: number;
}

export const SERVER_ENTITIES = [SpentEntity, NewsEntity];
