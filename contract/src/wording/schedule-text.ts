import type { ScheduleFact } from '#core/schedule/explain.ts';
import { say } from './say.ts';

/** A fact of a plan that cannot be, as one says it. */
export function scheduleFactText(fact: ScheduleFact): string {
  switch (fact.kind) {
    case 'atLeast':
      return fact.minMinutes === 0
        ? say('{to} begins after {from} has ended', { to: fact.to, from: fact.from })
        : say('{to} begins at least {minMinutes} min after {from} has ended', {
            to: fact.to,
            minMinutes: fact.minMinutes,
            from: fact.from,
          });
    case 'atMost':
      return say('{to} begins at most {maxMinutes} min after {from} has ended', {
        to: fact.to,
        maxMinutes: fact.maxMinutes,
        from: fact.from,
      });
    case 'capacity':
      return say('there is {capacity} of {resource}', { capacity: fact.capacity, resource: fact.resource });
    case 'windows':
      return say('{resource} is there {windows}', {
        resource: fact.resource,
        windows: fact.windows.map(([from, to]) => say('from {from} to {to} min', { from, to })).join(', '),
      });
    case 'activity': {
      const uses = Object.entries(fact.uses).map(([resource, amount]) =>
        say('{amount} of {resource}', { amount, resource }),
      );
      return say('{id} takes {minutes} min{which}', {
        id: fact.id,
        minutes: fact.minutes,
        which: uses.length > 0 ? say(' and {uses}', { uses: uses.join(', ') }) : '',
      });
    }
  }
}
