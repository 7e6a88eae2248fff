import { say } from '#contract/wording/say.ts';
import type { CompoundKind } from '#core/compound/compound.ts';

/** Colour of what is in it, always with the word beside. */
export const TINT: Record<CompoundKind, string> = {
  threadlockerLow: 'var(--steel)',
  threadlockerMedium: 'var(--medium)',
  threadlockerHigh: 'var(--bad)',
  antiSeize: '#a9642c',
  grease: '#5a7d33',
  sealant: 'var(--ink-2)',
  retaining: '#5a7d33',
};

/** What each kind is called. */
export const KIND_TEXT: Record<CompoundKind, string> = {
  threadlockerLow: say('low strength locker'),
  threadlockerMedium: say('medium locker'),
  threadlockerHigh: say('high strength locker'),
  antiSeize: 'anti-seize',
  grease: say('grease'),
  sealant: say('sealant'),
  retaining: say('retaining'),
};
