import type { ServerRepository, Topic } from '../store/server-repository.ts';

/** How often a server looks what others have changed: a tablet at another server sees a pull within this, and an answer. */
const LOOK_MS = 200;
/** After a look that failed: the database is away, and requests say so themselves. */
const AWAY_MS = 2000;

/** Looked at together with the topics. */
export interface Watched {
  look(): Promise<void>;
}

/**
 * What another server on the same database has changed of what this one keeps in memory. Read from the database by
 * number, so that nothing is missed while a server is away, and no message goes from server to server.
 */
export class News {
  private readonly told = new Map<Topic, Array<() => void | Promise<void>>>();
  private known: Map<string, number> | undefined;
  private timer: NodeJS.Timeout | undefined;
  private running: Promise<void> = Promise.resolve();
  private stopped = false;
  private away = false;

  constructor(
    private readonly store: ServerRepository,
    private readonly failed: (error: unknown) => void,
    private readonly watched: readonly Watched[] = [],
  ) {}

  /** Calls back when something has changed, at this server or at another. */
  on(topic: Topic, back: () => void | Promise<void>): void {
    this.told.set(topic, [...(this.told.get(topic) ?? []), back]);
  }

  /** Tells the servers; this one has done already what follows from it, and does it again. */
  tell(topic: Topic): Promise<void> {
    return this.store.changed(topic);
  }

  async start(): Promise<void> {
    this.known = await this.store.versions();
    this.next(LOOK_MS);
  }

  private next(afterMs: number): void {
    if (this.stopped) return;
    this.timer = setTimeout(() => {
      this.running = this.look().then(() => this.next(this.away ? AWAY_MS : LOOK_MS));
    }, afterMs);
  }

  private async look(): Promise<void> {
    try {
      const now = await this.store.versions();
      for (const [topic, version] of now) {
        if (this.known?.get(topic) === version) continue;
        for (const back of this.told.get(topic as Topic) ?? []) await back();
      }
      // Known only once everybody was told: what failed is told again.
      this.known = now;
      for (const { look } of this.watched) await look();
      this.away = false;
    } catch (error) {
      // Said once, not five times a second.
      if (!this.away && !this.stopped) this.failed(error);
      this.away = true;
    }
  }

  async stop(): Promise<void> {
    this.stopped = true;
    clearTimeout(this.timer);
    await this.running;
  }
}
