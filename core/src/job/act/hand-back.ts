import { openSteps } from '../close-blocks.ts';
import { isOwed } from '../debt.ts';
import { stationState, type Unfinished } from '../job-state.ts';
import { lineProgress } from '../line-progress.ts';
import { ANSWERABLE } from '../role.ts';
import type { MayDo } from '../visit-state.ts';
import { act, blank, done, refuse, stampOf } from './act.ts';

/**
 * Ends a job that is not finished: handed back as it stands, or with the old parts on again. Signed by name, with what is
 * open and what the vehicle may do.
 */
export interface HandBack {
  type: 'handBack';
  kind: Unfinished['kind'];
  signature: string;
  reason: string;
  may: MayDo;
}

export interface JobHandedBack extends Unfinished {
  type: 'jobHandedBack';
  /** `kind` of the end; the fact's own type stands in `type`. */
  signature: string;
}

export const handBack = act<HandBack, JobHandedBack>({
  may: ANSWERABLE,
  needsProof: true,
  decide({ plan, job, by }, { kind, signature, reason, may }) {
    if (blank(signature)) return refuse({ code: 'signatureMissing' });
    if (signature.trim() !== by.name) return refuse({ code: 'signatureNotYours', name: by.name });
    if (blank(reason)) return refuse({ code: 'reasonMissing' });
    if (kind === 'oldParts') {
      // Back to the old parts: nothing of the kit in its holes, and nothing of the vehicle beside it.
      const stations = plan.stations.filter(({ id }) => stationState(job, id).stage !== 'empty').map(({ id }) => id);
      const debts = [...new Set(lineProgress(plan, job).debts.values())].filter(isOwed).map(({ id }) => id);
      if (stations.length > 0 || debts.length > 0) return refuse({ code: 'stillOff', debts, stations });
    }
    return done({ type: 'jobHandedBack', kind, signature, reason, may, open: openSteps(plan, job) });
  },
  fold: {
    jobHandedBack(draft, fact) {
      const { kind, reason, may, open, signature } = fact;
      draft.closed = { signature, unfinished: { kind, reason, may, open }, ...stampOf(fact) };
    },
  },
});
