import type { LimitKind } from '#core/kit/kit-document.ts';
import { inLanguage, say } from '../say.ts';

/** Headings of what an owner takes away, in the order they stand. */
export const HAND_OVER_TITLE = inLanguage({
  driver: 'Before you drive',
  fitted: 'What was fitted',
  due: 'What is due, and when',
  watch: 'What to watch',
  limits: 'Limits',
  measured: 'Measured, before and after',
  carries: 'What it may carry now',
  joints: 'Every joint',
  byFeel: 'Tightened without a figure',
  deviations: 'What went otherwise than planned',
  parts: 'Your parts',
  keys: 'Keys, lock bits and codes',
  offAgain: 'If it must come off again',
  cautions: 'Cautions',
  proof: 'How this can be checked',
} as const);

export const LIMIT_TEXT: Record<LimitKind, string> = inLanguage({
  load: 'Load',
  towing: 'Towing',
  clearance: 'Clearance',
  tyre: 'Tyres',
  inflation: 'Inflation',
  speed: 'Speed',
  other: 'Use',
});

/** What a report or a page of the product can never replace. */
export const deference = (): string =>
  say(
    'This is an aid, not an approval. The vehicle maker’s manual, the kit maker’s sheet and local law come first; a licensed technician or inspector decides where required.',
  );

export const noLimit = (): string =>
  say(
    'The sheets name no limit of their own. The lowest of the vehicle’s, the kit’s and the tyres’ ratings counts: look at their plates.',
  );
