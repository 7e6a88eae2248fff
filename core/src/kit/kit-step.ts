import type { Condition } from './condition.ts';
import type { StepId, ThingId } from './ids.ts';
import type { Phase } from './phase.ts';
import type { PrintedSpec } from './printed-spec.ts';
import type { StepAction } from './step-action.ts';

/** What keeps a thing in its place besides its fasteners. */
export const HELD_BY = ['taper', 'pressFit', 'lockerMedium', 'lockerHigh'] as const;
export type HeldBy = (typeof HELD_BY)[number];

/** Where a removed thing must end. */
export type Fate = 'refit' | 'transfer' | 'keep' | 'scrap';

/** Something that comes off the vehicle and is owed an end. */
export interface RemovedThing {
  id: ThingId;
  name: string;
  count: number;
  fate: Fate;
  /** Where it sat, so that the long bolt goes back to the long bolt's hole. */
  note?: string;
  /** What it is. A bolt or nut that goes back owes a torque. */
  kind?: 'bolt' | 'nut' | 'clip' | 'part';
  thread?: string;
  lengthMm?: number;
  side?: 'left' | 'right';
  /** The vehicle's own name for it; two kits that name the same place mean the same thing. */
  place?: string;
  /** Must not be used again: a new one goes in, `replacedBy` of the packing list where the kit has it. */
  singleUse?: boolean;
  replacedBy?: string;
  /** Nobody knows whether it may be used again: the line asks, and counts the uses. */
  reuseUnknown?: boolean;
  /** What holds it up before its last fastener comes out: `transmission jack`. */
  support?: string;
  /** What keeps it in its place besides its fasteners; the trade's ways of getting it out are asked. */
  heldBy?: HeldBy;
  /** What it must not be left hanging on: `the brake hose`. */
  hangs?: string;
  /** What a transferred thing is moved to. */
  movesTo?: string;
  /** The torque it goes back with; the first whose condition holds. Left out, the vehicle maker's is asked for. */
  specs?: PrintedSpec[];
  when?: Condition;
}

/** Something opened that must be closed again. */
export interface Disconnect {
  id: ThingId;
  name: string;
  kind: 'connector' | 'hose' | 'cable' | 'sensor' | 'clip' | 'line' | 'cover' | 'plug' | 'other';
  /** How many there are of it. */
  count?: number;
  /** Could be swapped with its like: tagged by side and place when it is opened, and the tag read back. */
  tag?: boolean;
  /** Not used again: its end is sealed and tied up. */
  retires?: boolean;
  side?: 'left' | 'right';
  place?: string;
  /** Turns a thing is screwed in with its wire on: the wire is wound back by as many before. */
  turns?: number;
  when?: Condition;
}

export type StepNeed = 'lift' | 'stands' | 'jack' | 'helper' | 'rideHeight' | 'wheelsOff';

export interface Step {
  id: StepId;
  /** As the sheet numbers it. */
  number?: string;
  text: string;
  phase: Phase;
  actions: StepAction[];
  minutes?: number;
  /** Hands needed, the fitter included. */
  people?: number;
  needs?: StepNeed[];
  /** The side of the vehicle it is worked on. */
  side?: 'left' | 'right';
  /** Steps that must be done before this one; left out, the step before it in the list. */
  after?: string[];
  when?: Condition;
}
