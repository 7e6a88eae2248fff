import type { JobState } from '#core/job/job-state.ts';
import { piecePlaces } from '#core/job/piece-places.ts';
import type { Plan } from '#core/kit/plan.ts';
import { say } from './wording/say.ts';

/** Lines of pieces that the bag's label has room for. */
const BAG_LINES = 5;

/** What is in the bag that goes with the owner, line by line, as its label says it. */
export function ownersBagLines(plan: Plan, state: JobState): string[] {
  const places = piecePlaces(plan, state);
  const inIt = plan.items.flatMap((item) => {
    const pieces = (places.get(item.id) ?? []).reduce(
      (sum, place) =>
        sum + (place.where === 'ownersBag' || (place.where === 'tray' && state.closed) ? place.pieces : 0),
      0,
    );
    return pieces > 0 ? [`${pieces} × ${item.name}`] : [];
  });
  const more = inIt.length - BAG_LINES;
  const told = more > 0 ? [...inIt.slice(0, BAG_LINES - 1), say('and {more} lines more', { more: more + 1 })] : inIt;
  return told.length > 0 ? told : [say('Nothing is left over.')];
}
