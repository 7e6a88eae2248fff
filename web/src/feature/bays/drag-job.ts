import type { CollisionDetection, KeyboardCoordinateGetter } from '@dnd-kit/core';
import type { JobCard } from '#contract/job.ts';
import { say } from '#contract/wording/say.ts';
import { type DayScale, QUARTER_MS } from './day-scale.ts';

/** The hours of the rule: not a place to drop, but what a hand is measured by. */
export const TRACK_ID = 'track';
export const bayId = (bay: number): string => say('bay {bay}', { bay });
/** The day before, or after. */
export const dayId = (days: -1 | 1): string => say('day {days}', { days });

const BAY = /^bay (\d+)$/;
const DAY = /^day (-?1)$/;

/** Where a job was put: another quarter of an hour and bay, or the same hour of the day before or after. */
export type Put = { plannedStartMs: number; bay: number } | { days: -1 | 1 };

/** By keyboard a job lies where its name is, px from its corner. */
const NAME_PX = 22;

/** Which place a job lies over: what is under the hand; by keyboard, under its name. */
export const overPlace: CollisionDetection = (given) => {
  const { pointerCoordinates: pointer, collisionRect } = given;
  const down = pointer?.y ?? collisionRect.top + NAME_PX;
  const across = pointer?.x ?? collisionRect.left + NAME_PX;
  return given.droppableContainers.flatMap(({ id }) => {
    const rect = given.droppableRects.get(id);
    if (!rect || id === TRACK_ID || down < rect.top || down >= rect.bottom) return [];
    // A button is only what lies under the hand; a bay is as wide as the day.
    if (DAY.test(String(id)) && (across < rect.left || across > rect.right)) return [];
    return [{ id }];
  });
};

/**
 * Where a job would stand.
 *
 * @param over - the place it lies over
 * @param alongPx - how far it was moved along the rule, and how long the rule is
 */
export function putAt(
  job: JobCard,
  over: string | undefined,
  { alongPx, rulePx, scale }: { alongPx: number; rulePx: number; scale: Pick<DayScale, 'fromMs' | 'toMs'> },
): Put | undefined {
  if (over === undefined) return undefined;
  const day = DAY.exec(over);
  if (day) return { days: Number(day[1]) as -1 | 1 };
  const bay = BAY.exec(over);
  if (!bay || rulePx <= 0) return undefined;
  const alongMs = (alongPx / rulePx) * (scale.toMs - scale.fromMs);
  const plannedStartMs = Math.round((job.plannedStartMs + alongMs) / QUARTER_MS) * QUARTER_MS;
  return { plannedStartMs, bay: Number(bay[1]) };
}

/** By keyboard: a quarter of an hour at a time, a bay at a time, and by page to the day before or after. */
export const keyboardPlaces =
  (scale: Pick<DayScale, 'fromMs' | 'toMs'>): KeyboardCoordinateGetter =>
  (event, { currentCoordinates: at, context }) => {
    const { droppableRects, collisionRect, over } = context;
    const rule = droppableRects.get(TRACK_ID);
    const quarterPx = rule ? (rule.width * QUARTER_MS) / (scale.toMs - scale.fromMs) : 20;
    const bay = Number(BAY.exec(String(over?.id ?? ''))?.[1] ?? Number.NaN);
    const onto = (id: string, also?: { x: boolean }) => {
      const rect = droppableRects.get(id);
      if (!rect || !collisionRect) return undefined;
      return {
        x: also?.x ? at.x + rect.left + rect.width / 2 - (collisionRect.left + NAME_PX) : at.x,
        y: at.y + rect.top + rect.height / 2 - (collisionRect.top + NAME_PX),
      };
    };
    const toRow = (id: string) => onto(id);
    const toDay = (id: string) => onto(id, { x: true });
    switch (event.code) {
      case 'ArrowRight':
        return { ...at, x: at.x + quarterPx };
      case 'ArrowLeft':
        return { ...at, x: at.x - quarterPx };
      case 'ArrowDown':
        return Number.isNaN(bay) ? toRow(bayId(1)) : toRow(bayId(bay + 1));
      case 'ArrowUp':
        return toRow(bayId(bay - 1));
      case 'PageDown':
        return toDay(dayId(1));
      case 'PageUp':
        return toDay(dayId(-1));
      default:
        return undefined;
    }
  };
