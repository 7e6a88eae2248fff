import { resolve } from 'node:path';
import { Worker } from 'node:worker_threads';
import { type Remote, wrap } from 'comlink';
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs';
import type { readKit } from '#contract/read-kit.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import type { Result } from '#core/result.ts';
import type { DraftUnreadable, KitWorkerWorks } from './kit-worker.ts';

/** Nobody waits longer for a kit to be read or looked through; the largest that may be takes a few seconds. */
const PATIENCE_MS = 20_000;
/** A kit is played through before its release: the most combinations of a long one take a minute. */
const REHEARSAL_MS = 150_000;
/** Memory of a thread: a kit that needs more is none. */
const HEAP_MB = 512;

type ReadKit = ReturnType<typeof readKit>;

/** Looking through a kit took longer, or more memory, than it may. */
export class KitTooLarge extends Error {}

/** One thread, and what waits its turn for it. */
class KitThread {
  private thread?: { worker: Worker; works: Remote<KitWorkerWorks> };
  private last: Promise<unknown> = Promise.resolve();

  constructor(
    private readonly file: string,
    private readonly patienceMs: number,
  ) {}

  private open() {
    if (this.thread) return this.thread;
    const worker = new Worker(resolve(this.file), { resourceLimits: { maxOldGenerationSizeMb: HEAP_MB } });
    // A thread left over must not keep the server from ending.
    worker.unref();
    this.thread = { worker, works: wrap<KitWorkerWorks>(nodeEndpoint(worker)) };
    return this.thread;
  }

  /** Runs one piece of work; a thread that dies of it, or takes too long, is let go and the next one gets another. */
  private async run<T>(work: (works: Remote<KitWorkerWorks>) => Promise<T>): Promise<T> {
    const { worker, works } = this.open();
    let failed: (error: Error) => void = () => undefined;
    const died = new Promise<never>((_, reject) => {
      failed = () => reject(new KitTooLarge('The kit takes longer, or more memory, than it may.'));
    });
    const timer = setTimeout(failed, this.patienceMs);
    worker.once('error', failed).once('exit', failed);
    try {
      return await Promise.race([work(works), died]);
    } catch (error) {
      if (error instanceof KitTooLarge) {
        this.thread = undefined;
        await worker.terminate();
      }
      throw error;
    } finally {
      clearTimeout(timer);
      worker.off('error', failed).off('exit', failed);
    }
  }

  inTurn<T>(work: (works: Remote<KitWorkerWorks>) => Promise<T>): Promise<T> {
    const turn = this.last.then(() => this.run(work));
    this.last = turn.catch(() => undefined);
    return turn;
  }

  async stop(): Promise<void> {
    await this.thread?.worker.terminate();
    this.thread = undefined;
  }
}

/** Reads, judges and plays kits in threads of their own, so that no tablet waits for it. */
export class KitWorks {
  private readonly looking: KitThread;
  /** Beside the other: who saves a draft does not wait for somebody's release. */
  private readonly playing: KitThread;

  /** @param file - the threads' own bundle */
  constructor(file: string) {
    this.looking = new KitThread(file, PATIENCE_MS);
    this.playing = new KitThread(file, REHEARSAL_MS);
  }

  read(text: string): Promise<ReadKit> {
    return this.looking.inTurn(async (works) => (await works.read(text)) as ReadKit);
  }

  /** Reads the body of a draft. */
  draft(body: 'create' | 'save', value: unknown): Promise<Result<unknown, DraftUnreadable>> {
    return this.looking.inTurn(async (works) => (await works.draft(body, value)) as Result<unknown, DraftUnreadable>);
  }

  judge(document: KitDocument): Promise<ReturnType<KitWorkerWorks['judge']>> {
    return this.looking.inTurn((works) => works.judge(document));
  }

  /** Plays it as its fitters will; dead ends as faults. */
  rehearse(document: KitDocument): Promise<ReturnType<KitWorkerWorks['rehearse']>> {
    return this.playing.inTurn((works) => works.rehearse(document));
  }

  async stop(): Promise<void> {
    await Promise.all([this.looking.stop(), this.playing.stop()]);
  }
}
