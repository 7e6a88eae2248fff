import { ON_THE_FLOOR } from '../role.ts';
import { act, done, refuse } from './act.ts';

/** Takes up a job that was put aside. */
export interface Resume {
  type: 'resume';
}

export interface JobResumed {
  type: 'jobResumed';
}

export const resume = act<Resume, JobResumed>({
  may: ON_THE_FLOOR,
  decide: ({ job }) => (job.visit.parked ? done({ type: 'jobResumed' }) : refuse({ code: 'notParked' })),
  fold: {
    jobResumed(draft, fact) {
      const { parked: _, ...visit } = draft.visit;
      const parkings = visit.parkings.map((entry, index) =>
        index === visit.parkings.length - 1 ? { ...entry, resumedAtMs: fact.atMs } : entry,
      );
      draft.visit = { ...visit, parkings };
    },
  },
});
