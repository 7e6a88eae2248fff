import { type Remote, wrap } from 'comlink';
import type { GeometryWorker } from './geometry.worker.ts';

let started: Remote<GeometryWorker> | undefined;

/** The worker that sweeps suspensions, started when first needed and kept. */
export function geometryWorker(): Remote<GeometryWorker> {
  started ??= wrap<GeometryWorker>(new Worker(new URL('./geometry.worker.ts', import.meta.url), { type: 'module' }));
  return started;
}
