import type { PlanAction, PlanStep } from '../kit/plan.ts';
import type { ThingFinder, ThingTouched } from './same-thing.ts';

/** One action of one step that touches a thing several kits touch. */
export interface Touch extends ThingTouched {
  kit: string;
  step: string;
  action: PlanAction;
  /** Its place in its own kit. */
  at: number;
}

const BEARINGS = ['open', 'close', 'once', 'last'] as const;

export interface Sharing {
  /** Touches of things that are shared, by key. */
  touches: ReadonlyMap<string, Touch[]>;
  /** Kits that open or close a shared thing more than once: their own rhythm cannot be shared. */
  restless: ReadonlySet<string>;
}

/** What the kits share: things that at least two of them touch, each opening and closing them once. */
export function sharing(
  steps: readonly PlanStep[],
  thingOf: ThingFinder,
  split: ReadonlySet<string>,
  apart: ReadonlySet<string>,
): Sharing {
  const found = new Map<string, Touch[]>();
  for (const [at, step] of steps.entries()) {
    if (apart.has(step.kit)) continue;
    for (const action of step.actions) {
      const thing = thingOf(step, action);
      if (!thing || split.has(thing.key)) continue;
      const list = found.get(thing.key) ?? [];
      list.push({ ...thing, kit: step.kit, step: step.id, action, at });
      found.set(thing.key, list);
    }
  }
  const touches = new Map<string, Touch[]>();
  const restless = new Set<string>();
  for (const [key, list] of found) {
    const kits = new Set(list.map(({ kit }) => kit));
    if (kits.size < 2) continue;
    const twice = [...kits].filter((kit) =>
      BEARINGS.some((bearing) => list.filter((touch) => touch.kit === kit && touch.bearing === bearing).length > 1),
    );
    const opens = list.some(({ bearing }) => bearing === 'open');
    // What one kit looks at twice is left to each kit; what it opens twice cannot be held open for another.
    if (twice.length > 0 && !opens) continue;
    touches.set(key, list);
    for (const kit of twice) restless.add(kit);
  }
  return { touches, restless };
}
