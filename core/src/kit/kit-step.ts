import type { Condition } from './condition.ts';

/** Where in the job a step stands. */
export type Phase = 'prepare' | 'strip' | 'fitLoose' | 'align' | 'torque' | 'cure' | 'closeOut';

/** Where a removed thing must end. */
export type Fate = 'refit' | 'transfer' | 'keep' | 'scrap';

/** Something that comes off the vehicle and is owed an end. */
export interface RemovedThing {
  id: string;
  name: string;
  count: number;
  fate: Fate;
  /** Where it sat, so that the long bolt goes back to the long bolt's hole. */
  note?: string;
  when?: Condition;
}

/** Something opened that must be closed again. */
export interface Disconnect {
  id: string;
  name: string;
  kind: 'connector' | 'hose' | 'cable' | 'sensor' | 'clip' | 'line' | 'cover' | 'plug' | 'other';
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
  | { type: 'lift' | 'lower' }
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
  id: string;
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
