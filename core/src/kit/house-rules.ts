import type { LiftingGear } from '../shop/lifting-gear.ts';
import type { OpeningHours } from '../shop/opening-hours.ts';
import type { PassRule } from '../tightening/pass-plan.ts';
import type { HeldUpBy } from './held-up-by.ts';
import type { Tray } from './tray-layout.ts';

/** Work that is looked at again after a while: it settles, or has warmed through. */
export const AGAIN_KINDS = ['wheels', 'exhaust', 'clamps', 'bushes'] as const;
export type AgainKind = (typeof AGAIN_KINDS)[number];
export type AgainAfterKm = Partial<Record<AgainKind, number>>;

/** What of the floor's rules a person may be let past, by name and with a reason that prints. */
export const BENDABLE = [
  'order',
  'compound',
  'residue',
  'power',
  'wrench',
  'height',
  'steps',
  'waiver',
  'aftercare',
] as const;
export type BendableRule = (typeof BENDABLE)[number];
/** Who bends a rule; the fitter is whoever answers for the work. */
export const BENDERS = ['fitter', 'lead', 'nobody'] as const;
export type Bender = (typeof BENDERS)[number];

/** How a shop works where the trade disagrees and no sheet decides. A job keeps those it was opened with. */
export interface HouseRules extends PassRule {
  /** What lets a vehicle on the road once a locker is on: its handling strength, or its full cure. */
  driveAfter: 'handlingStrength' | 'fullCure';
  /** How the vehicle is held up, as chosen at intake; left out, the line asks at the first lift. */
  heldUpBy?: HeldUpBy;
  /** Rising shares of the final torque for a group with a gasket in it, where its kit prints none; left out, as any other. */
  gasketStages?: readonly number[];
  /** Whether a joint without a figure may be tightened by feel. */
  byFeel: boolean;
  /** Whether one may be tightened to what the bench works out, or to what another kit prints. */
  estimates: boolean;
  otherKits: boolean;
  /** Who may tighten to less than a joint's own figure: by feel, by an estimate, by another kit's. */
  figuresBy: 'fitter' | 'lead';
  /** Threads smaller than this are run down by hand, mm. */
  powerFromMm: number;
  /** Whether a driver may seat the head where a kit leaves power tools free, or is let off before it in any case. */
  powerSeats: boolean;
  /** Who may bend a rule; a rule left out, a lead, and nobody lets old locker stay. */
  bentBy?: Partial<Record<BendableRule, Bender>>;
  /** When what was worked on is looked at again though no sheet says so, km; left out, the usual. */
  againAfterKm?: AgainAfterKm;
  /** Who aligns the wheels; left out, it is not said. */
  aligner?: 'ownRack' | 'sentOut';
  /** How far the vehicle may be driven until it is aligned, km; left out, before long drives. */
  untilAlignedKm?: number;
  /** How often a vehicle's bolt goes back in where nobody says how often it may; with the next it is a new one. */
  boltUses: number;
  /** Accepted deviation each way of a figure that is printed bare, as a fraction of it; left out, the usual. */
  bareTolerance?: number;
  /** Share of a figure made for a dry thread that the shop uses on anti-seize; left out, none of its own. */
  antiSeizeShare?: number;
  /** Share of the final torque that running a bolt down may take where its kit does not say; left out, the usual. */
  runDownShare?: number;
  /**
   * Whether a bolt of the vehicle that goes back in is pulled with a wrench like any other, and what was measured before
   * is measured again, or whether both are only told: jobs opened before that was asked have nothing else on record.
   */
  proof: 'measured' | 'told';
  /**
   * When the battery comes off before a plug is pulled though no sheet says so: for restraints, controlled dampers and
   * plugs a control unit watches; for any plug; or as the kit says alone, as in jobs opened before it was asked.
   */
  batteryOff: 'watched' | 'anyPlug' | 'asKit';
  /**
   * What is tried out before the vehicle goes back: what a kit touches says so beside its sheet, or its sheet alone, as
   * in jobs opened before it was asked.
   */
  functionTests: 'touched' | 'asKit';
  /** What somebody looks at again before a job is signed: nothing of its own, where lives hang on it, or everything. */
  secondLook: 'none' | 'critical' | 'all';
  /** Who looks: another person, or after a break the same one too. */
  secondLookBy: 'another' | 'afterBreak';
  /** Who makes the final pull of a joint lives hang on: an apprentice too, or one who has shown in practice what a pull feels like. Left out, an apprentice too. */
  apprenticePulls?: 'practised';
  /** What somebody reads who never chose; left out, metric. Every figure shows both. */
  units?: 'metric' | 'inch';
  /** When the shop is open; left out, it is not said. */
  hours?: OpeningHours;
  /** What vehicles are raised with and held up on, by what it bears; left out, it is not said. */
  lifting?: readonly LiftingGear[];
  /** The sorting trays hardware is laid out in; left out, one of the usual size. */
  trays?: readonly Tray[];
  /**
   * How dates and the clock are written: month first with a twelve-hour clock, year first; left out, day first on screens
   * and year first on paper, with twenty-four hours.
   */
  dates?: 'monthFirst' | 'yearFirst';
  /** IANA name of the shop's time zone: what times on cards, records and screens are told in; left out, UTC. */
  timeZone?: string;
}

/** What holds where a shop says nothing: common practice, no source. */
export const USUAL_RULES: HouseRules = {
  driveAfter: 'handlingStrength',
  byFeel: true,
  estimates: true,
  otherKits: true,
  figuresBy: 'fitter',
  // A quarter inch and M6 are the smallest that survive a driver that is let off in time.
  powerFromMm: 6,
  powerSeats: true,
  boltUses: 2,
  proof: 'told',
  batteryOff: 'asKit',
  functionTests: 'asKit',
  secondLook: 'none',
  secondLookBy: 'another',
};

/** What every job is opened with from now on where the shop says nothing else. */
export const OPENED_NOW = {
  proof: 'measured',
  batteryOff: 'watched',
  functionTests: 'touched',
  leastStageNm: 5,
} as const satisfies Partial<HouseRules>;

/** The rules of a shop, those it never set filled in. */
export function houseRules(own: Partial<HouseRules> = {}): HouseRules {
  return {
    stages: own.stages,
    verify: own.verify,
    leastStageNm: own.leastStageNm,
    driveAfter: own.driveAfter ?? USUAL_RULES.driveAfter,
    heldUpBy: own.heldUpBy,
    gasketStages: own.gasketStages,
    byFeel: own.byFeel ?? USUAL_RULES.byFeel,
    estimates: own.estimates ?? USUAL_RULES.estimates,
    otherKits: own.otherKits ?? USUAL_RULES.otherKits,
    figuresBy: own.figuresBy ?? USUAL_RULES.figuresBy,
    powerFromMm: own.powerFromMm ?? USUAL_RULES.powerFromMm,
    powerSeats: own.powerSeats ?? USUAL_RULES.powerSeats,
    bentBy: own.bentBy,
    againAfterKm: own.againAfterKm,
    aligner: own.aligner,
    untilAlignedKm: own.untilAlignedKm,
    boltUses: own.boltUses ?? USUAL_RULES.boltUses,
    bareTolerance: own.bareTolerance,
    antiSeizeShare: own.antiSeizeShare,
    runDownShare: own.runDownShare,
    proof: own.proof ?? USUAL_RULES.proof,
    secondLook: own.secondLook ?? USUAL_RULES.secondLook,
    secondLookBy: own.secondLookBy ?? USUAL_RULES.secondLookBy,
    apprenticePulls: own.apprenticePulls,
    batteryOff: own.batteryOff ?? USUAL_RULES.batteryOff,
    functionTests: own.functionTests ?? USUAL_RULES.functionTests,
    timeZone: own.timeZone,
    dates: own.dates,
    units: own.units,
    hours: own.hours,
    lifting: own.lifting,
    trays: own.trays,
  };
}
