import type { Compound } from '../compound/compound.ts';
import type { TooWeak } from '../shop/lifting-gear.ts';
import type { TighteningSpec } from '../tightening/kinds.ts';
import type { Pass } from '../tightening/pass-plan.ts';
import type { Pattern } from '../tightening/pattern.ts';
import type { Condition, Reason } from './condition.ts';
import type { HouseRules } from './house-rules.ts';
import type { GroupId, ItemId, KitPrefix, StationId, StepId } from './ids.ts';
import type {
  Aftercare,
  Caution,
  GroupAfter,
  Item,
  JointGroup,
  KitFigure,
  KitList,
  Question,
  Station,
} from './kit-document.ts';
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
import type { Conflict } from './plan-conflict.ts';
import type { FigureBasis, PrintedSpec } from './printed-spec.ts';
import type { SharedWork } from './shared-work.ts';
import type { Acting, StepAction } from './step-action.ts';

/** An entry of a kit that applies, with the kit it comes from and the comparisons that let it in. */
export type Applies<T extends { when?: Condition }> = Omit<T, 'when'> & { kit: string; because: Reason[] };

/** A kit of the visit. Ids of its parts stand in the plan with `prefix` before them; empty for the first. */
export interface PlanKit {
  id: string;
  revision: number;
  title: string;
  maker: string;
  prefix: KitPrefix;
  statedMinutes?: number;
  powerTools: 'runDownOnly' | 'never' | 'free';
  runDownShare?: number;
  oneSideAtATime: boolean;
  adds: string[];
  loads?: KitLoads;
}

/**
 * An action of a step. `undo` is what reverses an action that only words describe; what must hold before anything comes
 * off is asked on the line like the rest, and so is what is found on the way.
 */
export type PlanAction =
  | StepAction
  | ({ type: 'undo'; text: string } & Acting)
  | ({ type: 'prerequisite'; prerequisite: string } & Acting)
  /** What was measured before it came apart, measured once more. */
  | ({ type: 'measureAgain'; baseline: string } & Acting)
  /** What a kit's question asks of the vehicle where it is first seen. */
  | ({ type: 'find'; question: string } & Acting)
  /** What does not go back on is put where it ends: with the owner, or on the scrap. */
  | ({ type: 'settle'; removed: string } & Acting);

/** A step as it is worked: nothing conditional, what another step already did taken out. */
export interface PlanStep extends Omit<Step, 'when' | 'after' | 'actions' | 'needs'> {
  kit: string;
  because: Reason[];
  actions: PlanAction[];
  needs: NonNullable<Step['needs']>;
  /** Steps that must be done before. */
  after: string[];
  /** Steps of the sheets that are done with this one: itself, and those it takes with it. */
  covers: string[];
  /** The sheet says itself what it waits for: nobody may work past that. */
  strict?: true;
  /**
   * Not a step of the sheet: the reverse of a strip step, the vehicle going up or down between two kits, what the sheet
   * lists elsewhere and writes no step for, or what a lead put in.
   */
  made?: 'refit' | 'lift' | 'lower' | 'line' | 'added';
  /** The strip step a refit reverses. */
  undoes?: string;
}

/** A removed thing with the one torque it goes back with, where the sheet gives one. */
export type PlanRemoved = Omit<Applies<RemovedThing>, 'specs'> & {
  refitSpec?: Omit<PrintedSpec, 'when'>;
  /** How often it was tightened in this shop before. */
  usedBefore?: number;
};

/** A packing line with the arithmetic of this vehicle. */
export interface PlanItem extends Omit<Item, 'when' | 'quantities' | 'facings' | 'leftover'> {
  kit: string;
  /** Pieces the sheet says are left over. */
  statedSpare?: number;
  /** Of what is needed, put on by steps of their own and not in stations. */
  putOn: number;
  /** Pieces that stand in stations, or parts that are fitted. */
  needed: number;
  /** Expected on the tray at the end. */
  expectedSpare: number;
}

/** A station with its one specification. */
export interface PlanStation extends Omit<Station, 'when' | 'specs'> {
  kit: string;
  groupId: GroupId;
  spec: TighteningSpec;
  printed: string;
  /** The thread the figure is for, where the sheet says it. */
  basis?: FigureBasis;
  /** The comparisons that chose the specification, empty when the sheet gives only one. */
  specBecause: Reason[];
  /** Its thread is not the one its figure counts on, and a person chose what is aimed at. */
  aimed?: { use: 'asPrinted' | 'sameLoad'; factorFrom?: 'friction' | 'product' | 'house'; factor: number };
  /** The other kit's joint whose figure it is, where this sheet sends to that one. */
  figureFrom?: { kit: string; station: StationId };
  /** Figures of the sheet for other vehicles at this station: shown, so that they are not taken for this one. */
  notThisVehicle?: ReadonlyArray<{ printed: string; spec: TighteningSpec }>;
  /** The second look of its group is not at this one. */
  unverified?: true;
  /** The passes of the group that this station takes part in, by index. */
  passIndexes: number[];
}

export interface PlanGroup
  extends Omit<
    JointGroup,
    'when' | 'startOrder' | 'snugOrder' | 'torqueOrder' | 'stages' | 'verify' | 'verifyOnly' | 'after' | 'looseWith'
  > {
  kit: string;
  startOrder: StationId[];
  snugOrder: StationId[];
  torqueOrder: StationId[];
  /** The pattern behind the torque order; `printed` when the sheet lists it. */
  torquePattern: Pattern | 'printed';
  /** Worst stray of the applied load over the torque order, 0 to 1. */
  loadImbalance: number;
  passes: Pass[];
  after: GroupAfter[];
  looseWith: string[];
  /** Fasteners of the vehicle that go back in: what they are, and the step that puts them there and starts them by hand. */
  again?: { thing: string; step: string };
}

/** Why something of the kit is in the plan or not. */
export interface TraceEntry {
  what: 'spec' | Exclude<KitList, 'questions' | 'compounds'>;
  kit: string;
  id: string;
  /** Name for a person: the line, the station, the printed value. */
  name: string;
  included: boolean;
  because: Reason[];
}

/** One kit or several, resolved for one vehicle: nothing conditional is left in it. */
export interface Plan {
  /** Titles and makers of the kits, joined. */
  title: string;
  maker: string;
  /** The shop's, as the job was opened with them. */
  rules: HouseRules;
  /** What the shop has to hold this vehicle up that is rated for less. */
  tooWeak: TooWeak[];
  kits: PlanKit[];
  /** All that conditions of the kits ask, each place and choice by itself: what `trace` and `because` are read with. */
  questions: Array<Question & { kit: string }>;
  /** What is asked on the way, of what is found there. */
  findings: Array<Question & { kit: string }>;
  items: PlanItem[];
  compounds: Compound[];
  stations: PlanStation[];
  groups: PlanGroup[];
  cautions: Array<Applies<Caution>>;
  aftercare: Array<Applies<Aftercare>>;
  prerequisites: Array<Applies<Prerequisite>>;
  baselines: Array<Applies<Baseline>>;
  choices: Array<Applies<Choice>>;
  irreversible: Array<Applies<Irreversible>>;
  temporary: Array<Applies<Temporary>>;
  neighbours: Array<Applies<Neighbour>>;
  removed: PlanRemoved[];
  disconnects: Array<Applies<Disconnect>>;
  checks: Array<Applies<Check>>;
  tools: Array<Applies<KitTool>>;
  /** Figures of the sheets, for the acts they are pinned to. */
  figures: KitFigure[];
  /** In an order that is legal and wastes least; refits are in it. */
  steps: PlanStep[];
  conflicts: Conflict[];
  /** What two kits ask for and is done once. */
  shared: SharedWork[];
  /** Only what a condition decided, in or out. */
  trace: TraceEntry[];
}

/** The parts of a plan by id, made once per plan. */
export interface PlanIndex {
  items: ReadonlyMap<ItemId, PlanItem>;
  stations: ReadonlyMap<StationId, PlanStation>;
  groups: ReadonlyMap<GroupId, PlanGroup>;
  compounds: ReadonlyMap<string, Compound>;
  kits: ReadonlyMap<string, PlanKit>;
  steps: ReadonlyMap<StepId, PlanStep>;
  /** A group's stations in each of its orders. */
  orders: ReadonlyMap<string, GroupOrders>;
}

export interface GroupOrders {
  listed: readonly PlanStation[];
  start: readonly PlanStation[];
  snug: readonly PlanStation[];
  torque: readonly PlanStation[];
}

/**
 * Which of a station's own passes one of its group's is, from 0: what is turned by an angle takes no part in the shop's stages,
 * and its only pass is its first.
 */
export const ownPass = ({ passIndexes }: Pick<PlanStation, 'passIndexes'>, pass: number): number =>
  passIndexes.includes(pass) ? passIndexes.indexOf(pass) : pass;

const indexes = new WeakMap<Plan, PlanIndex>();

/** Looks the parts of a plan up by id. */
export function indexOf(plan: Plan): PlanIndex {
  const known = indexes.get(plan);
  if (known) return known;
  const byId = <T extends { id: string }>(list: readonly T[]) => new Map(list.map((entry) => [entry.id, entry]));
  const stations = byId(plan.stations);
  const inOrder = (ids: readonly string[]) => ids.flatMap((id) => stations.get(id) ?? []);
  const index = {
    items: byId(plan.items),
    stations,
    groups: byId(plan.groups),
    compounds: byId(plan.compounds),
    kits: byId(plan.kits),
    steps: byId(plan.steps),
    orders: new Map(
      plan.groups.map((group) => [
        group.id,
        {
          listed: inOrder(group.stations),
          start: inOrder(group.startOrder),
          snug: inOrder(group.snugOrder),
          torque: inOrder(group.torqueOrder),
        },
      ]),
    ),
  };
  indexes.set(plan, index);
  return index;
}
