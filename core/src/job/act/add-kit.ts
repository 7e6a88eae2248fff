import type { AnswerValue } from '../../kit/condition.ts';
import type { KitId, KitPrefix } from '../../kit/ids.ts';
import { COUNTER_TOO } from '../role.ts';
import { act, done, refuse } from './act.ts';

/** A kit that comes into a visit under way. Given by the server alone, which pins the kit and makes its prefix. */
export interface AddKit {
  type: 'addKit';
  prefix: KitPrefix;
  kit: KitId;
  revision: number;
  answers: Record<string, AnswerValue>;
  /** Hash of the kit's document as it is stored. */
  sha256?: string;
}

export interface KitAdded {
  type: 'kitAdded';
  prefix: KitPrefix;
  kit: KitId;
  revision: number;
  answers: Record<string, AnswerValue>;
  sha256?: string;
}

export const addKit = act<AddKit, KitAdded>({
  may: COUNTER_TOO,
  replans: true,
  decide({ plan }, { kit, revision, prefix, answers, sha256 }) {
    if (plan.kits.some((entry) => entry.id === kit)) return refuse({ code: 'kitAlreadyIn', kit });
    return done({ type: 'kitAdded', prefix, kit, revision, answers, ...(sha256 === undefined ? {} : { sha256 }) });
  },
  fold: {
    kitAdded(draft, fact) {
      // What the others know is known: only new answers are written.
      draft.answers = { ...fact.answers, ...draft.answers };
      draft.visit = { ...draft.visit, kits: [...draft.visit.kits, fact.prefix] };
    },
  },
});
