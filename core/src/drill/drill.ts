import type { Answers } from '../kit/condition.ts';
import type { KitDocument } from '../kit/kit-document.ts';
import type { FaultKind } from './fault-kind.ts';

export const DRILL_FORMAT = 'wrenchman-drill';
export const DRILL_VERSION = 1;

/**
 * How much a learner is shown. `guided`: what is felt and seen is said in words; `plain`: the pieces, the sheet and the
 * curve alone; `blank`: order, compound and wrench are laid out by the learner before the line begins.
 */
export const DRILL_MODES = ['guided', 'plain', 'blank'] as const;
export type DrillMode = (typeof DRILL_MODES)[number];

/** A fault at its place: an id of the kit's, by what its kind is put on. */
export interface PlacedFault {
  kind: FaultKind;
  target: string;
}

/** A job to practise on: a kit, what is wrong with it today, and how much is shown. The same seed plays the same. */
export interface Drill {
  format: typeof DRILL_FORMAT;
  version: typeof DRILL_VERSION;
  id: string;
  title: string;
  mode: DrillMode;
  seed: number;
  kit: KitDocument;
  /** All the kit's questions, answered. */
  answers: Answers;
  faults: PlacedFault[];
}

/** A drill of a kit with nothing wrong yet: guided, of the first seed. */
export const soundDrill = (kit: KitDocument, answers: Answers, head: Pick<Drill, 'id' | 'title'>): Drill => ({
  format: DRILL_FORMAT,
  version: DRILL_VERSION,
  ...head,
  mode: 'guided',
  seed: 1,
  kit,
  answers,
  faults: [],
});

export const sameFault = (one: PlacedFault, other: PlacedFault): boolean =>
  one.kind === other.kind && one.target === other.target;

export const faultKey = ({ kind, target }: PlacedFault): string => `${kind} ${target}`;
