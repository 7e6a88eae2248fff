import { type Remote, wrap } from 'comlink';
import type { SheetWorker } from './sheet.worker.ts';

/** The longest sheet there is takes a few seconds; one that takes longer was made to. */
const PATIENCE_MS = 30_000;
/** The largest file a maker's sheet comes in, bytes; the reader's own limit, asked before the file is read at all. */
export const LARGEST_FILE = 20 * 1024 * 1024;

let started: { worker: Worker; remote: Remote<SheetWorker> } | undefined;

/**
 * Has the worker that reads sheets do something; it is started when first needed and kept. Where it takes longer than any
 * sheet does, it is ended, with whatever memory it took.
 *
 * @throws where the time is up, in words for a person
 */
export async function inSheetWorker<T>(work: (worker: Remote<SheetWorker>) => Promise<T>): Promise<T> {
  if (!started) {
    const worker = new Worker(new URL('./sheet.worker.ts', import.meta.url), { type: 'module' });
    started = { worker, remote: wrap<SheetWorker>(worker) };
  }
  const { worker, remote } = started;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => {
      worker.terminate();
      started = undefined;
      reject(new Error(`it takes longer than ${PATIENCE_MS / 1000} s, and was given up`));
    }, PATIENCE_MS);
  });
  try {
    return await Promise.race([work(remote), late]);
  } finally {
    clearTimeout(timer);
  }
}
