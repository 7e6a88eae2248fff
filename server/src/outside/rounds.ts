import type { Logger } from 'pino';

/** Something looked after again and again, never twice at once; what goes wrong is logged and looked after at the next round. */
export class Rounds {
  private timer?: NodeJS.Timeout;
  private running: Promise<void> = Promise.resolve();

  /** @param fault - what is logged with an error */
  constructor(
    private readonly look: () => Promise<void>,
    private readonly everyMs: number,
    private readonly log: Pick<Logger, 'error'>,
    private readonly fault: string,
  ) {}

  start(): void {
    this.timer = setInterval(() => {
      this.running = this.running.then(this.look).catch((error: unknown) => this.log.error({ err: error }, this.fault));
    }, this.everyMs);
  }

  /** Ends when the round under way is done. */
  async stop(): Promise<void> {
    clearInterval(this.timer);
    await this.running;
  }
}
