import type { Condition } from './condition.ts';
import type { StepId, ThingId } from './ids.ts';
import type { Phase } from './phase.ts';
import type { PrintedSpec } from './printed-spec.ts';

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
  side?: 'left' | 'right';
  place?: string;
  /** Turns a thing is screwed in with its wire on: the wire is wound back by as many before. */
  turns?: number;
  when?: Condition;
}

/** One action of a step; what it acts on is named by id where the kit has it. */
export type StepAction =
  | { type: 'remove'; removed: string }
  | { type: 'refit'; removed: string; count?: number }
  | { type: 'disconnect' | 'reconnect'; disconnect: string }
  /** A part or piece of the packing list goes on. */
  | { type: 'fit'; item: string }
  | { type: 'start' | 'snug' | 'torque' | 'verify'; group: string }
  | { type: 'apply'; compound: string }
  | { type: 'drill'; diameterMm: number; station?: string }
  | { type: 'measure'; baseline: string }
  | { type: 'check'; check: string }
  /** The end named is raised; left out, the whole vehicle. */
  | { type: 'lift' | 'lower'; end?: 'front' | 'rear' | 'whole' }
  | { type: 'wait'; minutes: number }
  | { type: 'loosen'; neighbour: string }
  | { type: 'retighten'; neighbour: string }
  | { type: 'clear'; temporary: string }
  | { type: 'decide'; irreversible: string }
  /** Another kit's document goes on from here. */
  | { type: 'followKit'; kit: string; part?: string }
  /** Something that no other action says. */
  | { type: 'do'; text: string };

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
  /** Steps that must be done before this one; left out, the step before it in the list. */
  after?: string[];
  when?: Condition;
}
