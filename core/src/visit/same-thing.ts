import type { PlanAction, PlanStep } from '../kit/plan.ts';
import type { SharedWork } from '../kit/shared-work.ts';
import { plainWord } from '../kit/vehicle-facts.ts';

/** How an action bears on a thing: opens it, closes it, is needed once at the start, or once at the end. */
export type Bearing = 'open' | 'close' | 'once' | 'last';

export interface ThingTouched {
  key: string;
  bearing: Bearing;
  what: SharedWork['what'];
  id: string;
  name: string;
  by: SharedWork['by'];
}

/** `lower arm bolt, left`: what there is one of on each side is told apart. */
export const withSide = (name: string, side: 'left' | 'right' | undefined): string =>
  side === undefined || name.toLowerCase().includes(side) ? name : `${name}, ${side}`;

interface Named {
  name: string;
  side?: 'left' | 'right';
  place?: string;
}

/** By its place on the vehicle where the kit names one; else by its name, its side, and how many there are. */
function keyOf(what: string, thing: Named, more: string): { key: string; by: SharedWork['by'] } {
  if (thing.place !== undefined)
    return { key: `${what}@${plainWord(thing.place)}${thing.side ? ` ${thing.side}` : ''}`, by: 'place' };
  return { key: `${what}:${plainWord(thing.name)}${thing.side ? ` ${thing.side}` : ''}${more}`, by: 'name' };
}

export const stationKey = (place: string, side?: 'left' | 'right'): string =>
  keyOf('station', { name: place, place, side }, '').key;

/** The lists of a plan that actions name things from, by id. */
export interface ThingLists {
  removed: ReadonlyMap<string, Named & { count: number }>;
  disconnects: ReadonlyMap<string, Named & { kind: string }>;
  neighbours: ReadonlyMap<string, { name: string }>;
  baselines: ReadonlyMap<string, { name: string; quantity: string; places: string[] }>;
  checks: ReadonlyMap<string, { text: string; unit?: string; min?: number; max?: number }>;
}

/** Finds what an action of a step touches that another kit may touch too; undefined for work that is a kit's own. */
export type ThingFinder = (step: PlanStep, action: PlanAction) => ThingTouched | undefined;

/** A finder that looks at each action once: the same question is asked by the conflicts and by the order of the steps. */
export function thingFinder(lists: ThingLists): ThingFinder {
  const known = new Map<PlanAction, ThingTouched | undefined>();
  return (step, action) => {
    if (known.has(action)) return known.get(action);
    const found = thingTouched(step, action, lists);
    known.set(action, found);
    return found;
  };
}

function thingTouched(step: PlanStep, action: PlanAction, lists: ThingLists): ThingTouched | undefined {
  switch (action.type) {
    case 'remove':
    case 'refit': {
      const thing = lists.removed.get(action.removed);
      if (!thing) return undefined;
      const bearing = action.type === 'remove' ? 'open' : 'close';
      const key = keyOf('removed', thing, `×${thing.count}`);
      return { ...key, bearing, what: 'removed', id: action.removed, name: withSide(thing.name, thing.side) };
    }
    case 'disconnect':
    case 'reconnect': {
      const thing = lists.disconnects.get(action.disconnect);
      if (!thing) return undefined;
      const bearing = action.type === 'disconnect' ? 'open' : 'close';
      return {
        ...keyOf(`disconnect ${thing.kind}`, thing, ''),
        bearing,
        what: 'disconnect',
        id: action.disconnect,
        name: withSide(thing.name, thing.side),
      };
    }
    case 'loosen':
    case 'retighten': {
      const thing = lists.neighbours.get(action.neighbour);
      if (!thing) return undefined;
      const bearing = action.type === 'loosen' ? 'open' : 'close';
      return { ...keyOf('neighbour', thing, ''), bearing, what: 'neighbour', id: action.neighbour, name: thing.name };
    }
    case 'measure': {
      const thing = lists.baselines.get(action.baseline);
      if (!thing) return undefined;
      const places = thing.places.map(plainWord).sort().join(',');
      const key = keyOf('baseline', thing, ` ${thing.quantity} ${places}`);
      return { ...key, bearing: 'once', what: 'baseline', id: action.baseline, name: thing.name };
    }
    case 'check':
    case 'align':
    case 'test': {
      const thing = lists.checks.get(action.check);
      // Looked at while fitting, a check belongs to the part just fitted.
      if (!thing || step.phase === 'prepare' || step.phase === 'strip' || step.phase === 'loose') return undefined;
      const limits = ` ${thing.unit ?? ''} ${thing.min ?? ''} ${thing.max ?? ''}`;
      const key = keyOf('check', { name: thing.text }, limits);
      return { ...key, bearing: 'last', what: 'check', id: action.check, name: thing.text };
    }
    case 'do':
    case 'undo': {
      const opening = action.type === 'do' && (step.phase === 'prepare' || step.phase === 'strip');
      const closing = action.type === 'undo' || step.phase === 'refit' || step.phase === 'prove';
      if (!opening && !closing) return undefined;
      const undoing = action.type === 'undo' || step.phase === 'strip';
      return {
        ...keyOf(undoing ? 'word' : `word ${step.phase}`, { name: action.text }, ''),
        bearing: action.type === 'undo' ? 'close' : opening ? (step.phase === 'strip' ? 'open' : 'once') : 'last',
        what: 'word',
        id: step.id,
        name: action.text,
      };
    }
    default:
      return undefined;
  }
}
