import type { DriveSize } from '../fastener/drive.ts';
import type { MeasuredQuantity } from '../quantity/doubtful-measure.ts';
import type { Condition } from './condition.ts';
import type { Phase } from './phase.ts';
import type { PrintedSpec } from './printed-spec.ts';

/** What must be true before anything comes off the vehicle. */
export interface Prerequisite {
  id: string;
  text: string;
  kind: 'bore' | 'tyre' | 'companionPart' | 'fluid' | 'alignmentSlot' | 'cooled' | 'machining' | 'other';
  /** Limits, where a figure settles it: the smallest bore, the largest tyre. In the sheet's own unit. */
  unit?: 'mm' | 'in' | '°C' | 'L';
  min?: number;
  max?: number;
  /** Each piece it holds for: every wheel, every rotor, the spare. */
  places?: string[];
  /** Days it takes, so that it is not found out on the morning. */
  daysBefore?: number;
  when?: Condition;
}

/** What a result that is not met comes to: it is put right before the work goes on, or it stands on the record. */
export const MISSES = ['gates', 'deviation'] as const;
export type Miss = (typeof MISSES)[number];

/** What several readings of one check say together. */
export const SYMMETRIES = ['level', 'parallel', 'centred', 'leftRight'] as const;
export type Symmetry = (typeof SYMMETRIES)[number];

/** Measured before strip-down; the result is judged against it. */
export interface Baseline {
  id: string;
  name: string;
  quantity: 'rideHeight' | 'camber' | 'caster' | 'toe' | 'length' | 'gap' | 'play';
  /** Where: `front left`, `rear right`, seen from the driver's seat. */
  places: string[];
  instrument?: string;
  photo?: boolean;
  /** By how much the kit says it changes, in the unit of the quantity. The result is judged against it. */
  change?: { min: number; max: number };
  /** Between what it must stand afterwards, whatever it was before: an absolute limit. */
  after?: { min?: number; max?: number };
  /** How far left and right of one end may stand apart afterwards. */
  sides?: number;
  /** What a result outside the claim comes to; left out, it stands on the record. */
  miss?: Miss;
  when?: Condition;
}

/** A choice that belongs to a person and not to the vehicle, each option with what it brings. */
export interface Choice {
  id: string;
  text: string;
  by: 'owner' | 'fitter';
  options: Array<{ value: string; label: string; consequence: string }>;
  when?: Condition;
}

/** Something that cannot be taken back: a hole, a cut, a bore. The way that can is named first. */
export interface Irreversible {
  id: string;
  text: string;
  reversibleWay?: string;
  when?: Condition;
}

/** A point of the line: a step, a joint group's first pull, the start of a phase, or the close of the job. */
export type Bound = { step: string } | { group: string } | { phase: Phase } | { close: true };

/** Put on for the work and taken away again: tape, plugs, straps, film. */
export interface Temporary {
  id: string;
  name: string;
  goneBefore: Bound;
  /** Stays on until this is done. */
  keptUntil?: Bound;
  when?: Condition;
}

/** A bolt of the vehicle loosened for access, that must be tightened again. */
export interface Neighbour {
  id: string;
  name: string;
  /** How many of it are loosened; left out, one. */
  count?: number;
  /** The vehicle maker's figure, where the sheet gives it. */
  spec?: PrintedSpec;
  when?: Condition;
}

/** Something measured or looked at, with its limits. */
export interface Check {
  id: string;
  text: string;
  /** What is measured: what a reading of it can be hangs on that. */
  quantity?: MeasuredQuantity;
  unit?: 'mm' | 'in' | '°' | 'N·m' | 'kPa' | 'V' | '°C' | 'km';
  min?: number;
  max?: number;
  /** Aimed at, and how far off it may be. */
  target?: number;
  tolerance?: number;
  /** Where it is measured: each place by itself. */
  places?: string[];
  /** Largest difference between any two places. */
  spread?: number;
  /** What the places say together, within the spread; `centred` is half the difference of left and right. */
  symmetry?: Symmetry;
  /** Largest difference between left and right of one end. */
  sides?: number;
  /** Read at both ends of a travel, and judged by the difference: bump steer, free play. */
  travel?: { from: string; to: string };
  /** Shown as it was. */
  photo?: true;
  /** Told in words, too; these are the ones where there is nothing to tell. */
  remarks?: string;
  instrument?: string;
  /** The step to go back to when it is not met. */
  failsTo?: string;
  /** Joint groups that are not torqued before it is met. */
  gates?: string[];
  /** A phase that is not begun before it is met. */
  holds?: Phase;
  /** What a miss comes to; left out, it is put right before the work goes on. */
  miss?: Miss;
  /** What a miss usually means: asked with it. */
  usually?: string;
  when?: Condition;
}

/** A tool the sheet lists: what it grips, or a special by name. */
export interface KitTool {
  id: string;
  name: string;
  drive?: DriveSize;
  /** Pullers, compressors, templates: owned, borrowed or rented, and never improvised. */
  special?: boolean;
  note?: string;
  /** How it is used. */
  use?: string;
  /** What comes of using it wrongly. */
  misuse?: string;
  when?: Condition;
}
