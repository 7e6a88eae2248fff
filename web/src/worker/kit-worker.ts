import { type Remote, wrap } from 'comlink';
import type { KitWorker } from './kit.worker.ts';

let started: Remote<KitWorker> | undefined;

/** The worker that checks kits, started when first needed and kept. */
export function kitWorker(): Remote<KitWorker> {
  started ??= wrap<KitWorker>(new Worker(new URL('./kit.worker.ts', import.meta.url), { type: 'module' }));
  return started;
}
