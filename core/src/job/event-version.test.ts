import { readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import { FRONT_RECOVERY_POINTS, REAR_AIR_SPRINGS, TRACK_BAR_BRACE } from '#demo/kits.ts';
import { spreadAnswers, type VisitKit } from '../visit/visit.ts';
import { ACTS, type JobEvent } from './acts.ts';
import { currentEvent, EVENT_VERSION, isReadable } from './event-version.ts';
import { isFact } from './fold.ts';
import { appendEvents, type JobLog, oneKit, openLog } from './job-log.ts';

/** Logs as version 1 of the application wrote them, with what its own fold made of them. */
interface OldLog {
  events: JobEvent[];
  stages: Record<string, [string, number, number]>;
  lines: Record<string, [number | null, number]>;
  steps: string[];
  debts: Record<string, [boolean, number]>;
  closed: string | null;
}
const OLD = JSON.parse(readFileSync(new URL('./fixture/log-v1.json', import.meta.url), 'utf8')) as {
  version: 1;
  oneKit: OldLog;
  visit: OldLog;
};
const VEHICLE = { modelYear: 2022, drivenWheels: 'four', body: 'dual-cab', fitted: [] };

const summary = ({ state }: JobLog): Omit<OldLog, 'events'> => ({
  stages: Object.fromEntries(
    [...state.stations].map(([id, { stage, pulls }]) => [
      id,
      [stage, pulls.length, pulls.filter((pull) => pull.voided || pull.withdrawn).length],
    ]),
  ),
  lines: Object.fromEntries(
    Object.entries(state.lines).map(([id, line]) => [id, [line.count?.found ?? null, line.scrapped.length]]),
  ),
  steps: Object.keys(state.visit.steps),
  debts: Object.fromEntries(
    Object.entries(state.visit.debts).map(([id, debt]) => [id, [debt.opened !== undefined, debt.ends.length]]),
  ),
  closed: state.closed?.signature ?? null,
});

function opened(setup: Parameters<typeof openLog>[0]): JobLog {
  const result = openLog(setup);
  if (!result.ok) throw new Error(JSON.stringify(result.error));
  return result.value;
}

describe('logs recorded by version 1', () => {
  it('of one kit folds to what it folded to then', () => {
    const { events, ...then } = OLD.oneKit;
    const log = opened({ ...oneKit(FRONT_RECOVERY_POINTS), vehicle: VEHICLE, answers: { shield: false }, shop: {} });
    expect(summary(appendEvents(log, events))).toEqual(then);
  });
  it('of a visit of two kits folds to what it folded to then', () => {
    const { events, ...then } = OLD.visit;
    const kits: VisitKit[] = [
      { document: REAR_AIR_SPRINGS, prefix: '' },
      { document: TRACK_BAR_BRACE, prefix: `${TRACK_BAR_BRACE.id}/` },
    ];
    const log = opened({
      kits,
      openedWith: kits.map(({ prefix }) => prefix),
      vehicle: VEHICLE,
      answers: spreadAnswers(kits, {}),
      shop: {},
    });
    expect(summary(appendEvents(log, events))).toEqual(then);
  });
});

describe('one event', () => {
  const by = { id: 'mira', name: 'Mira', role: 'fitter' as const };
  const tick = { type: 'stepDone', step: 'a', covers: [], commandId: 'c', atMs: 1, by };
  it('of version 1 keeps chocks that are one of the list, and loses other words', () => {
    expect(currentEvent({ ...tick, chocks: 'rear' } as never)).toMatchObject({ chocks: 'rear' });
    expect(currentEvent({ ...tick, chocks: 'by the wall' } as never)).not.toHaveProperty('chocks');
  });
  it('of this version passes as it is', () => {
    const now = { ...tick, version: EVENT_VERSION, chocks: 'front' };
    expect(currentEvent(now)).toBe(now);
  });
  it('of a newer application is not guessed at', () => {
    const newer = { ...tick, version: EVENT_VERSION + 1 };
    expect(isReadable(newer)).toBe(false);
    expect(() => currentEvent(newer)).toThrow(/newer application/);
  });
  it('is a fact only where an act makes it', () => {
    for (const { fold } of Object.values(ACTS)) for (const type of Object.keys(fold)) expect(isFact(type)).toBe(true);
    for (const type of ['flewAway', 'toString', '__proto__']) expect(isFact(type)).toBe(false);
  });
});
