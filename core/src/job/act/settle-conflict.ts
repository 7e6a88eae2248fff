import type { Settlement } from '../../kit/plan-conflict.ts';
import type { Figure } from '../figure.ts';
import { canBePulled } from '../gate/pullable.ts';
import { LEAD_ONLY } from '../role.ts';
import { act, blank, done, refuse, stampOf } from './act.ts';

/** A lead's choice between kits at odds. */
export interface SettleConflict {
  type: 'settleConflict';
  conflict: string;
  choice: string;
  figure?: Figure;
  reason: string;
}

export interface ConflictSettled {
  type: 'conflictSettled';
  conflict: string;
  settlement: Settlement;
  reason: string;
}

export const settleConflict = act<SettleConflict, ConflictSettled>({
  may: LEAD_ONLY,
  needsProof: true,
  replans: true,
  decide({ plan }, { conflict: id, choice, figure, reason }) {
    const conflict = plan.conflicts.find((entry) => entry.id === id);
    if (!conflict) return refuse({ code: 'unknownConflict', conflict: id });
    if (!conflict.choices.includes(choice)) return refuse({ code: 'choiceNotAllowed', conflict: id, choice });
    if (blank(reason)) return refuse({ code: 'reasonMissing' });
    if (figure && ((conflict.kind !== 'sameJoint' && conflict.kind !== 'refitFigure') || !canBePulled(figure)))
      return refuse({ code: 'figureUnreadable', printed: figure.printed });
    const question = conflict.kind === 'overtaken' ? conflict.sides[1]?.ids[0] : undefined;
    return done({
      type: 'conflictSettled',
      conflict: id,
      reason,
      settlement: { choice, ...(figure ? { figure } : {}), ...(question === undefined ? {} : { question }) },
    });
  },
  fold: {
    conflictSettled(draft, fact) {
      const { settlement, reason } = fact;
      const settled = { settlement, reason, ...stampOf(fact) };
      draft.visit = { ...draft.visit, settled: { ...draft.visit.settled, [fact.conflict]: settled } };
    },
  },
});
