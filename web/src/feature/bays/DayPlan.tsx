import {
  type Announcements,
  DndContext,
  type DragEndEvent,
  type DragMoveEvent,
  DragOverlay,
  KeyboardSensor,
  PointerSensor,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { type ReactNode, useRef, useState } from 'react';
import type { JobCard } from '#contract/job.ts';
import { slotClashes } from '#contract/slot-clash.ts';
import { say } from '#contract/wording/say.ts';
import { clashText } from '#contract/wording/slot-text.ts';
import { useSession } from '../../shop/session.ts';
import { shopDayStart, shopFormat } from '../../shop/shop-time.ts';
import { Button } from '../../ui/Button.tsx';
import { dragInstructions } from '../../ui/drag-words.ts';
import type { JobPart } from '../plan/PlannedBar.tsx';
import type { DayPerson, DayStep } from '../plan/people-lane.ts';
import { DayRule } from './DayRule.tsx';
import { type DayScale, type Extent, MINUTE_MS } from './day-scale.ts';
import { dayId, keyboardPlaces, overPlace, type Put, putAt } from './drag-job.ts';
import { legalPlace, type Snapped, type Standing } from './legal-place.ts';

/** Where a job stands, or would. */
export interface Place {
  bay: number;
  plannedStartMs: number;
}

/** A day of the shop: its jobs on the rule, to be taken by their handle to another time, bay or day. */
export function DayPlan({
  jobs,
  bays,
  scale,
  nowMs,
  movable,
  nameOf,
  heading,
  onDay,
  onMove,
  extentOf,
  partOf,
  people,
  standing,
  open,
  agenda,
  children,
}: {
  jobs: readonly JobCard[];
  bays: number;
  scale: DayScale;
  nowMs: number;
  movable: boolean;
  /** What a person is called, by id. */
  nameOf: (person: string) => string;
  heading: ReactNode;
  onDay: (days: -1 | 1) => void;
  onMove: (job: JobCard, to: Place) => void;
  extentOf: (job: JobCard) => Extent;
  partOf: (job: string) => JobPart | undefined;
  people?: { list: readonly DayPerson[]; steps: readonly DayStep[] };
  /** Jobs in their bays by the plan: a job that is put snaps to what is free between them. */
  standing: readonly Standing[];
  /** When the shop is open, Unix ms. */
  open: ReadonlyArray<readonly [number, number]>;
  /** The same day as a list, where there is no room for a rule. */
  agenda?: ReactNode;
  /** What stands between the day's name and its rule. */
  children: ReactNode;
}) {
  const clock = useSession((state) => state.session?.shop.rules);
  const [held, setHeld] = useState<{ job: JobCard; put?: Put; snapped?: Snapped }>();
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: keyboardPlaces(scale) }),
  );
  const track = useRef<HTMLElement>(null);
  const putOf = ({ over, delta }: DragMoveEvent | DragEndEvent, job: JobCard): { put?: Put; snapped?: Snapped } => {
    const put = putAt(job, over ? String(over.id) : undefined, {
      alongPx: delta.x,
      rulePx: track.current?.offsetWidth ?? 0,
      scale,
    });
    const { startMs, endMs } = extentOf(job);
    return put ? legalPlace(put, { id: job.id, lengthMs: endMs - startMs }, standing, open) : {};
  };
  const placeOf = (job: JobCard, put: Put): Place =>
    'days' in put
      ? {
          bay: job.bay,
          // The same hour of that day, also where the clock is put forward between them.
          plannedStartMs:
            shopDayStart(job.plannedStartMs, put.days) + (job.plannedStartMs - shopDayStart(job.plannedStartMs)),
        }
      : put;
  // By the plan, as the bars are drawn.
  const asPlanned = jobs.map((one): JobCard => {
    const { startMs, endMs } = extentOf(one);
    return { ...one, plannedStartMs: startMs, estimatedMinutes: Math.ceil((endMs - startMs) / MINUTE_MS) };
  });
  const against = (job: JobCard, { bay, plannedStartMs }: Place): string[] =>
    slotClashes(asPlanned, {
      ...job.slot,
      id: job.id,
      estimatedMinutes: job.estimatedMinutes,
      bay,
      plannedStartMs,
    }).map((clash) => clashText(clash, nameOf, clock));
  const placeText = (job: JobCard, put: Put): string => {
    const { bay, plannedStartMs } = placeOf(job, put);
    const endsMs = plannedStartMs + job.estimatedMinutes * MINUTE_MS;
    const day = 'days' in put ? `${shopFormat(plannedStartMs, 'EEEE d MMMM')}, ` : '';
    return say('Bay {bay}, {day}{shopFormat} to {shopFormat2}', {
      bay,
      day,
      shopFormat: shopFormat(plannedStartMs, 'HH:mm'),
      shopFormat2: shopFormat(endsMs, 'HH:mm'),
    });
  };
  const jobOf = (id: string | number) => jobs.find((job) => job.id === id);
  // What lies beneath is told a moment after the hand has moved: both are followed.
  const follow = (event: DragMoveEvent) => setHeld((now) => now && { job: now.job, ...putOf(event, now.job) });
  const announcements: Announcements = {
    onDragStart: ({ active }) =>
      say('{plate} is lifted. Arrows move it, Space puts it down, Escape leaves it.', {
        plate: jobOf(active.id)?.vehicle.plate ?? say('The job'),
      }),
    // Where it would stand is told by the card in hand.
    onDragOver: () => undefined,
    onDragEnd: () => undefined,
    onDragCancel: () => say('It stays where it was.'),
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={overPlace}
      accessibility={{ announcements, screenReaderInstructions: dragInstructions() }}
      onDragStart={({ active }) => {
        const job = jobOf(active.id);
        setHeld(job && { job });
      }}
      onDragMove={follow}
      onDragOver={follow}
      onDragCancel={() => setHeld(undefined)}
      onDragEnd={(event) => {
        const job = jobOf(event.active.id);
        const put = job && putOf(event, job).put;
        setHeld(undefined);
        if (!job || !put) return;
        const to = placeOf(job, put);
        if (to.bay !== job.bay || to.plannedStartMs !== job.plannedStartMs) onMove(job, to);
      }}
    >
      <div className="flex items-center gap-2 px-5 pt-4">
        {heading}
        <DayButton days={-1} label={say('Day before')} onDay={onDay}>
          ‹
        </DayButton>
        <DayButton days={1} label={say('Day after')} onDay={onDay}>
          ›
        </DayButton>
      </div>
      {children}
      {agenda && <div className="sm:hidden print:hidden">{agenda}</div>}
      <div className={agenda ? 'hidden sm:block print:block' : ''}>
        <DayRule
          jobs={jobs}
          bays={bays}
          scale={scale}
          nowMs={nowMs}
          movable={movable}
          track={track}
          extentOf={extentOf}
          partOf={partOf}
          people={people}
        />
      </div>
      <DragOverlay dropAnimation={null}>
        {held && (
          <div className="pointer-events-none w-72 border-2 border-ink bg-paint p-2 text-on-paint shadow-lg">
            <p className="plate text-xl">
              {held.job.vehicle.plate} {held.job.vehicle.model}
            </p>
            {held.put && (
              <div role="status">
                <p className="figures font-bold">{placeText(held.job, held.put)}</p>
                {held.snapped && <p className="text-sm">{snappedText(held.snapped)}</p>}
                {against(held.job, placeOf(held.job, held.put)).map((text) => (
                  <p key={text} className="text-sm font-bold">
                    {text}
                  </p>
                ))}
              </div>
            )}
          </div>
        )}
      </DragOverlay>
    </DndContext>
  );
}

/** Why it does not stand where the hand is. */
function snappedText(snapped: Snapped): string {
  const clock = (atMs: number) => shopFormat(atMs, 'HH:mm');
  switch (snapped.why) {
    case 'behind':
      return say('Behind {name}: the bay is taken until {clock}', {
        name: snapped.other.name,
        clock: clock(snapped.other.endMs),
      });
    case 'before':
      return say('Done before {name}, which comes at {clock}', {
        name: snapped.other.name,
        clock: clock(snapped.other.startMs),
      });
    case 'opens':
      return say('The shop opens at {clock}', { clock: clock(snapped.atMs) });
    case 'closed':
      return say('Done before the shop closes');
  }
}

/** Shows the day before or after; a job put on it goes there. */
function DayButton({
  days,
  label,
  onDay,
  children,
}: {
  days: -1 | 1;
  label: string;
  onDay: (days: -1 | 1) => void;
  children: ReactNode;
}) {
  const { setNodeRef, isOver } = useDroppable({ id: dayId(days) });
  return (
    <span ref={setNodeRef} className={`print:hidden ${isOver ? 'outline-4 outline-paint' : ''}`}>
      <Button aria-label={label} onClick={() => onDay(days)}>
        {children}
      </Button>
    </span>
  );
}
