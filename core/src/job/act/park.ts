import { openSteps } from '../close-blocks.ts';
import { ANSWERABLE } from '../role.ts';
import type { MayDo } from '../visit-state.ts';
import { act, blank, done, refuse, stampOf } from './act.ts';

/** Puts a job aside unfinished, signed: why, what is open, and what the vehicle may do meanwhile. */
export interface Park {
  type: 'park';
  reason: string;
  may: MayDo;
}

export interface JobParked {
  type: 'jobParked';
  reason: string;
  may: MayDo;
  open: string[];
}

export const park = act<Park, JobParked>({
  may: ANSWERABLE,
  needsProof: true,
  decide({ plan, job }, { reason, may }) {
    if (job.visit.parked) return refuse({ code: 'jobParked' });
    if (blank(reason)) return refuse({ code: 'reasonMissing' });
    return done({ type: 'jobParked', reason, may, open: openSteps(plan, job) });
  },
  fold: {
    jobParked(draft, fact) {
      const { reason, may, open } = fact;
      const stamp = stampOf(fact);
      draft.visit = {
        ...draft.visit,
        parked: { reason, may, ...stamp },
        parkings: [...draft.visit.parkings, { reason, may, open, ...stamp }],
      };
    },
  },
});
