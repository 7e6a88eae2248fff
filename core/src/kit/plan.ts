import type { Compound } from '../compound/compound.ts';
import type { Pass } from '../tightening/pass-plan.ts';
import type { Pattern } from '../tightening/pattern.ts';
import type { TighteningSpec } from '../tightening/tightening-spec.ts';
import type { Reason } from './condition.ts';
import type { Aftercare, Caution, Item, JointGroup, Station } from './kit-document.ts';

/** A packing line with the arithmetic of this vehicle. */
export interface PlanItem extends Omit<Item, 'when'> {
  /** Pieces that stand in stations, or parts that are fitted. */
  needed: number;
  /** Expected on the tray at the end. */
  expectedSpare: number;
}

/** A station with its one specification. */
export interface PlanStation extends Omit<Station, 'when' | 'specs'> {
  groupId: string;
  spec: TighteningSpec;
  printed: string;
  /** The comparisons that chose the specification, empty when the sheet gives only one. */
  specBecause: Reason[];
  /** The passes of the group that this station takes part in, by index. */
  passIndexes: number[];
}

export interface PlanGroup
  extends Omit<JointGroup, 'when' | 'startOrder' | 'snugOrder' | 'torqueOrder' | 'stages' | 'verify' | 'after'> {
  startOrder: string[];
  snugOrder: string[];
  torqueOrder: string[];
  /** The pattern behind the torque order; `printed` when the sheet lists it. */
  torquePattern: Pattern | 'printed';
  /** Worst stray of the applied load over the torque order, 0 to 1. */
  loadImbalance: number;
  passes: Pass[];
  after: string[];
}

/** Why something of the kit is in the plan or not. */
export interface TraceEntry {
  what: 'item' | 'station' | 'spec' | 'group' | 'caution' | 'aftercare';
  id: string;
  /** Name for a person: the line, the station, the printed value. */
  name: string;
  included: boolean;
  because: Reason[];
}

/** The kit resolved for one vehicle: nothing conditional is left in it. */
export interface Plan {
  kitId: string;
  kitRevision: number;
  title: string;
  maker: string;
  statedMinutes?: number;
  powerTools: 'runDownOnly' | 'never' | 'free';
  items: PlanItem[];
  compounds: Compound[];
  stations: PlanStation[];
  groups: PlanGroup[];
  cautions: Caution[];
  aftercare: Aftercare[];
  /** Only what a condition decided, in or out. */
  trace: TraceEntry[];
}

/** The parts of a plan by id, made once per plan. */
export interface PlanIndex {
  items: ReadonlyMap<string, PlanItem>;
  stations: ReadonlyMap<string, PlanStation>;
  groups: ReadonlyMap<string, PlanGroup>;
  compounds: ReadonlyMap<string, Compound>;
  /** A group's stations in each of its orders. */
  orders: ReadonlyMap<string, GroupOrders>;
}

export interface GroupOrders {
  listed: readonly PlanStation[];
  start: readonly PlanStation[];
  snug: readonly PlanStation[];
  torque: readonly PlanStation[];
}

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
