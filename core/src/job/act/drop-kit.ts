import type { KitPrefix } from '../../kit/ids.ts';
import { COUNTER_TOO } from '../role.ts';
import { act, blank, done, refuse, stampOf } from './act.ts';

export interface DropKit {
  type: 'dropKit';
  prefix: KitPrefix;
  reason: string;
}

export interface KitDropped {
  type: 'kitDropped';
  prefix: KitPrefix;
  reason: string;
}

export const dropKit = act<DropKit, KitDropped>({
  may: COUNTER_TOO,
  replans: true,
  decide({ plan }, { prefix, reason }) {
    if (!plan.kits.some((entry) => entry.prefix === prefix)) return refuse({ code: 'kitNotIn', prefix });
    if (plan.kits.length === 1) return refuse({ code: 'lastKit' });
    if (blank(reason)) return refuse({ code: 'reasonMissing' });
    return done({ type: 'kitDropped', prefix, reason });
  },
  fold: {
    kitDropped(draft, fact) {
      const { prefix, reason } = fact;
      draft.visit = {
        ...draft.visit,
        kits: draft.visit.kits.filter((entry) => entry !== prefix),
        droppedKits: [...draft.visit.droppedKits, { prefix, reason, ...stampOf(fact) }],
      };
    },
  },
});
