import { type Remote, wrap } from 'comlink';
import type { PlanWorker } from './plan.worker.ts';

let started: Remote<PlanWorker> | undefined;

/** The worker that plans days, started when first needed and kept. */
export function planWorker(): Remote<PlanWorker> {
  started ??= wrap<PlanWorker>(new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' }));
  return started;
}
