import type { StoredEvent } from '#contract/job.ts';
import type { Head } from '../store/server-repository.ts';

type Back = (events: StoredEvent[]) => void;

interface Line {
  /** The newest event that was passed on. */
  seq: number;
  backs: Set<Back>;
}

/** What the lines read from. */
export interface LineStore {
  heads(jobs: readonly string[]): Promise<Head[]>;
  eventsAfter(job: string, seq: number): Promise<StoredEvent[]>;
}

/**
 * Tablets with a line to a job. What this server stores goes out at once, what another one stores at the next look; each
 * event once, and in order.
 */
export class JobLines {
  private readonly lines = new Map<string, Line>();

  constructor(private readonly store: LineStore) {}

  /**
   * Calls back with events as they are stored; returns how to stop.
   * @param seq - the newest event that whoever listens has, or reads for themselves
   */
  listen(job: string, seq: number, back: Back): () => void {
    const line = this.lines.get(job) ?? { seq, backs: new Set<Back>() };
    line.backs.add(back);
    // Whoever is behind gets what the others had: what comes twice is dropped by number.
    line.seq = Math.min(line.seq, seq);
    this.lines.set(job, line);
    return () => {
      line.backs.delete(back);
      if (line.backs.size === 0 && this.lines.get(job) === line) this.lines.delete(job);
    };
  }

  /** Passes on what this server has just stored. */
  stored(job: string, events: StoredEvent[]): void {
    const line = this.lines.get(job);
    const [first] = events;
    // With a gap before it, it waits for the look that fills it.
    if (line && first && first.seq <= line.seq + 1) this.pass(line, events);
  }

  /** Passes on what other servers have stored. */
  look = async (): Promise<void> => {
    if (this.lines.size === 0) return;
    for (const { id, seq } of await this.store.heads([...this.lines.keys()])) {
      const line = this.lines.get(id);
      if (line && seq > line.seq) this.pass(line, await this.store.eventsAfter(id, line.seq));
    }
  };

  private pass(line: Line, events: StoredEvent[]): void {
    const fresh = events.filter(({ seq }) => seq > line.seq);
    line.seq = fresh.at(-1)?.seq ?? line.seq;
    if (fresh.length > 0) for (const back of line.backs) back(fresh);
  }
}
