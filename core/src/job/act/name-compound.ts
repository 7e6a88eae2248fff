import { type Locker, setsOnTheThread } from '../../compound/compound.ts';
import { indexOf } from '../../kit/plan.ts';
import { act, blank, done, refuse, stampOf } from './act.ts';

/** A lead names the product where the sheet says `threadlocker` and no more: the wrong strength never comes off again, or comes off by itself. */
export interface NameCompound {
  type: 'nameCompound';
  compound: string;
  grade: Locker;
  /** As it stands on the bottle. */
  product: string;
}

export interface CompoundNamed {
  type: 'compoundNamed';
  compound: string;
  grade: Locker;
  product: string;
}

export const nameCompound = act<NameCompound, CompoundNamed>({
  may: ['lead'],
  replans: true,
  decide({ plan, job }, { compound: id, grade, product }) {
    const compound = indexOf(plan).compounds.get(id);
    if (!compound || !setsOnTheThread(compound.kind)) return refuse({ code: 'unknownCompound', compound: id });
    if (!compound.gradeUnknown && job.visit.compounds?.[id] === undefined)
      return refuse({ code: 'gradeKnown', compound: compound.name });
    if (blank(product)) return refuse({ code: 'nameMissing' });
    return done({ type: 'compoundNamed', compound: id, grade, product });
  },
  fold: {
    compoundNamed(draft, fact) {
      const { grade, product } = fact;
      const compounds = { ...draft.visit.compounds, [fact.compound]: { grade, product, ...stampOf(fact) } };
      draft.visit = { ...draft.visit, compounds };
    },
  },
});
