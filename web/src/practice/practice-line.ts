import type { StoredEvent } from '#contract/job.ts';

/** Whoever shows the practice job, while one listens. */
let listener: { onEvent(stored: StoredEvent): void } | undefined;

/** Hears what comes to the practice job from elsewhere: the events of a job that is watched. */
export function listenToPractice(line: NonNullable<typeof listener>): () => void {
  listener = line;
  return () => {
    if (listener === line) listener = undefined;
  };
}

export const sayToPractice = (stored: StoredEvent): void => listener?.onEvent(stored);
