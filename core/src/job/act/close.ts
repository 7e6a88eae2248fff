import { closeBlocks } from '../close-block.ts';
import { ANSWERABLE } from '../role.ts';
import { act, blank, done, refuse, stampOf } from './act.ts';

export interface Close {
  type: 'close';
  signature: string;
  note?: string;
}

export interface JobClosed {
  type: 'jobClosed';
  signature: string;
  note?: string;
}

export const close = act<Close, JobClosed>({
  may: ANSWERABLE,
  needsProof: true,
  decide({ plan, job, toolsOut, by }, { signature, note }) {
    if (blank(signature)) return refuse({ code: 'signatureMissing' });
    if (signature.trim() !== by.name) return refuse({ code: 'signatureNotYours', name: by.name });
    const blocks = closeBlocks(plan, job, toolsOut);
    return blocks.length > 0 ? refuse({ code: 'closeBlocked', blocks }) : done({ type: 'jobClosed', signature, note });
  },
  fold: {
    jobClosed(draft, fact) {
      draft.closed = { signature: fact.signature, note: fact.note, ...stampOf(fact) };
    },
  },
});
