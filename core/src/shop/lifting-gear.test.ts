import { describe, expect, it } from '@jest/globals';
import { REAR_AIR_SPRINGS } from '#demo/kits.ts';
import { MIRA, NOON, tryCommand, WRENCHES } from '#demo/try-job.ts';
import { oneKit, openLog } from '../job/job-log.ts';
import { lineOf } from '../line/line.ts';
import { readiness } from '../readiness/readiness.ts';
import { CarefulFitter } from '../rehearse/careful-fitter.ts';
import { burdenKg, type LiftingGear, tooWeak, weakFor } from './lifting-gear.ts';

const GEAR: LiftingGear[] = [
  { name: 'Old lift', kind: 'lift', ratedKg: 2500 },
  { name: 'Two-post lift', kind: 'lift', ratedKg: 3000 },
  { name: 'Low stands', kind: 'stands', ratedKg: 1500 },
  { name: 'Trolley jack', kind: 'jack', ratedKg: 1800 },
];
const RATINGS = { grossKg: 3100, frontAxleKg: 1450, rearAxleKg: 1900 };

describe('what holds a vehicle up', () => {
  it('a lift bears all it may weigh, the rest its heavier axle (common practice, no source)', () => {
    expect(burdenKg('lift', RATINGS)).toBe(3100);
    expect(burdenKg('stands', RATINGS)).toBe(1900);
    expect(burdenKg('jack', { frontAxleKg: 1450 })).toBe(1450);
    expect(burdenKg('lift', { frontAxleKg: 1400, rearAxleKg: 1600 })).toBe(3000);
    // Half of it says nothing of the whole, and the whole nothing of an axle.
    expect(burdenKg('lift', { frontAxleKg: 1400 })).toBeUndefined();
    expect(burdenKg('ramps', { grossKg: 3100 })).toBeUndefined();
  });
  it('names the strongest of a kind where none bears it, and nothing of kinds nobody listed', () => {
    expect(tooWeak(GEAR, RATINGS)).toEqual([
      { kind: 'lift', name: 'Two-post lift', ratedKg: 3000, needKg: 3100 },
      { kind: 'stands', name: 'Low stands', ratedKg: 1500, needKg: 1900 },
      { kind: 'jack', name: 'Trolley jack', ratedKg: 1800, needKg: 1900 },
    ]);
    expect(tooWeak(GEAR, { ...RATINGS, grossKg: 3000, rearAxleKg: 1500 })).toEqual([]);
    expect(tooWeak(GEAR)).toEqual([]);
    expect(tooWeak([], RATINGS)).toEqual([]);
  });
  it('stands and the floor need a jack that bears it too', () => {
    const jack = tooWeak([{ name: 'Bottle jack', kind: 'jack', ratedKg: 1000 }], RATINGS);
    expect(weakFor('stands', jack)?.name).toBe('Bottle jack');
    expect(weakFor('floor', jack)?.name).toBe('Bottle jack');
    expect(weakFor('lift', jack)).toBeUndefined();
    expect(weakFor('ramps', jack)).toBeUndefined();
  });
});

describe('on the line', () => {
  function springs(lifting: LiftingGear[], heldUpBy?: 'lift' | 'stands'): CarefulFitter {
    const opened = openLog({
      ...oneKit(REAR_AIR_SPRINGS),
      vehicle: { modelYear: 2022, drivenWheels: 'four', body: 'dual-cab', fitted: [], ratings: RATINGS },
      answers: {},
      shop: { lifting, ...(heldUpBy ? { heldUpBy } : {}) },
    });
    if (!opened.ok) throw new Error(opened.error.code);
    return new CarefulFitter(opened.value, WRENCHES, MIRA, NOON);
  }
  const STOCK = { wrenches: WRENCHES, tools: [], bottles: [], temperatures: [], ownMinutes: {}, withdrawn: [] };
  const said = ({ log: { plan, state } }: CarefulFitter): string[] =>
    readiness(plan, state, STOCK, NOON).before.flatMap((obstacle) =>
      obstacle.code === 'liftTooWeak' ? obstacle.name : [],
    );

  it('the vehicle does not go up on what is rated for less, and says by how much', () => {
    const worker = springs(GEAR);
    worker.checkIn();
    const acts = [...lineOf(worker.log.plan).actById.values()];
    const lift = acts.find(({ action }) => action.type === 'lift')?.id ?? '';
    worker.while(({ log }) => {
      const outcome = tryCommand(worker, { type: 'doAct', act: lift, answers: { heldUpBy: 'lift', pads: true } });
      return !outcome.ok && outcome.refusal.code !== 'answerRefused' && log.state.visit.acts[lift] === undefined;
    });
    expect(tryCommand(worker, { type: 'doAct', act: lift, answers: { heldUpBy: 'lift', pads: true } })).toMatchObject({
      refusal: { code: 'answerRefused', trade: { code: 'ratedTooLow', ratedKg: 3000, needKg: 3100 } },
    });
  });
  it('readiness says so days before: of the way that was said, or where no way is left', () => {
    expect(said(springs(GEAR, 'lift'))).toEqual(['Two-post lift']);
    expect(said(springs(GEAR, 'stands'))).toEqual(['Low stands']);
    // Nobody said how, and neither a lift nor stands bear it.
    expect(said(springs(GEAR))).toEqual(['Two-post lift']);
    expect(said(springs(GEAR.filter(({ kind }) => kind === 'lift')))).toEqual([]);
    expect(said(springs([]))).toEqual([]);
  });
});
