import type { Compound } from '../compound/compound.ts';
import type { DriveSize } from '../fastener/drive.ts';
import type { Pattern } from '../tightening/pattern.ts';
import type { Condition } from './condition.ts';
import type { GroupId, ItemId, QuestionId, StationId, StepId } from './ids.ts';
import type { KitLoads } from './kit-loads.ts';
import type {
  Baseline,
  Check,
  Choice,
  Irreversible,
  KitTool,
  Neighbour,
  Prerequisite,
  Temporary,
} from './kit-preparation.ts';
import type { Disconnect, RemovedThing, Step } from './kit-step.ts';
import type { SpacerOn } from './owner-spacer.ts';
import type { BesideWhat, HeadShape, ItemKind, PartOutline, PieceForm } from './piece-kind.ts';
import type { PrintedSpec } from './printed-spec.ts';

/** The file name of the format; `version` rises with every change that older readers could not read. */
export const KIT_FORMAT = 'wrenchman-kit';
export const KIT_VERSION = 7;

/** A fact about the vehicle that may answer a question without asking. */
export type VehicleFact = 'modelYear' | 'buildMonth' | 'engine' | 'drivenWheels' | 'body' | 'gearbox' | 'trim';

export interface Question {
  id: QuestionId;
  text: string;
  /** Where to look when the fitter is not sure. */
  lookAt?: string;
  kind: 'choice' | 'number' | 'yesNo';
  choices?: Array<{ value: string; label: string }>;
  /** Smallest and largest sensible number. */
  min?: number;
  max?: number;
  /** A number that is the thickness of a spacer of the owner's: judged by the stud it goes on. */
  spacer?: SpacerOn;
  /** Filled in from the vehicle when the vehicle knows. */
  from?: VehicleFact;
  /**
   * Answered by the list of what the vehicle already carries: a yes-or-no question by whether it holds this word, a number
   * by the figure beside it, in mm for a length.
   */
  fitted?: string;
  /** Found on the way: asked at this step, and not before the job is opened. */
  askedAt?: StepId;
  /** Each hole or side it is asked at by itself. */
  places?: string[];
  /**
   * What was bought, asked before all else. `side`: an answer of left or right leaves out what the kit has for the other
   * side; `part`: what its answers leave out, conditions say.
   */
  bought?: 'side' | 'part';
}

/** One line of the packing list, or of what comes from the vehicle or the shop. */
export interface Item {
  id: ItemId;
  /** As the sheet numbers it: A1. */
  line: string;
  bag: string;
  kind: ItemKind;
  /** How it is made, within its kind; left out, the plain one. */
  form?: PieceForm;
  /** Of a part: its own outline, where the silhouette of its form is not enough. */
  outline?: PartOutline;
  name: string;
  quantity: number;
  /** Where the quantity depends on the variant: the first that holds. */
  quantities?: Array<{ quantity: number; when?: Condition }>;
  source: 'kit' | 'factory' | 'shop';
  /** Thread as printed: `M10 x 1.5`. Never a drive size. */
  thread?: string;
  lengthMm?: number;
  head?: HeadShape;
  acrossFlatsMm?: number;
  /** Property class or grade: 8.8, 10.9, 10. */
  propertyClass?: string;
  finish?: string;
  outsideMm?: number;
  insideMm?: number;
  thicknessMm?: number;
  /** A nut that grips by itself: a nylon ring, or its own squeezed thread. */
  locking?: 'nylon' | 'allMetal';
  leftHand?: boolean;
  /** Side of the vehicle a handed part belongs to, seen from the driver's seat. */
  side?: 'left' | 'right';
  /** Stamped on the part. */
  mark?: string;
  /** Which way round it goes: `counter-bore up`. */
  facing?: string;
  /** Where that depends on the variant: the first that holds. */
  facings?: Array<{ facing: string; when?: Condition }>;
  /** What of it is held beside the part it replaces, before it goes on. */
  beside?: Array<{
    what: BesideWhat;
    /** New less old, as the sheet has it, mm or degrees; left out, they are to be the same. */
    min?: number;
    max?: number;
  }>;
  /** What a scanner reads on its bag or box, and how many pieces each stands for: a box of 100 is one code. */
  codes?: Array<{ code: string; pieces: number }>;
  /** Carries a number of its own that goes on the record. */
  serial?: boolean;
  /** What is done to it before it goes on: `paint the cut edge`. */
  treatment?: string;
  /** A captured insert, sleeve or nut plate that must be seated in it before it goes on. */
  insert?: string;
  /** Other names the sheet or the trade gives it. */
  aliases?: string[];
  /** The vehicle's own name for where a part goes; two kits that name the same place mean the same spot. */
  place?: string;
  /** The part this one sits on, which must be fitted first. */
  sitsOn?: string;
  /** Pieces the sheet says are left over, per variant. */
  leftover?: Array<{ quantity: number; when?: Condition }>;
  /** How to tell it from its look-alike. */
  tellTale?: string;
  /** A fastener that is stretched or deformed when tightened and must not be used again. */
  singleUse?: boolean;
  /** Parts count as fitted once this group is done; hardware counts by the stacks it stands in. */
  fittedWith?: string;
  when?: Condition;
}

/** One layer of a station, from head to nut. */
export type StackPiece = (
  | { kind: 'hardware'; item: ItemId; facing?: string }
  /** Something clamped: a part of the kit or of the vehicle. */
  | {
      kind: 'clamped';
      name: string;
      thicknessMm: number;
      material?: ClampedMaterial;
      /** The hole the bolt passes through. */
      holeMm?: number;
      slot?: boolean;
      /** The last piece may be the thread itself: its usable depth, and whether the hole is closed. */
      tapped?: { depthMm: number; blind?: boolean };
    }
) & { when?: Condition };

export type ClampedMaterial = 'steel' | 'castIron' | 'aluminium' | 'magnesium' | 'plastic' | 'rubber';

/** What kind of joint it is; rules of the trade hang on it. */
export type JointTag = 'safetyCritical' | 'changesGeometry' | 'rubberBonded' | 'frictionFace' | 'benchFinal' | 'wheel';

export interface Station {
  id: StationId;
  /** Number painted on the map. */
  label: string;
  name: string;
  side?: 'left' | 'right';
  /** The vehicle's own joint, by the name every kit gives it; left out for a joint that only this kit makes. */
  place?: string;
  /** On the group's map, mm. */
  xMm: number;
  yMm: number;
  stack: StackPiece[];
  compound?: string;
  /** The first whose condition holds applies. */
  specs: PrintedSpec[];
  /** Which end is turned. Left out: the nut where there is one. */
  turned?: 'head' | 'nut';
  tags?: JointTag[];
  aliases?: string[];
  /** Takes part only in the last so many tightening rounds of its group; left out, in all. */
  rounds?: number;
  /** The hole the fitter drills for it. */
  drillMm?: number;
  drive: DriveSize;
  holding?: { drive: DriveSize; note?: string };
  note?: string;
  when?: Condition;
}

/** A list of stations is the sheet's own; a pattern is worked out from the positions. */
export type OrderRule = { pattern: Pattern } | { list: string[] };

/** A plain shape behind the stations on the bolt map, mm. */
export type MapShape =
  | {
      kind: 'rect';
      xMm: number;
      yMm: number;
      widthMm: number;
      heightMm: number;
      tone: 'vehicle' | 'part';
      label?: string;
    }
  | { kind: 'polygon'; points: Array<[number, number]>; tone: 'vehicle' | 'part'; label?: string }
  | { kind: 'circle'; xMm: number; yMm: number; radiusMm: number; tone: 'vehicle' | 'part'; label?: string };

/** A group that is finished before a stage of another. */
export interface GroupAfter {
  group: string;
  holds: 'start' | 'snug' | 'torque';
}

/** Where the vehicle must stand for a joint to be torqued, mm hub to arch or as the sheet measures it. */
export interface RideHeight {
  places: string[];
  min?: number;
  max?: number;
}

export interface JointGroup {
  id: GroupId;
  title: string;
  map: { title: string; note: string; widthMm: number; heightMm: number; shapes: MapShape[] };
  /** In the order the sheet lists them. */
  stations: string[];
  /** Three lists, because in practice they differ. Left out: as listed, as listed, least load imbalance. */
  startOrder?: OrderRule;
  snugOrder?: OrderRule;
  torqueOrder?: OrderRule;
  stages?: number[];
  verify?: boolean;
  /** The second look is at these stations alone; left out, at all of them. */
  verifyOnly?: string[];
  /** The second look is by somebody else than who tightened. */
  verifyBy?: 'another';
  /** Where on the vehicle, seen from above: along from 0 at the nose to 1 at the tail, across from -1 left to 1 right. */
  spot?: { along: number; across: number };
  /** Torqued only with the suspension loaded at ride height. */
  atRideHeight?: boolean;
  /** The ride height as a number: measured at these places, mm, before any of it is torqued. */
  rideHeight?: RideHeight;
  /** Groups that must be at torque before this one is started, snugged or torqued. */
  after?: GroupAfter[];
  /** Groups that are all started before any of them is snugged. */
  looseWith?: string[];
  /** Tightened at a visit before: pulled once more at its figure, to see whether anything turns. */
  recheck?: true;
  when?: Condition;
}

export interface Caution {
  id: string;
  text: string;
  /** Shown where this group is worked on; left out, shown for the whole kit. */
  group?: string;
  safetyCritical?: boolean;
  /** What of the vehicle's use it limits; what limits nothing is minded at the work. */
  limits?: LimitKind;
  when?: Condition;
}

/** What a kit may limit of the vehicle once it is on. */
export const LIMIT_KINDS = ['load', 'towing', 'clearance', 'tyre', 'inflation', 'speed', 'other'] as const;
export type LimitKind = (typeof LIMIT_KINDS)[number];

export interface Aftercare {
  id: string;
  text: string;
  about?: 'wheels' | 'joints' | 'alignment' | 'grease' | 'other';
  afterKm?: number;
  afterDays?: number;
  afterHours?: number;
  /** Warmed through and cold again. */
  afterHeatCycles?: number;
  /** `first tow`, `first heat cycle`. */
  event?: string;
  repeats?: boolean;
  when?: Condition;
}

/** A condition the vehicle must meet, in words for whoever it does not fit. */
export interface FitCondition {
  text: string;
  when: Condition;
}

/** A figure of the maker's sheet, cut out of one of its pages. Pictures are named by the hash of their bytes. */
export interface KitFigure {
  id: string;
  name: string;
  /** SHA-256 of the cut-out, in hex. */
  picture: string;
  /** SHA-256 of the whole page it was cut from. */
  page?: string;
}

/** Longest time a sheet can give a whole job, minutes: a week of days and nights. */
export const LONGEST_JOB_MINUTES = 10_000;
/** Longest time anything of a job is waited for, minutes: two weeks. */
export const LONGEST_WAIT_MINUTES = 20_160;

/** A compound of the kit; one used on some variants only leaves its joints dry on the others. */
export type KitCompound = Compound & { when?: Condition };

/** Left and right are seen from the driver's seat throughout. A kit as its maker's sheet describes it, complete enough to be worked from. */
export interface KitDocument {
  format: typeof KIT_FORMAT;
  version: typeof KIT_VERSION;
  id: string;
  revision: number;
  title: string;
  maker: string;
  statedMinutes?: number;
  /** As the sheet says it. */
  difficulty?: string;
  /** Made from the record of a job, to pull its joints again: offered for no other vehicle. */
  again?: { job: string; number: string; care?: string };
  scope?: 'wholeKit' | 'pair' | 'singlePart' | 'finish';
  /** What the sheet says of power tools. Default: run down only. */
  powerTools?: 'runDownOnly' | 'never' | 'free';
  /** Share of the final torque that running a bolt down may take, above 0 up to 1. */
  runDownShare?: number;
  /** The structure must stay located: nothing is opened on one side while the other is. */
  oneSideAtATime?: boolean;
  /** Words the vehicle carries once the kit is on: `air springs`. Later kits ask for them. */
  adds?: string[];
  loads?: KitLoads;
  fits: FitCondition[];
  questions: Question[];
  items: Item[];
  compounds: KitCompound[];
  stations: Station[];
  groups: JointGroup[];
  cautions: Caution[];
  aftercare: Aftercare[];
  prerequisites: Prerequisite[];
  baselines: Baseline[];
  choices: Choice[];
  irreversible: Irreversible[];
  temporary: Temporary[];
  neighbours: Neighbour[];
  removed: RemovedThing[];
  disconnects: Disconnect[];
  checks: Check[];
  /** Tools the sheet lists. What the work needs is worked out from the stations and compared with this. */
  tools: KitTool[];
  steps: Step[];
  /** Figures of the sheet that steps show. */
  figures?: KitFigure[];
}

/** Lists of a kit whose entries are known by their id. */
export const KIT_LISTS = [
  'questions',
  'items',
  'compounds',
  'stations',
  'groups',
  'cautions',
  'aftercare',
  'prerequisites',
  'baselines',
  'choices',
  'irreversible',
  'temporary',
  'neighbours',
  'removed',
  'disconnects',
  'checks',
  'tools',
  'steps',
] as const satisfies ReadonlyArray<keyof KitDocument>;
export type KitList = (typeof KIT_LISTS)[number];
