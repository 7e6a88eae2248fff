import type { Eccentric } from '../geometry/eccentric.ts';

/** A way of doing an act. A wrong one stands there with what it breaks, so that it is not found out on the vehicle. */
export interface Method {
  name: string;
  right: boolean;
  /** Why it is the right one, or what the wrong one breaks. */
  why: string;
}

/** What any action may say beside its own data. */
export interface Acting {
  methods?: Method[];
  /** Cautions to be read here, by id; left out, none of the kit's belongs to this act alone. */
  cautions?: string[];
  /** A figure of the sheet, pinned here by the id of its picture. */
  figure?: string;
}

export const COMPARE_POINTS = ['length', 'holes', 'angle', 'thickness', 'direction'] as const;
export type ComparePoint = (typeof COMPARE_POINTS)[number];

/** Who or what keeps a joint, a hub or an engine from turning. */
export const HOLD_BY = ['counterHold', 'helperPedal', 'handBrake', 'tyreContact', 'bar'] as const;
export type HoldBy = (typeof HOLD_BY)[number];

/** Which thread of a joint a compound goes on. */
export const THREAD_ENDS = ['bolt', 'nut', 'studInner', 'studOuter', 'hole'] as const;
export type ThreadEnd = (typeof THREAD_ENDS)[number];

/** What a running clock keeps shut. */
export const CLOCK_GATES = ['torque', 'wheelsOn', 'drive', 'tow'] as const;
export type ClockGate = (typeof CLOCK_GATES)[number];

type Body =
  // Take off
  /** Loosened where it sits, or backed off to the end of its thread: the nut stays on to take the blows. */
  | { type: 'slacken'; removed: string; to: 'inPlace' | 'threadEnd' }
  | { type: 'remove'; removed: string }
  | { type: 'refit'; removed: string; count?: number }
  | { type: 'swingAside' | 'swingBack'; removed: string }
  /** Held up before its last fastener comes out. */
  | { type: 'support'; removed: string; with?: string }
  /** The new part beside the old one. */
  | { type: 'compare'; removed: string; item: string; points: ComparePoint[] }
  /** From the old part to the new one, with its seal and the right way round. */
  | { type: 'moveOver'; removed: string; facing?: string; seal?: string }
  // Open and close
  | { type: 'disconnect' | 'reconnect'; disconnect: string }
  /** Turned back before it is screwed in with its wire on. */
  | { type: 'windBack'; disconnect: string }
  | { type: 'loosen' | 'retighten'; neighbour: string }
  | { type: 'putOn' | 'clear'; temporary: string }
  /** Something of the vehicle goes on for the time being and comes off again. */
  | { type: 'refitForNow'; temporary: string }
  // How the vehicle stands
  /** The end named is raised; left out, the whole vehicle. */
  | { type: 'lift' | 'lower'; end?: 'front' | 'rear' | 'whole' }
  // Prepare
  | { type: 'clean' | 'dry'; places: string[]; with?: string }
  /** A thread chased with a tool of its own size. */
  | { type: 'chase'; places: string[]; thread: string }
  | { type: 'soak'; places: string[]; minutes: number; with?: string }
  | { type: 'coolDown'; what: string; minutes?: number; belowC?: number }
  | { type: 'warmUp'; what: string; minutes?: number; aboveC?: number }
  | { type: 'measure'; baseline: string }
  | { type: 'check' | 'test'; check: string }
  | {
      type: 'drill';
      diameterMm: number;
      /** As the drill is called, where it is not a millimetre size: `29/64 in`, `letter F`. */
      size?: string;
      station?: string;
      template?: string;
      pilotMm?: number;
      /** Least distance from the hole's centre to the edge, mm. */
      edgeMm?: number;
      /** What the bare metal is treated with. */
      treatWith?: string;
    }
  | { type: 'ream'; what: string; diameterMm: number }
  | { type: 'cut' | 'bend'; what: string; irreversible?: string }
  | { type: 'decide'; irreversible: string }
  | { type: 'choose'; choice: string }
  // On the thread
  | { type: 'apply'; compound: string; group?: string; end?: ThreadEnd; zone?: string }
  | { type: 'leaveDry'; group: string }
  // Fit
  | { type: 'fit'; item: string }
  | { type: 'buildStack'; station: string }
  /** `measureFit`: bore and bush are measured, and what they make names the way in. */
  | { type: 'press'; item: string; into?: string; minMm?: number; maxMm?: number; measureFit?: true }
  | {
      type: 'preset';
      what: string;
      places: string[];
      /** The length wanted; left out, the baseline's. */
      lengthMm?: number;
      baseline?: string;
      pitchMm: number;
      movingEnds: 1 | 2;
      /** An end with left-hand thread. */
      leftHand?: boolean;
      /** Thread that must stay in mesh at each end, mm. */
      inMeshMm: number;
      /** Longest the part may be made, mm. */
      longestMm?: number;
    }
  /** Gaps are measured at two to four places, and the shims of the bag chosen for them. */
  | {
      type: 'shim';
      what: string;
      places: string[];
      /** Packing lines with the shims, each with its thickness. */
      shims: string[];
      /** A spacer that goes in at every place beside them, mm. */
      spacerMm?: number;
      /** How far the gaps may lie apart before the part is not shimmed but looked at, mm. */
      spreadMm?: number;
      /** How much of a gap may stay open, mm. */
      openMm: number;
    }
  /** Turned or set until a check is met: read, turned, read again. With an eccentric its maker's authority tells which way and how far. */
  | {
      type: 'align';
      check: string;
      /** Change with the lobe a quarter turn from neutral, °; left out, it is no eccentric. */
      authorityDeg?: number;
      /** What the top of the wheel does with the lobe outwards. */
      lobeOut?: Eccentric['lobeOut'];
      /** Where the sheet lets the lobe start: from neutral, outwards above 0. */
      startDeg?: number;
    }
  // Tighten
  | { type: 'start' | 'snug' | 'torque' | 'verify'; group: string }
  | { type: 'hold'; group: string; by: HoldBy; with?: string; say?: string; otherwise?: string }
  // Fill
  | { type: 'grease' | 'bleed'; places: string[]; with?: string }
  | { type: 'fill'; what: string; with?: string; amount?: number; unit?: 'L' | 'mL' | 'kg' | 'g' }
  // Wait and go on
  | { type: 'wait'; minutes: number; gates?: ClockGate[] }
  /** Another kit's document goes on from here. */
  | { type: 'followKit'; kit: string; part?: string }
  /** Something that no other action says. */
  | { type: 'do'; text: string };

/** One action of a step; what it acts on is named by id where the kit has it. */
export type StepAction = Body & Acting;

/** The check an action reads, if it reads one. */
export const checkRead = (action: { type: string }): string | undefined =>
  action.type === 'check' || action.type === 'test' || action.type === 'align'
    ? (action as Extract<StepAction, { check: string }>).check
    : undefined;

/** The actions that bring a joint group's stations on. */
export const JOINT_ACTIONS = ['start', 'snug', 'torque', 'verify'] as const;
export type JointAction = (typeof JOINT_ACTIONS)[number];
