import { create } from 'zustand';
import type { JobDocument } from '#contract/job.ts';
import { withoutNames } from '#core/drill/replay.ts';
import { PRACTICE_JOB } from './practice.ts';
import { sayToPractice } from './practice-line.ts';

interface ReplayStore {
  /** The job that is watched, with nobody's name in it. */
  document?: JobDocument;
  /** How many of its events are shown. */
  shown: number;
  playing: boolean;
  speed: number;
  begin(job: JobDocument): void;
  /** Shows one event more; false at the end. */
  step(): boolean;
  /** Shows so many; the job is read anew by whoever shows it. */
  goTo(shown: number): void;
  set(change: Partial<Pick<ReplayStore, 'playing' | 'speed'>>): void;
  end(): void;
}

/** A closed job, watched from its events. It changes nothing and stands nowhere. */
export const useReplay = create<ReplayStore>()((set, get) => ({
  shown: 0,
  playing: false,
  speed: 30,
  begin(job) {
    const events = withoutNames(
      job.events.map(({ event }) => event),
      [job.vehicle.owner ?? ''],
    );
    const { vin: _, ...vehicle } = job.vehicle;
    const document: JobDocument = {
      ...job,
      id: PRACTICE_JOB,
      number: 'replay',
      vehicle: { ...vehicle, plate: 'REPLAY', owner: '' },
      events: events.map((event, at) => ({ seq: at + 1, hash: '', event })),
      integrity: { breaks: [], open: [], sealed: false },
      unheard: [],
    };
    set({ document, shown: 0, playing: true });
  },
  step() {
    const { document, shown } = get();
    const next = document?.events[shown];
    if (!next) {
      set({ playing: false });
      return false;
    }
    set({ shown: shown + 1 });
    sayToPractice(next);
    return true;
  },
  goTo: (shown) => set({ shown, playing: false }),
  set,
  end: () => set({ document: undefined, shown: 0, playing: false }),
}));
