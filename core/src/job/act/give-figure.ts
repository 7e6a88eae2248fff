import { indexOf } from '../../kit/plan.ts';
import { findDebt } from '../debt.ts';
import type { FigureSource, GivenFigure } from '../figure.ts';
import { sourceRefused } from '../gate/figure-source.ts';
import { canBePulled } from '../gate/pullable.ts';
import { ANSWERABLE } from '../role.ts';
import { act, blank, done, refuse, stampOf } from './act.ts';

/** A figure for a joint or a refitted bolt whose sheet gives none; absent where it is done by feel. */
export interface GiveFigure extends GivenFigure {
  type: 'giveFigure';
  target: string;
}

export interface FigureGiven extends GivenFigure {
  type: 'figureGiven';
  target: string;
}

/** What is not the joint's own figure: another kit's, what the bench works out, none at all. */
const NOT_ITS_OWN: ReadonlySet<FigureSource> = new Set(['otherKit', 'estimate', 'byFeel']);

export const giveFigure = act<GiveFigure, FigureGiven>({
  may: ANSWERABLE,
  replans: true,
  decide({ plan, job, by }, { target, source, note, figure }) {
    const station = indexOf(plan).stations.get(target);
    const debt = station ? undefined : findDebt(plan, job, target);
    if (!station && !debt) return refuse({ code: 'unknownFigureTarget', target });
    const open = station ? station.spec.kind === 'missing' || job.visit.figures[target] !== undefined : true;
    if (!open) return refuse({ code: 'figureGivenAlready', target });
    // No house and no role closes a safety-critical joint on less than its own figure.
    if (station?.tags?.includes('safetyCritical') && NOT_ITS_OWN.has(source))
      return refuse({ code: 'notForSafety', target, source });
    // A number without its origin is no number: the page, the person or the other sheet is named.
    if (blank(note)) return refuse({ code: 'reasonMissing' });
    const ids = debt?.ids ?? [target];
    const notHere = sourceRefused(plan.rules, by, target, source);
    if (notHere) return refuse(notHere);
    if (source === 'byFeel')
      return done(...ids.map((id) => ({ type: 'figureGiven' as const, target: id, source, note })));
    if (!figure || !canBePulled(figure)) return refuse({ code: 'figureUnreadable', printed: figure?.printed ?? '' });
    return done(...ids.map((id) => ({ type: 'figureGiven' as const, target: id, source, note, figure })));
  },
  fold: {
    figureGiven(draft, fact) {
      const { source, note, figure } = fact;
      const given = { source, note, figure, ...stampOf(fact) };
      draft.visit = { ...draft.visit, figures: { ...draft.visit.figures, [fact.target]: given } };
    },
  },
});
