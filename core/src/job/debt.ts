import type { Bound } from '../kit/kit-preparation.ts';
import type { Plan } from '../kit/plan.ts';
import { isFastener } from '../refit/reused-joints.ts';
import { comesBack } from '../refit/with-refit.ts';
import type { DebtEnd, DebtKind } from './debt-kind.ts';
import type { JobState } from './job-state.ts';
import type { Stamp } from './stamp.ts';
import { debtState } from './visit-state.ts';

/** What a refit still asks of a person. */
export type RefitAsk = 'torque' | 'newPiece';

/** Something taken off, opened or put on, until it has ended where it must. */
export interface Debt {
  id: string;
  /** Its ids in all kits that share it, `id` among them. */
  ids: string[];
  kind: DebtKind;
  name: string;
  count: number;
  /** Where it must end. */
  end: DebtEnd;
  kits: string[];
  note?: string;
  side?: 'left' | 'right';
  lengthMm?: number;
  movesTo?: string;
  replacedBy?: string;
  /** What a temporary thing must be gone before. */
  goneBefore?: Bound;
  /** Turns a screwed-in thing's wire is wound back by before. */
  turns?: number;
  /** The torque it goes back with, as printed, where the sheet or a person gives one. */
  printed?: string;
  asks: RefitAsk[];
  opened?: Stamp;
  /** Pieces that have ended. */
  ended: number;
  ends: ReturnType<typeof debtState>['ends'];
}

/** Open, and not all of it ended. */
export const isOwed = (debt: Debt): boolean => debt.opened !== undefined && debt.ended < debt.count;

/** Ids that stand for one thing, by each of them. */
function sameThings(plan: Plan): Map<string, Array<{ kit: string; id: string }>> {
  const found = new Map<string, Array<{ kit: string; id: string }>>();
  for (const { what, members } of plan.shared)
    if (what === 'removed' || what === 'disconnect' || what === 'neighbour')
      for (const { id } of members) found.set(`${what} ${id}`, members);
  return found;
}

/** Swung to one side and not taken off: owed by itself, since it may come off too. */
export const asideId = (removed: string): string => `${removed}~aside`;

const swung = new WeakMap<Plan, ReadonlySet<string>>();
function swungAside(plan: Plan): ReadonlySet<string> {
  const known = swung.get(plan);
  if (known) return known;
  const found = new Set(
    plan.steps.flatMap(({ actions }) =>
      actions.flatMap((action) => (action.type === 'swingAside' ? [action.removed] : [])),
    ),
  );
  swung.set(plan, found);
  return found;
}

/** Everything that is or may be owed on this vehicle, in the plan's order; what no sheet speaks of comes last. */
export function debtsOf(plan: Plan, job: JobState): Debt[] {
  const same = sameThings(plan);
  const seen = new Set<string>();
  const make = (
    kind: Exclude<DebtKind, 'other'>,
    entry: { id: string; kit: string },
    rest: Pick<Debt, 'name' | 'count' | 'end'> & Partial<Debt>,
  ): Debt[] => {
    if (seen.has(`${kind} ${entry.id}`)) return [];
    const members = same.get(`${kind} ${entry.id}`) ?? [entry];
    for (const { id } of members) seen.add(`${kind} ${id}`);
    const states = members.map(({ id }) => debtState(job.visit, id));
    // A kit that came later knows nothing of what was done before it: whoever knows most is right.
    const state = states.reduce((most, other) =>
      other.ends.length > most.ends.length || (most.opened === undefined && other.opened !== undefined) ? other : most,
    );
    const debt: Debt = {
      asks: [],
      ...rest,
      id: entry.id,
      ids: members.map(({ id }) => id),
      kits: [...new Set(members.map(({ kit }) => kit))],
      kind,
      opened: state.opened,
      ends: state.ends,
      ended: state.ends.reduce((sum, { count }) => sum + count, 0),
    };
    return [debt];
  };
  const removed = plan.removed.flatMap((thing) => {
    const given = job.visit.figures[thing.id];
    const printed = given?.figure?.printed ?? thing.refitSpec?.printed;
    const back = comesBack(thing.fate);
    const asks: RefitAsk[] = [];
    if (back && isFastener(thing) && printed === undefined && given === undefined) asks.push('torque');
    if (back && thing.singleUse) asks.push('newPiece');
    const { name, count, note, side, lengthMm, movesTo, replacedBy } = thing;
    return make('removed', thing, {
      name,
      count,
      note,
      side,
      lengthMm,
      movesTo,
      replacedBy,
      printed,
      asks,
      end: thing.fate,
    });
  });
  const disconnects = plan.disconnects.flatMap((entry) =>
    make('disconnect', entry, {
      name: entry.name,
      count: entry.count ?? 1,
      end: 'cleared',
      side: entry.side,
      turns: entry.turns,
    }),
  );
  const neighbours = plan.neighbours.flatMap((entry) => {
    const printed = job.visit.figures[entry.id]?.figure?.printed ?? entry.spec?.printed;
    const given = printed !== undefined || job.visit.figures[entry.id] !== undefined;
    return make('neighbour', entry, {
      name: entry.name,
      count: entry.count ?? 1,
      end: 'cleared',
      printed,
      asks: given ? [] : ['torque'],
    });
  });
  const temporary = plan.temporary.flatMap((entry) =>
    make('temporary', entry, { name: entry.name, count: 1, end: 'cleared', goneBefore: entry.goneBefore }),
  );
  const aside = plan.removed.flatMap((thing) =>
    swungAside(plan).has(thing.id)
      ? make(
          'removed',
          { id: asideId(thing.id), kit: thing.kit },
          {
            name: thing.name,
            count: 1,
            end: 'cleared',
            side: thing.side,
          },
        )
      : [],
  );
  const added = Object.entries(job.visit.debts).flatMap(([id, state]): Debt[] => {
    if (!state.added) return [];
    const ended = state.ends.reduce((sum, { count }) => sum + count, 0);
    return [{ ...state.added, id, ids: [id], kits: [], asks: [], opened: state.opened, ends: state.ends, ended }];
  });
  return [...removed, ...aside, ...disconnects, ...neighbours, ...temporary, ...added];
}

/** A debt by any of its ids. */
export const findDebt = (plan: Plan, job: JobState, id: string): Debt | undefined =>
  debtsOf(plan, job).find((debt) => debt.ids.includes(id));
