import { type DataSource, LessThan } from 'typeorm';
import { NewsEntity, SpentEntity } from './server-entities.ts';

/** Something that servers keep in memory and that another of them may change. */
export type Topic = 'sessions' | 'wrenches' | 'jobs';

/** The newest event of a job. */
export interface Head {
  id: string;
  seq: number;
}

/** What servers of one database tell each other through it. */
export class ServerRepository {
  constructor(private readonly source: DataSource) {}

  /**
   * Spends what counts once.
   * @param by - whoever spends it may do so again, as a command does that is sent twice
   * @returns false where somebody else has spent it
   */
  async spend(id: string, by: string, untilMs: number): Promise<boolean> {
    // One statement that a second server at the same instant waits for; it changes nothing where the row is there.
    await this.source.query('INSERT IGNORE INTO spent (id, by_whom, until_ms) VALUES (?, ?, ?)', [id, by, untilMs]);
    const row = await this.source.getRepository(SpentEntity).findOneBy({ id });
    return row?.byWhom === by;
  }

  /** Lets go of what has run out by itself. */
  async forgetSpent(nowMs: number): Promise<void> {
    await this.source.getRepository(SpentEntity).delete({ untilMs: LessThan(nowMs) });
  }

  /** Says that something changed. */
  async changed(topic: Topic): Promise<void> {
    await this.source.query(
      'INSERT INTO news (topic, version) VALUES (?, 1) ON DUPLICATE KEY UPDATE version = version + 1',
      [topic],
    );
  }

  /** How often each topic has changed. */
  async versions(): Promise<Map<string, number>> {
    const rows = await this.source.getRepository(NewsEntity).find();
    return new Map(rows.map(({ topic, version }) => [topic, version]));
  }

  /** The newest event of each of these jobs. */
  heads(jobs: readonly string[]): Promise<Head[]> {
    return this.source.query('SELECT id, seq FROM job WHERE id IN (?)', [jobs]);
  }
}
