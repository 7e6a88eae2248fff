import { type Remote, wrap } from 'comlink';
import { say } from '#contract/wording/say.ts';
import type { KitWorker } from './kit.worker.ts';

let started: Remote<KitWorker> | undefined;

/** The worker that checks kits, started when first needed and kept. */
export function kitWorker(): Remote<KitWorker> {
  started ??= wrap<KitWorker>(new Worker(new URL('./kit.worker.ts', import.meta.url), { type: 'module' }));
  return started;
}

/** What a person reads when a worker fails: its own words, since nothing of a shop is at stake. */
export const workerFailure = (error: unknown): string =>
  say('It cannot be worked out on this device: {which}', {
    which: error instanceof Error ? error.message : String(error),
  });
