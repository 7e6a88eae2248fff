import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { FRONT_RECOVERY_POINTS, REAR_ANTI_ROLL_BAR, TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { bar, guard, MIRA, NOON, openKit, plate, TAM, WRENCHES } from '#demo/try-job.ts';
import { toBase } from '../quantity/unit.ts';
import { CarefulFitter } from '../rehearse/careful-fitter.ts';
import type { JobCommand, JobEvent } from './acts.ts';
import { fold } from './fold.ts';
import { hardwareLedger } from './hardware-ledger.ts';
import { appendEvents, type JobLog, takeCommand } from './job-log.ts';
import { emptyJob, type JobState } from './job-state.ts';
import type { Person } from './role.ts';

/** Random commands, sensible and not, as any number of hands might give them. */
const anyCommand = (log: JobLog): fc.Arbitrary<JobCommand> => {
  const station = fc.constantFrom(...log.plan.stations.map((s) => s.id));
  const item = fc.constantFrom(...log.plan.items.map((i) => i.id));
  const wrench = fc.constantFrom('w-1', 'w-2', 'w-3', 'w-5');
  const few = fc.integer({ min: -1, max: 6 });
  return fc.oneof(
    fc.record({ type: fc.constant('countLine' as const), item, found: few, damaged: fc.integer({ min: 0, max: 2 }) }),
    fc.record({ type: fc.constant('useShopStock' as const), item, quantity: few, reason: fc.constant('rack') }),
    fc.record({ type: fc.constant('scrapPiece' as const), item, quantity: few, reason: fc.constant('bent') }),
    fc.record({ type: fc.constant('declareSpare' as const), item, quantity: few }),
    fc.record({ type: fc.constant('startByHand' as const), station }),
    fc.record({ type: fc.constant('applyCompound' as const), station, cleaned: fc.boolean() }),
    fc.record({ type: fc.constant('snug' as const), station, tool: fc.constant('hand' as const) }),
    fc.record({
      type: fc.constant('pull' as const),
      station,
      wrench,
      torqueNm: fc.double({ min: 0, max: 200, noNaN: true }),
      source: fc.constantFrom('typed' as const, 'live' as const),
      movementDeg: fc.constantFrom(0, 30),
    }),
    fc.record({
      type: fc.constant('loosen' as const),
      station,
      to: fc.constantFrom('started' as const, 'out' as const),
      reason: fc.constant('check'),
    }),
    fc.constant({ type: 'undo' as const }),
  );
};

/** Few lines, few pieces, and the commands that eat at a count: histories in which a count stands on what it lost. */
const countingCommand = (log: JobLog): fc.Arbitrary<JobCommand> => {
  const item = fc.constantFrom(...log.plan.items.slice(0, 2).map((i) => i.id));
  const few = fc.integer({ min: 1, max: 4 });
  return fc.oneof(
    fc.record({ type: fc.constant('countLine' as const), item, found: few, damaged: fc.integer({ min: 0, max: 1 }) }),
    fc.record({ type: fc.constant('scrapPiece' as const), item, quantity: few, reason: fc.constant('bent') }),
    fc.record({ type: fc.constant('useShopStock' as const), item, quantity: few, reason: fc.constant('rack') }),
    fc.record({ type: fc.constant('startByHand' as const), station: fc.constantFrom('s1', 's2') }),
    fc.constant({ type: 'undo' as const }),
  );
};

describe('laws', () => {
  it('however a count is taken back, the tray never holds less than nothing', () => {
    const log = openKit(FRONT_RECOVERY_POINTS, { shield: true });
    fc.assert(
      fc.property(fc.array(countingCommand(log), { minLength: 3, maxLength: 14 }), (commands) => {
        let current = log;
        commands.forEach((command, index) => {
          const envelope = { id: `u-${index}`, atMs: NOON + index * 1000, by: MIRA, command };
          current = takeCommand(current, WRENCHES, envelope).log;
          for (const line of hardwareLedger(current.plan, current.state)) expect(line.onTray).toBeGreaterThanOrEqual(0);
        });
      }),
      { numRuns: 400, seed: 20_261_127 },
    );
  });

  it('whatever is commanded, no line ever holds more than was supplied, and the ledger always adds up', () => {
    const log = openKit(FRONT_RECOVERY_POINTS, { shield: true });
    const counted = new CarefulFitter(log, WRENCHES, MIRA, NOON);
    counted.checkIn();
    fc.assert(
      fc.property(fc.array(anyCommand(log), { maxLength: 60 }), (commands) => {
        let current = counted.log;
        commands.forEach((command, index) => {
          current = takeCommand(current, WRENCHES, {
            id: `r-${index}`,
            atMs: NOON + index * 1000,
            by: MIRA,
            command,
          }).log;
          for (const line of hardwareLedger(current.plan, current.state)) {
            expect(line.supplied).toBe(line.fitted + line.spare + line.scrapped + line.missing + line.unaccounted);
            expect(line.onTray).toBeGreaterThanOrEqual(0);
          }
        });
      }),
      { numRuns: 150, seed: 71 },
    );
  });

  it('events of two fitters on different stations give the same state in any interleaving', () => {
    const done = plate(true);
    done.checkIn();
    const base = done.log;
    done.startAll();
    done.finishTorque();
    const work = done.events.filter(
      (event): event is JobEvent & { station: string } => 'station' in event && event.type !== 'problemRaised',
    );
    const mine = new Set(['s1', 's4', 's6', 'sh1', 'sh3']);
    const streams = [
      work.filter((event) => mine.has(event.station)).map((event) => ({ ...event, by: MIRA })),
      work.filter((event) => !mine.has(event.station)).map((event) => ({ ...event, by: TAM })),
    ] as const;
    const inOrder = [...streams[0], ...streams[1]].reduce(fold, base.state);
    fc.assert(
      fc.property(fc.infiniteStream(fc.boolean()), (coin) => {
        const [left, right] = [[...streams[0]], [...streams[1]]];
        let state = base.state;
        for (const first of coin) {
          const event = (first && left.length > 0) || right.length === 0 ? left.shift() : right.shift();
          if (!event) break;
          state = fold(state, event);
        }
        expect(state).toEqual(inOrder);
      }),
    );
  });

  it('commands of two fitters on different stations give the same state in any interleaving', () => {
    const base = guard();
    base.checkIn();
    const lanes = [
      ['g1', 'g3', 'g5'].map((station): [Person, JobCommand] => [MIRA, { type: 'startByHand', station }]),
      [
        ...['g2', 'g4', 'g6'].map((station): [Person, JobCommand] => [TAM, { type: 'startByHand', station }]),
        [TAM, { type: 'raiseProblem', station: 'g2', text: 'tight' }] as [Person, JobCommand],
      ],
    ] as const;
    const run = (coins: boolean[]) => {
      const [left, right] = [[...lanes[0]], [...lanes[1]]];
      let { log } = base;
      const turns = [...coins, ...Array.from({ length: 8 }, () => true)];
      for (const coin of turns) {
        const next = (coin && left.length > 0) || right.length === 0 ? left.shift() : right.shift();
        if (!next) break;
        const [by, command] = next;
        const id = 'station' in command ? `${command.type}-${command.station}` : command.type;
        log = takeCommand(log, WRENCHES, { id, atMs: NOON, by, command }).log;
      }
      return log.state;
    };
    const expected = run([]);
    fc.assert(fc.property(fc.array(fc.boolean(), { maxLength: 8 }), (coins) => expect(run(coins)).toEqual(expected)));
  });

  it('a repeated command id changes nothing', () => {
    const log = openKit(TRANSFER_CASE_GUARD);
    fc.assert(
      fc.property(fc.array(anyCommand(log), { maxLength: 25 }), (commands) => {
        let once = log;
        let twice = log;
        commands.forEach((command, index) => {
          const envelope = { id: `c-${index}`, atMs: NOON + index, by: MIRA, command };
          once = takeCommand(once, WRENCHES, envelope).log;
          twice = takeCommand(takeCommand(twice, WRENCHES, envelope).log, WRENCHES, envelope).log;
        });
        expect(twice.state).toEqual(once.state);
      }),
    );
  });

  it('replaying the events gives the state the commands gave', () => {
    const worker = bar();
    worker.checkIn();
    worker.startAll();
    worker.finishTorque();
    worker.closeOut();
    const replayed = appendEvents(
      openKit(REAR_ANTI_ROLL_BAR, { bush: 'rubber' }),
      JSON.parse(JSON.stringify(worker.events)),
    );
    const plain = (state: JobState) => JSON.parse(JSON.stringify({ ...state, stations: [...state.stations] }));
    expect(plain(replayed.state)).toEqual(plain(worker.log.state));
  });
});

it('an empty job folds to itself', () => expect([].reduce(fold, emptyJob())).toEqual(emptyJob()));
it('torque in the demo is what the sheet prints', () => {
  expect(FRONT_RECOVERY_POINTS.stations[1]?.specs[0]?.spec).toMatchObject({
    targetNm: expect.closeTo(toBase(81, 'lbf·ft'), 2),
  });
});
