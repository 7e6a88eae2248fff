import { type Remote, wrap } from 'comlink';
import type { SheetWorker } from './sheet.worker.ts';

let started: Remote<SheetWorker> | undefined;

/** The worker that reads sheets, started when first needed and kept. */
export function sheetWorker(): Remote<SheetWorker> {
  started ??= wrap<SheetWorker>(new Worker(new URL('./sheet.worker.ts', import.meta.url), { type: 'module' }));
  return started;
}
