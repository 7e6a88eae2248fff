import { describe, expect, it } from '@jest/globals';
import { demoBottles, demoTools } from '#demo/crib.ts';
import { REAR_AIR_SPRINGS, ROCK_SLIDERS, TRACK_BAR_BRACE } from '#demo/kits.ts';
import { demoWrenches } from '#demo/shop.ts';
import { oneKit, openLog } from '../job/job-log.ts';
import { OPENED_NOW } from '../kit/house-rules.ts';
import type { KitDocument } from '../kit/kit-document.ts';
import { figureLeads } from './figure-source.ts';
import { readiness, type ShopStock } from './readiness.ts';
import { toolsNeeded } from './tool-need.ts';

const NOON = Date.UTC(2026, 10, 25, 12);
const VEHICLE = { modelYear: 2022, drivenWheels: 'four', body: 'dual-cab', fitted: [] };
const open = (kit: KitDocument) => {
  const opened = openLog({ ...oneKit(kit), vehicle: VEHICLE, answers: {}, shop: OPENED_NOW });
  if (!opened.ok) throw new Error(JSON.stringify(opened.error));
  return opened.value;
};
const STOCK: ShopStock = {
  wrenches: demoWrenches(NOON),
  tools: demoTools(),
  bottles: demoBottles(NOON),
  temperatures: [],
  ownMinutes: {},
  withdrawn: [],
};
const of = (kit: KitDocument, stock: Partial<ShopStock> = {}) => {
  const { plan, state } = open(kit);
  return readiness(plan, state, { ...STOCK, ...stock }, NOON);
};

describe('readiness', () => {
  it('a kit with everything there can start now', () => {
    expect(of(TRACK_BAR_BRACE)).toMatchObject({ verdict: 'ready', before: [], onTheWay: [] });
  });
  it('a target beyond every wrench in calibration stops it on the way, and is named with its stations', () => {
    const result = of(ROCK_SLIDERS);
    expect(result.verdict).toBe('stops');
    expect(result.onTheWay).toMatchObject([{ code: 'noWrench', printed: '184 lbf·ft', group: 'Slider, left' }]);
    const [missing] = result.wrenches.uncovered;
    expect(missing?.faults.map(({ code }) => code)).toContain('wrenchOutOfCalibration');
  });
  it('what is not answered, measured or chosen keeps it from starting', () =>
    expect(of(REAR_AIR_SPRINGS).before.map(({ code }) => code)).toEqual([
      'prerequisiteOpen',
      'prerequisiteOpen',
      'baselineMissing',
      'choiceOpen',
    ]));
  it('so does a step that goes on in a sheet nobody has here', () => {
    const step = {
      id: 'f',
      text: 'See the hitch',
      phase: 'loose' as const,
      actions: [{ type: 'followKit' as const, kit: 'hitch' }],
    };
    expect(of({ ...TRACK_BAR_BRACE, steps: [...TRACK_BAR_BRACE.steps, step] }).before).toMatchObject([
      { code: 'otherSheet', kit: 'hitch' },
    ]);
  });
  it('so does a revision that was withdrawn', () =>
    expect(of(TRACK_BAR_BRACE, { withdrawn: [{ kit: 'Track-bar brace', because: 'wrong bolt' }] }).verdict).toBe(
      'cannot',
    ));
  it('compound is counted in mL against what is good on the shelf', () => {
    const [locker] = of(ROCK_SLIDERS).compounds;
    expect(locker).toMatchObject({ kind: 'threadlockerMedium', stations: 6 });
    expect(locker?.needMl).toBeGreaterThan(0);
    expect(of(ROCK_SLIDERS, { bottles: [] }).onTheWay.map(({ code }) => code)).toContain('compoundShort');
  });
  it('time is stated, typical and the middle of the shop’s own', () => {
    const { time, people } = of(ROCK_SLIDERS, { ownMinutes: { 'rock-sliders': [100, 180, 120] } });
    expect(time).toMatchObject({ statedMin: 120, ownMin: [{ minutes: 120, jobs: 3 }] });
    expect(time.typicalMin).toBeGreaterThan(60);
    expect(people).toBe(2);
  });
});

describe('tools', () => {
  const list = (kit: KitDocument) => toolsNeeded(open(kit).plan, STOCK.tools);
  it('come from the stations, and are held against the sheet’s own list', () => {
    const { needs, unused } = list(REAR_AIR_SPRINGS);
    expect(needs.map(({ name, listed }) => [name, listed])).toEqual([
      ['16 mm socket', true],
      // The sheet forgot the track bar's.
      ['21 mm socket', false],
      // Its baseline names the instrument.
      ['tape measure', false],
      ['Axle stands', true],
    ]);
    expect(unused.map(({ name }) => name)).toEqual(['19 mm socket']);
  });
  it('19 mm fits 3/4 in (19.05 mm), 18 mm does not; a 12-point head takes no plain socket (common practice, no source)', () => {
    const { plan } = open(TRACK_BAR_BRACE);
    const withDrive = (drive: (typeof plan.stations)[number]['drive']) =>
      toolsNeeded(
        { ...plan, stations: plan.stations.slice(0, 1).map((station) => ({ ...station, drive })), tools: [] },
        [{ id: 'a', kind: 'socket', name: '19 mm socket', drive: { kind: 'hex', acrossFlatsMm: 19 } }],
      ).needs[0]?.have?.name;
    expect(withDrive({ kind: 'hex', acrossFlatsMm: 19.05, inch: true })).toBe('19 mm socket');
    expect(withDrive({ kind: 'hex', acrossFlatsMm: 18 })).toBeUndefined();
    expect(withDrive({ kind: 'twelvePoint', acrossFlatsMm: 19 })).toBeUndefined();
  });
  it('the same size turning and holding is wanted twice', () => {
    const { plan } = open(TRACK_BAR_BRACE);
    const [first] = plan.stations;
    if (!first) throw new Error('no station');
    const both = { ...first, holding: { drive: first.drive } };
    expect(toolsNeeded({ ...plan, stations: [both], tools: [] }, []).needs).toMatchObject([
      { turns: ['s1'], holds: ['s1'], pair: true },
    ]);
  });
});

describe('leads to a figure', () => {
  it('name the same place first, and say which sheet they stand on', () => {
    const { plan } = open(REAR_AIR_SPRINGS);
    const leads = figureLeads(plan, 's5', [TRACK_BAR_BRACE, ROCK_SLIDERS]);
    expect(leads[0]).toMatchObject({ printed: '90 lbf·ft', source: 'otherKit', samePlace: true });
    expect(leads.some(({ printed }) => printed === '184 lbf·ft')).toBe(false);
    expect(figureLeads(plan, 'nothing', [TRACK_BAR_BRACE])).toEqual([]);
  });
});
