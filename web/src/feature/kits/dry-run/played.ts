import { proxy, wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { KitDocument } from '#core/kit/kit-document.ts';
import type { KitWorker, VerdictTold } from '../../../worker/kit.worker.ts';
import { workerFailure } from '../../../worker/kit-worker.ts';

/** How far the playing of every combination is. */
export interface Played {
  /** The kit it is about: another one is not judged by it. */
  kit: KitDocument;
  progress?: { played: number; of: number };
  told?: VerdictTold;
  failure?: string;
}

/** How long the hand rests before a kit that is being written is played, ms. */
const REST_MS = 700;

/**
 * Plays every combination of a kit in a thread of its own, and anew as the kit changes: what is being played of an older
 * one is stopped.
 *
 * @param ready - whether its references hold, so that it can be played at all
 */
export function usePlayed(kit: KitDocument, ready = true): Played | undefined {
  const [played, setPlayed] = useState<Played>();
  useEffect(() => {
    if (!ready) return undefined;
    let stop: () => void = () => undefined;
    const timer = setTimeout(() => {
      const thread = new Worker(new URL('../../../worker/kit.worker.ts', import.meta.url), { type: 'module' });
      const works = wrap<KitWorker>(thread);
      stop = () => thread.terminate();
      setPlayed({ kit, progress: { played: 0, of: 0 } });
      works
        .rehearseAll(
          kit,
          // The last word on how far it is may come after the verdict, by another way.
          proxy((done: number, of: number) =>
            setPlayed((before) =>
              before?.kit === kit && before.told ? before : { kit, progress: { played: done, of } },
            ),
          ),
        )
        .then((told) => setPlayed({ kit, told }))
        .catch((error: unknown) => setPlayed({ kit, failure: workerFailure(error) }))
        .finally(stop);
    }, REST_MS);
    return () => {
      clearTimeout(timer);
      stop();
    };
  }, [kit, ready]);
  return played?.kit === kit ? played : undefined;
}
