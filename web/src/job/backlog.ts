import { create } from 'zustand';
import { ProblemError, UnreachableError } from '../shop/api.ts';
import { sendWaitingPhotos } from '../shop/photos.ts';
import { useSession } from '../shop/session.ts';
import { jobLink } from './job-link.ts';
import { dropCommands, keepCommands, wholeOutbox } from './outbox.ts';
import { isSendable, type OutboxEntry } from './outbox-entry.ts';
import { BATCH, sendInParts } from './sending.ts';

interface BacklogState {
  /** Everything this device holds that the server has not taken, of all jobs. */
  entries: OutboxEntry[];
  /** The device's own store cannot be read or written. */
  storeFails: boolean;
}

/** What waits on this device, whichever job is open. */
export const useBacklog = create<BacklogState>(() => ({ entries: [], storeFails: false }));

/** Waiting to be sent, and set aside because the server did not take them. */
export const counted = (entries: readonly OutboxEntry[]): { waiting: number; setAside: number } => {
  const setAside = entries.filter(({ refused }) => refused !== undefined).length;
  return { waiting: entries.length - setAside, setAside };
};

/** How many wait for other jobs than this one. */
export const waitingElsewhere = (jobId: string): number =>
  counted(useBacklog.getState().entries.filter((entry) => entry.jobId !== jobId)).waiting;

/** A while between looks at what waits, ms: what an open job gives goes out at once by itself. */
const LOOK_MS = 5000;

/** Reads anew what waits here. */
export async function refreshBacklog(): Promise<OutboxEntry[]> {
  try {
    const entries = await wholeOutbox();
    useBacklog.setState({ entries, storeFails: false });
    return entries;
  } catch (_error) {
    useBacklog.setState({ storeFails: true });
    return [];
  }
}

let sending = false;

/** Sends what waits for jobs that are not open here; what they are, their own screen sends. */
async function sendOthers(openJob: () => string | undefined): Promise<void> {
  if (sending) return;
  sending = true;
  try {
    const entries = await refreshBacklog();
    const person = useSession.getState().session?.person.id;
    let waiting = counted(entries).waiting;
    const ready = entries.filter((entry) => isSendable(entry, person));
    for (const jobId of new Set(ready.map((entry) => entry.jobId))) {
      if (jobId === openJob()) continue;
      const own = ready.filter((entry) => entry.jobId === jobId);
      for (let at = 0; at < own.length; at += BATCH) {
        const batch = own.slice(at, at + BATCH);
        waiting -= batch.length;
        const answered = await sendInParts(jobLink, jobId, batch, waiting);
        await keepCommands(answered.filter(({ refused }) => refused));
        await dropCommands(answered.filter(({ refused }) => !refused).map(({ id }) => id));
      }
      const still = counted(entries.filter((entry) => entry.jobId === jobId)).waiting - own.length;
      await jobLink.tell(jobId, { waiting: still, away: true });
    }
    await refreshBacklog();
  } catch (error) {
    if (error instanceof ProblemError && error.problem.code === 'notSignedIn') useSession.getState().expire();
    // No line, or the server is busy with itself: it waits on, and is tried again at the next look.
    else if (!(error instanceof ProblemError) && !(error instanceof UnreachableError)) throw error;
  } finally {
    sending = false;
  }
}

/** Sends what waits here from whatever screen is shown, as soon as somebody is signed in and the server is there. */
export function watchBacklog(openJob: () => string | undefined): () => void {
  const look = () => {
    if (useSession.getState().status === 'signedIn') {
      // Photos first: a job that is closed takes none.
      void sendWaitingPhotos()
        .catch(() => useBacklog.setState({ storeFails: true }))
        .then(() => sendOthers(openJob));
    } else void refreshBacklog();
  };
  look();
  const timer = setInterval(look, LOOK_MS);
  const unsubscribe = useSession.subscribe((after, before) => after.status !== before.status && look());
  globalThis.addEventListener('online', look);
  return () => {
    clearInterval(timer);
    unsubscribe();
    globalThis.removeEventListener('online', look);
  };
}
