import type { DriveSize } from '../fastener/drive.ts';
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
  unit?: 'mm' | 'in' | '°' | 'N·m' | 'kPa' | 'V' | '°C';
  min?: number;
  max?: number;
  /** Where it is measured: each place by itself. */
  places?: string[];
  /** Largest difference between any two places. */
  spread?: number;
  instrument?: string;
  /** The step to go back to when it is not met. */
  failsTo?: string;
  /** Joint groups that are not torqued before it is met. */
  gates?: string[];
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
