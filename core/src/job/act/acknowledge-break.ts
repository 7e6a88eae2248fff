import { LEAD_ONLY } from '../role.ts';
import { act, blank, done, refuse, stampOf } from './act.ts';

/**
 * A lead has looked at where the record was altered, and lets the work go on. The break stays for everybody to see; what
 * comes after it is chained to what stands.
 */
export interface AcknowledgeBreak {
  type: 'acknowledgeBreak';
  reason: string;
}

export interface BreakAcknowledged {
  type: 'breakAcknowledged';
  /** Sequence numbers at which the chain breaks; 0 is what the job was opened with. */
  breaks: number[];
  reason: string;
}

export const acknowledgeBreak = act<AcknowledgeBreak, BreakAcknowledged>({
  may: LEAD_ONLY,
  needsProof: true,
  afterClose: true,
  decide({ breaks = [] }, { reason }) {
    if (breaks.length === 0) return refuse({ code: 'noBreaks' });
    if (blank(reason)) return refuse({ code: 'reasonMissing' });
    return done({ type: 'breakAcknowledged', breaks: [...breaks], reason });
  },
  fold: {
    breakAcknowledged(draft, fact) {
      const { breaks, reason } = fact;
      const seen = { breaks, reason, ...stampOf(fact) };
      draft.visit = { ...draft.visit, acknowledged: [...draft.visit.acknowledged, seen] };
    },
  },
});
