import { careList } from '../care.ts';
import { benderOf, mayBend } from '../gate/bending.ts';
import { ANSWERABLE } from '../role.ts';
import { act, blank, done, refuse, stampOf } from './act.ts';

/** Does not ask this owner to come back for something, by name and with a reason that prints. */
export interface WaiveCare {
  type: 'waiveCare';
  /** By its key in the list of what is due. */
  care: string;
  reason: string;
}

export interface CareWaived {
  type: 'careWaived';
  care: string;
  reason: string;
}

export interface CareAskedAgain {
  type: 'careAskedAgain';
  care: string;
}

export const waiveCare = act<WaiveCare, CareWaived | CareAskedAgain>({
  may: ANSWERABLE,
  needsProof: true,
  decide({ plan, job, by }, { care: key, reason }) {
    const care = careList(plan, job).find((entry) => entry.key === key);
    if (!care) return refuse({ code: 'unknownCare', care: key });
    if (care.waived) return refuse({ code: 'careWaivedAlready', care: key });
    if (!mayBend(plan.rules, 'aftercare', by.role))
      return refuse({ code: 'notYoursToBend', rule: 'aftercare', bender: benderOf(plan.rules, 'aftercare') });
    return blank(reason) ? refuse({ code: 'reasonMissing' }) : done({ type: 'careWaived', care: key, reason });
  },
  undo({ job }, last) {
    return last.act === 'waiveCare' && job.visit.careWaived?.[last.care]
      ? done({ type: 'careAskedAgain', care: last.care })
      : refuse({ code: 'nothingToUndo' });
  },
  fold: {
    careWaived(draft, fact) {
      const careWaived = { ...draft.visit.careWaived, [fact.care]: { reason: fact.reason, ...stampOf(fact) } };
      draft.visit = { ...draft.visit, careWaived };
      draft.undoable[fact.by.id] = { act: 'waiveCare', care: fact.care };
    },
    careAskedAgain(draft, fact) {
      const { [fact.care]: _, ...careWaived } = draft.visit.careWaived ?? {};
      draft.visit = { ...draft.visit, careWaived };
      draft.undoable[fact.by.id] = undefined;
    },
  },
});
