import type { ConflictKind } from '#core/kit/plan-conflict.ts';
import { inLanguage } from '../say.ts';

/** Two kits at odds, in English: what it is, why it matters, and what each way leads to. */
export const CONFLICTS: Record<ConflictKind, { title: string; why: string; asIs: string }> = inLanguage({
  sameJoint: {
    title: 'One joint, two sheets: {place}',
    why: 'The sheets differ in {differs}. A figure belongs to the hardware it was printed for: the chosen kit’s bolt goes in with the chosen kit’s figure, the other’s is left over.',
    asIs: 'Work {second} first',
  },
  samePlace: {
    title: 'Two parts for one place: {place}',
    why: 'Both kits bring a part for this place. Choose whose goes on, or say that both have room.',
    asIs: 'Work {second} first',
  },
  fates: {
    title: 'One keeps off what the other puts back: {place}',
    why: 'What is thrown away cannot be put back. The choice decides whether the refit list has it.',
    asIs: 'Work {second} first',
  },
  refitFigure: {
    title: 'One joint goes back, two figures: {place}',
    why: 'Both sheets put it back, each with its own figure. It comes off meanwhile; it goes back when a lead has chosen.',
    asIs: 'Work {second} first',
  },
  standing: {
    title: 'Lifted for one, on its weight for the other: {place}',
    why: 'Rubber is tightened on its weight, a stand goes under a hanging axle. Choose whose way it comes off.',
    asIs: 'Work {second} first',
  },
  overtaken: {
    title: 'One kit was told it is not there, another puts it on: {place}',
    why: 'Answer as it will be once the other kit is on, or have this kit worked first, while it is not.',
    asIs: 'Work {second} first',
  },
  contrary: {
    title: 'Contrary order: {place}',
    why: 'Each sheet closes these in another order, and no order keeps both. Choose whose order holds here; all else of both sheets holds as it is.',
    asIs: '',
  },
  order: {
    title: '{place} is worked after the others',
    why: 'Its sheet opens and closes a thing more than once that another kit wants open, so the kits are worked one after the other. Things may come off twice.',
    asIs: 'Work it after the others',
  },
});

/** The choices that are no kit's own. */
export const CHOICES = inLanguage({ both: 'Both have room', answerYes: 'Answer “yes”: {place} will be on' });
