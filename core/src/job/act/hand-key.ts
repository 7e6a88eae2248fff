import type { KeyHolder, KeyKind } from '../key-held.ts';
import { EVERYBODY } from '../role.ts';
import { act, blank, done, refuse, stampOf } from './act.ts';

/** Hands a key, a bit or a code on; the first time it is named. */
export interface HandKey {
  type: 'handKey';
  /** One that is known: handed on. Left out, a new one. */
  key?: string;
  name: string;
  kind: KeyKind;
  to: KeyHolder;
}

export interface KeyHanded {
  type: 'keyHanded';
  key: string;
  name: string;
  kind: KeyKind;
  to: KeyHolder;
}

export const handKey = act<HandKey, KeyHanded>({
  may: EVERYBODY,
  decide({ plan, job, commandId }, { key, name, kind, to }) {
    if (blank(name)) return refuse({ code: 'nameMissing' });
    if (blank(to.name)) return refuse({ code: 'keeperMissing', key: name });
    // A key of the kit is known by its line.
    const known = key !== undefined && (job.visit.keys?.[key] !== undefined || plan.items.some(({ id }) => id === key));
    if (key !== undefined && !known) return refuse({ code: 'unknownKey', key });
    return done({
      type: 'keyHanded',
      key: key ?? commandId,
      name: name.trim(),
      kind,
      to: { ...to, name: to.name.trim() },
    });
  },
  fold: {
    keyHanded(draft, fact) {
      const { key, name, kind, to } = fact;
      const before = draft.visit.keys?.[key];
      const held = { name, kind, hands: [...(before?.hands ?? []), { ...to, ...stampOf(fact) }] };
      draft.visit = { ...draft.visit, keys: { ...draft.visit.keys, [key]: held } };
    },
  },
});
