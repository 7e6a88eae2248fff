import type { Bottle } from '#core/crib/bottle.ts';
import { judgeCheck, type WrenchCheck } from '#core/crib/check-pull.ts';
import type { CribTool } from '#core/crib/crib-tool.ts';
import type { StockPiece } from '#core/job/stock-used.ts';
import type { Wrench } from '#core/wrench/wrench.ts';

const DAY_MS = 86_400_000;
const isoDay = (atMs: number): string => new Date(atMs).toISOString().slice(0, 10);

/** A fixed id, so that the demo is the same on every machine. */
const id = (group: number, index: number): string =>
  `00000000-0000-4000-8${String(group).padStart(3, '0')}-${String(index).padStart(12, '0')}`;

const hex = (acrossFlatsMm: number, squareDrive: string, deep = false): Omit<CribTool, 'id'> => ({
  kind: 'socket',
  name: `${acrossFlatsMm} mm ${deep ? 'deep ' : ''}socket`,
  drive: { kind: 'hex', acrossFlatsMm },
  squareDrive,
  place: squareDrive === '1/4 in' ? 'Drawer 1' : 'Rail A',
});

const TOOLS: Array<Omit<CribTool, 'id'>> = [
  hex(8, '1/4 in'),
  hex(10, '1/4 in'),
  hex(13, '3/8 in'),
  hex(15, '1/2 in'),
  hex(16, '1/2 in'),
  hex(16, '1/2 in', true),
  hex(17, '1/2 in'),
  hex(18, '1/2 in'),
  hex(19, '1/2 in'),
  hex(19, '1/2 in', true),
  hex(21, '1/2 in'),
  hex(24, '1/2 in'),
  {
    kind: 'socket',
    name: '9/16 in socket',
    drive: { kind: 'hex', acrossFlatsMm: 14.2875, inch: true },
    squareDrive: '3/8 in',
    place: 'Rail B',
  },
  {
    kind: 'socket',
    name: '3/4 in socket',
    drive: { kind: 'hex', acrossFlatsMm: 19.05, inch: true },
    squareDrive: '1/2 in',
    place: 'Rail B',
  },
  {
    kind: 'socket',
    name: '16 mm 12-point socket',
    drive: { kind: 'twelvePoint', acrossFlatsMm: 16 },
    squareDrive: '1/2 in',
    place: 'Rail A',
  },
  {
    kind: 'bit',
    name: '6 mm hex bit',
    drive: { kind: 'hexKey', acrossFlatsMm: 6 },
    squareDrive: '3/8 in',
    place: 'Drawer 2',
  },
  {
    kind: 'bit',
    name: '8 mm hex bit',
    drive: { kind: 'hexKey', acrossFlatsMm: 8 },
    squareDrive: '1/2 in',
    place: 'Drawer 2',
  },
  { kind: 'bit', name: 'T40 bit', drive: { kind: 'sixLobe', size: 'T40' }, squareDrive: '3/8 in', place: 'Drawer 2' },
  {
    kind: 'bit',
    name: 'E14 socket',
    drive: { kind: 'sixLobe', size: 'E14' },
    squareDrive: '1/2 in',
    place: 'Drawer 2',
  },
  { kind: 'spanner', name: '16 mm ring spanner', drive: { kind: 'hex', acrossFlatsMm: 16 }, place: 'Wall' },
  { kind: 'spanner', name: '18 mm ring spanner', drive: { kind: 'hex', acrossFlatsMm: 18 }, place: 'Wall' },
  {
    kind: 'crowfoot',
    name: '18 mm crow-foot, 50 mm',
    drive: { kind: 'hex', acrossFlatsMm: 18 },
    squareDrive: '1/2 in',
    place: 'Drawer 3',
  },
  {
    kind: 'special',
    name: 'Axle stands',
    place: 'Bay 4',
    note: 'Four, 3 t each. Under the frame or the axle, never under a spring seat.',
  },
  {
    kind: 'special',
    name: 'Spring compressor',
    place: 'Cage',
    note: 'Stored energy: both hooks over whole coils, hand tools only, never a power tool.',
  },
  {
    kind: 'special',
    name: 'Ball joint press',
    place: 'Cage',
    note: 'Press, not fork, where the boot is used again. No impact on its screw.',
  },
  { kind: 'special', name: 'Tape measure', place: 'Bench' },
  { kind: 'special', name: 'Grease gun', place: 'Bench' },
  { kind: 'special', name: 'Bleeder hose and bottle', place: 'Drawer 4' },
  { kind: 'special', name: 'Transmission jack', place: 'Bay 4' },
];

export const demoTools = (): CribTool[] => TOOLS.map((tool, index) => ({ id: id(1, index + 1), ...tool }));

/** Bottles on the shelf: one well used, one soon off, one off. */
export const demoBottles = (nowMs: number): Bottle[] => {
  const bottle = (
    index: number,
    over: Omit<Bottle, 'id' | 'receivedAtMs' | 'usedMl' | 'adjustedMl' | 'storeMaxC'> & { adjustedMl?: number },
  ): Bottle => ({
    id: id(2, index),
    receivedAtMs: nowMs - 120 * DAY_MS,
    usedMl: 0,
    adjustedMl: 0,
    storeMaxC: 28,
    ...over,
  });
  const day = (days: number) => isoDay(nowMs + days * DAY_MS);
  return [
    bottle(1, {
      name: 'Medium threadlocker',
      kind: 'threadlockerMedium',
      lot: 'M-2406',
      sizeMl: 50,
      expiresOn: day(210),
      openedOn: day(-60),
      openMonths: 12,
      adjustedMl: -36.5,
    }),
    bottle(2, {
      name: 'Medium threadlocker',
      kind: 'threadlockerMedium',
      lot: 'M-2511',
      sizeMl: 50,
      expiresOn: day(600),
    }),
    bottle(3, {
      name: 'High strength threadlocker',
      kind: 'threadlockerHigh',
      lot: 'H-2402',
      sizeMl: 10,
      expiresOn: day(-9),
      openedOn: day(-200),
      openMonths: 12,
      adjustedMl: -6,
    }),
    bottle(4, {
      name: 'Anti-seize, nickel',
      kind: 'antiSeize',
      lot: 'N-77',
      sizeMl: 250,
      expiresOn: day(900),
      openedOn: day(-30),
      adjustedMl: -40,
    }),
    bottle(5, {
      name: 'Silicone grease',
      kind: 'grease',
      lot: 'S-19',
      sizeMl: 85,
      expiresOn: day(22),
      openedOn: day(-90),
      adjustedMl: -30,
    }),
    bottle(6, {
      name: 'Retaining compound',
      kind: 'retaining',
      lot: 'R-3',
      sizeMl: 50,
      expiresOn: day(400),
      openedOn: day(-12),
      openMonths: 18,
      adjustedMl: -46,
    }),
    bottle(7, {
      name: 'Low strength threadlocker',
      kind: 'threadlockerLow',
      lot: 'L-2511',
      sizeMl: 10,
      expiresOn: day(420),
    }),
  ];
};

/** The store's thermometer over the last days, °C. */
export const demoTemperatures = (nowMs: number): Array<{ atMs: number; temperatureC: number }> =>
  [18.5, 19, 18, 17.5, 16, 15.5, 17, 18].map((temperatureC, index) => ({
    atMs: nowMs - (8 - index) * DAY_MS,
    temperatureC,
  }));

/** Drawers of the shop's own fasteners: the usual sizes, one nearly empty. */
export function demoShelf(): Array<StockPiece & { counted: number; lowAt?: number }> {
  const flange = (thread: string, lengthMm: number, acrossFlatsMm: number) =>
    ({
      kind: 'bolt',
      name: `Flange bolt ${thread.replace(' x ', ' × ')} × ${lengthMm}`,
      thread,
      lengthMm,
      head: 'hexFlange',
      acrossFlatsMm,
      propertyClass: '10.9',
      finish: 'zinc',
    }) as const;
  const drawers: Array<Omit<StockPiece, 'id'> & { counted: number; lowAt?: number }> = [
    { ...flange('M8 x 1.25', 25, 13), bin: 'A1', counted: 60, lowAt: 10 },
    { ...flange('M8 x 1.25', 35, 13), bin: 'A2', counted: 42, lowAt: 10 },
    { ...flange('M10 x 1.5', 30, 15), bin: 'A3', counted: 38, lowAt: 10 },
    { ...flange('M10 x 1.5', 35, 15), bin: 'A4', counted: 7, lowAt: 10 },
    { ...flange('M12 x 1.75', 40, 18), bin: 'A5', counted: 25, lowAt: 6 },
    {
      kind: 'nut',
      name: 'Flange nut M10 × 1.5',
      thread: 'M10 x 1.5',
      head: 'hexFlange',
      propertyClass: '10',
      bin: 'B1',
      counted: 50,
      lowAt: 10,
    },
    {
      kind: 'washer',
      name: 'Washer 10.5 × 20 × 2',
      insideMm: 10.5,
      outsideMm: 20,
      thicknessMm: 2,
      bin: 'B2',
      counted: 120,
      lowAt: 20,
    },
    { kind: 'pin', form: 'split', name: 'Split pin 3.2 × 32', lengthMm: 32, outsideMm: 3.2, bin: 'C1', counted: 90 },
  ];
  return drawers.map((drawer, index) => ({ id: id(4, index + 1), ...drawer }));
}

/** Mean deviations of past check-pulls, oldest first, in percent: W-1 has begun to wander, W-3 is steady. */
const HISTORY: Record<string, readonly number[]> = {
  'w-1': [-1.1, -0.8, -1.3, -1.0, -1.6, -1.9, -2.2, -2.6, -2.9, -3.3],
  'w-2': [0.4, 0.7, 0.3, 0.6, 0.5, 0.8, 0.4, 0.6],
  'w-3': [1.2, 0.9, 1.5, 1.1, 1.3, 1.0, 1.6, 1.2, 1.1, 1.4, 1.0, 1.3],
  'w-4': [2.2, 2.6, 2.3],
};

/** Three readings of a wrench that reads so much off at the check's mark, judged. */
function checked(wrench: Wrench, percent: number) {
  const setNm = wrench.fullScaleNm * 0.6;
  const readings = [-0.2, 0, 0.2].map((hand) => ({ setNm, referenceNm: setNm / (1 + (percent + hand) / 100) }));
  return { wrenchId: wrench.id, readings, ...judgeCheck(wrench, readings) };
}

/** Past checks of the demo's wrenches, every few days, the newest well before today's work. */
export function demoChecks(wrenches: readonly Wrench[], nowMs: number, byName: string): WrenchCheck[] {
  return wrenches.flatMap((wrench, place) => {
    const history = HISTORY[wrench.id] ?? [];
    return history.map(
      (percent, index): WrenchCheck => ({
        ...checked(wrench, percent),
        id: id(3, place * 100 + index + 1),
        kind: 'check',
        atMs: nowMs - (history.length - index) * 3 * DAY_MS,
        byName,
      }),
    );
  });
}

/** Days before the demo the past year's checks are from, and how far apart; in the middle of them a calibration. */
const PAST_DAYS = { from: 540, to: 45, every: 28, calibrated: 372 } as const;

/** Checks of the year and a half before: each wrench wanders towards where its checks of this month begin. */
export function demoPastChecks(wrenches: readonly Wrench[], nowMs: number, byName: string): WrenchCheck[] {
  const { from, to, every, calibrated } = PAST_DAYS;
  return wrenches.flatMap((wrench, place) => {
    const [end] = HISTORY[wrench.id] ?? [];
    if (end === undefined) return [];
    return Array.from({ length: Math.floor((from - to) / every) + 1 }, (_, index): WrenchCheck => {
      const daysAgo = from - index * every;
      const sinceSet = daysAgo > calibrated ? from - daysAgo : calibrated - daysAgo;
      const wobble = (((index * 7 + place * 3) % 5) - 2) * 0.12;
      return {
        ...checked(wrench, end * (sinceSet / calibrated) + wobble),
        id: id(5, place * 100 + index + 1),
        kind: daysAgo === calibrated ? 'calibration' : 'check',
        atMs: nowMs - daysAgo * DAY_MS,
        byName,
        ...(daysAgo === calibrated ? { certificate: `K-${300 + place}` } : {}),
      };
    });
  });
}
