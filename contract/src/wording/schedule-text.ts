import type { ScheduleFact } from '#core/schedule/explain.ts';

/** A fact of a plan that cannot be, as one says it. */
export function scheduleFactText(fact: ScheduleFact): string {
  switch (fact.kind) {
    case 'atLeast':
      return fact.minMinutes === 0
        ? `${fact.to} begins after ${fact.from} has ended`
        : `${fact.to} begins at least ${fact.minMinutes} min after ${fact.from} has ended`;
    case 'atMost':
      return `${fact.to} begins at most ${fact.maxMinutes} min after ${fact.from} has ended`;
    case 'capacity':
      return `there is ${fact.capacity} of ${fact.resource}`;
    case 'windows':
      return `${fact.resource} is there ${fact.windows.map(([from, to]) => `from ${from} to ${to} min`).join(', ')}`;
    case 'activity': {
      const uses = Object.entries(fact.uses).map(([resource, amount]) => `${amount} of ${resource}`);
      return `${fact.id} takes ${fact.minutes} min${uses.length > 0 ? ` and ${uses.join(', ')}` : ''}`;
    }
  }
}
