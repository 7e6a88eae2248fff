import { MM_PER_INCH } from '../quantity/unit.ts';
import type { Thread } from './thread.ts';

/** Head and nut standards whose dimensions the application knows. */
export type HeadStandard =
  | 'ISO 4014/4017'
  | 'ISO 4032'
  | 'ISO 4161'
  | 'DIN 931/933'
  | 'DIN 6923'
  | 'JIS B 1180 small'
  | 'ISO 4162'
  | 'ISO 4762'
  | 'ISO 7380'
  | 'ISO 10642'
  | 'ASME B18.2.1'
  | 'ASME B18.2.2'
  | 'ASME B18.3';

export interface HeadDimension {
  /** Width across flats of the head or nut, or of the key for a socket head, mm (nominal). */
  acrossFlatsMm: number;
  /** Smallest outside diameter of the face that turns on the part, mm. */
  bearingMm: number;
  /** Height of the head or nut, mm (nominal, for a nut the largest). */
  heightMm: number;
  /** What the tool grips. */
  grip: 'outside' | 'socket';
}

/** Half of the cone angle under a countersunk head, degrees; a flat face has 90. */
export const bearingHalfAngleDeg = (standard: HeadStandard): number => (standard === 'ISO 10642' ? 45 : 90);

export const isNut = (standard: HeadStandard): boolean =>
  standard === 'ISO 4032' || standard === 'ISO 4161' || standard === 'DIN 6923' || standard === 'ASME B18.2.2';

type Row = [acrossFlats: number, bearing: number, height: number];
type Rows = Record<number, Row>;

/** ISO 4014/4017: s, dw min of product grade A (grade B above M24, where A does not exist), k. */
const HEX: Rows = {
  2: [4, 3.07, 1.4],
  2.5: [5, 4.07, 1.7],
  3: [5.5, 4.57, 2],
  3.5: [6, 5.07, 2.4],
  4: [7, 5.88, 2.8],
  5: [8, 6.88, 3.5],
  6: [10, 8.88, 4],
  8: [13, 11.63, 5.3],
  10: [16, 14.63, 6.4],
  12: [18, 16.63, 7.5],
  14: [21, 19.64, 8.8],
  16: [24, 22.49, 10],
  18: [27, 25.34, 11.5],
  20: [30, 28.19, 12.5],
  22: [34, 31.71, 14],
  24: [36, 33.61, 15],
  27: [41, 38, 17],
  30: [46, 42.75, 18.7],
  33: [50, 46.55, 21],
  36: [55, 51.11, 22.5],
  39: [60, 55.86, 25],
};

/** The metric tables, entered from memory of the standard named by the key. Columns: s, dw min, k or m max. */
const METRIC: Partial<Record<HeadStandard, Rows>> = {
  'ISO 4014/4017': HEX,
  'ISO 4032': {
    2: [4, 3.1, 1.6],
    2.5: [5, 4.1, 2],
    3: [5.5, 4.6, 2.4],
    3.5: [6, 5.1, 2.8],
    4: [7, 5.9, 3.2],
    5: [8, 6.9, 4.7],
    6: [10, 8.9, 5.2],
    8: [13, 11.6, 6.8],
    10: [16, 14.6, 8.4],
    12: [18, 16.6, 10.8],
    14: [21, 19.6, 12.8],
    16: [24, 22.5, 14.8],
    18: [27, 24.9, 15.8],
    20: [30, 27.7, 18],
    22: [34, 31.4, 19.4],
    24: [36, 33.3, 21.5],
    27: [41, 38, 23.8],
    30: [46, 42.8, 25.6],
    33: [50, 46.6, 28.7],
    36: [55, 51.1, 31],
    39: [60, 55.9, 33.4],
  },
  'ISO 4161': {
    5: [8, 9.8, 5],
    6: [10, 12.2, 6],
    8: [13, 15.8, 8],
    10: [16, 19.6, 10],
    12: [18, 23.8, 12],
    14: [21, 27.6, 14],
    16: [24, 31.9, 16],
    20: [30, 39.9, 20],
  },
  // The older flange nut differs from ISO 4161 at M10 alone.
  'DIN 6923': {
    5: [8, 9.8, 5],
    6: [10, 12.2, 6],
    8: [13, 15.8, 8],
    10: [15, 19.6, 10],
    12: [18, 23.8, 12],
    14: [21, 27.6, 14],
    16: [24, 31.9, 16],
    20: [30, 39.9, 20],
  },
  // The older German hexagon differs from ISO at four sizes, and has M7, which ISO 4014 leaves out.
  'DIN 931/933': {
    ...HEX,
    7: [11, 9.63, 4.8],
    10: [17, 15.6, 7],
    12: [19, 17.4, 8],
    14: [22, 20.5, 9],
    22: [32, 29.5, 14],
  },
  // Small heads as found on vehicles; bearing face 0.95 of the width.
  'JIS B 1180 small': {
    8: [12, 11.4, 5.5],
    10: [14, 13.3, 7],
    12: [17, 16.15, 8],
    14: [19, 18.05, 9],
    16: [22, 20.9, 10],
    20: [27, 25.65, 13],
  },
  'ISO 4162': {
    5: [7, 9.4, 5.6],
    6: [8, 11.6, 6.9],
    8: [10, 14.9, 8.5],
    10: [13, 18.7, 9.7],
    12: [15, 22.5, 12.1],
    14: [18, 26.4, 12.9],
    16: [21, 30.6, 15.2],
  },
  'ISO 4762': {
    2: [1.5, 3.48, 2],
    2.5: [2, 4.18, 2.5],
    3: [2.5, 5.07, 3],
    4: [3, 6.53, 4],
    5: [4, 8.03, 5],
    6: [5, 9.38, 6],
    8: [6, 12.33, 8],
    10: [8, 15.33, 10],
    12: [10, 17.23, 12],
    14: [12, 20.17, 14],
    16: [14, 23.17, 16],
    20: [17, 28.87, 20],
    24: [19, 34.81, 24],
    30: [22, 43.61, 30],
    36: [27, 52.54, 36],
  },
  // Bearing face: the smallest head diameter.
  'ISO 7380': {
    3: [2, 5.4, 1.65],
    4: [2.5, 7.24, 2.2],
    5: [3, 9.14, 2.75],
    6: [4, 10.07, 3.3],
    8: [5, 13.57, 4.4],
    10: [6, 17.07, 5.5],
    12: [8, 20.48, 6.6],
    16: [10, 27.48, 8.8],
  },
  // Bearing face: the cone up to the smallest actual head diameter.
  'ISO 10642': {
    3: [2, 5.54, 1.86],
    4: [2.5, 7.53, 2.48],
    5: [3, 9.43, 3.1],
    6: [4, 11.34, 3.72],
    8: [5, 15.24, 4.96],
    10: [6, 19.22, 6.2],
    12: [8, 23.12, 7.44],
    16: [10, 29.01, 8.8],
    20: [12, 36.05, 10.16],
  },
};

type InchRow = readonly [diameter: number, hexBolt: Row | undefined, hexNut: Row, socketCap: Row | undefined];
const inch = (acrossFlats: number, height: number): Row => [acrossFlats, 0.95 * acrossFlats, height];

/**
 * Inches. Hexagon: bearing face 0.95 of the width. Number sizes have machine screw nuts and no hex cap screw.
 * @see ASME B18.2.1 table 6, B18.2.2 tables 1-1 and 4, B18.3 table 1A (entered from memory)
 */
const INCH: readonly InchRow[] = [
  [0.06, undefined, inch(5 / 32, 3 / 64), [0.05, 0.091, 0.06]],
  [0.073, undefined, inch(5 / 32, 3 / 64), [1 / 16, 0.112, 0.073]],
  [0.086, undefined, inch(3 / 16, 1 / 16), [5 / 64, 0.134, 0.086]],
  [0.099, undefined, inch(3 / 16, 1 / 16), [5 / 64, 0.154, 0.099]],
  [0.112, undefined, inch(1 / 4, 3 / 32), [3 / 32, 0.176, 0.112]],
  [0.125, undefined, inch(5 / 16, 7 / 64), [3 / 32, 0.198, 0.125]],
  [0.138, undefined, inch(5 / 16, 7 / 64), [7 / 64, 0.218, 0.138]],
  [0.164, undefined, inch(11 / 32, 1 / 8), [9 / 64, 0.262, 0.164]],
  [0.19, undefined, inch(3 / 8, 1 / 8), [5 / 32, 0.303, 0.19]],
  [0.216, undefined, inch(7 / 16, 5 / 32), undefined],
  [1 / 4, inch(7 / 16, 5 / 32), inch(7 / 16, 7 / 32), [3 / 16, 0.365, 1 / 4]],
  [5 / 16, inch(1 / 2, 13 / 64), inch(1 / 2, 17 / 64), [1 / 4, 0.457, 5 / 16]],
  [3 / 8, inch(9 / 16, 15 / 64), inch(9 / 16, 21 / 64), [5 / 16, 0.55, 3 / 8]],
  [7 / 16, inch(5 / 8, 9 / 32), inch(11 / 16, 3 / 8), [3 / 8, 0.642, 7 / 16]],
  [1 / 2, inch(3 / 4, 5 / 16), inch(3 / 4, 7 / 16), [3 / 8, 0.735, 1 / 2]],
  [9 / 16, inch(13 / 16, 23 / 64), inch(7 / 8, 31 / 64), undefined],
  [5 / 8, inch(15 / 16, 25 / 64), inch(15 / 16, 35 / 64), [1 / 2, 0.921, 5 / 8]],
  [3 / 4, inch(9 / 8, 15 / 32), inch(9 / 8, 41 / 64), [5 / 8, 1.107, 3 / 4]],
  [7 / 8, inch(21 / 16, 35 / 64), inch(21 / 16, 3 / 4), [3 / 4, 1.293, 7 / 8]],
  [1, inch(3 / 2, 39 / 64), inch(3 / 2, 55 / 64), [3 / 4, 1.479, 1]],
  [9 / 8, inch(27 / 16, 11 / 16), inch(27 / 16, 31 / 32), undefined],
  [5 / 4, inch(15 / 8, 25 / 32), inch(15 / 8, 17 / 16), [7 / 8, 1.852, 5 / 4]],
];

const SOCKET: ReadonlySet<HeadStandard> = new Set(['ISO 4762', 'ISO 7380', 'ISO 10642', 'ASME B18.3']);

const inchRow = (standard: HeadStandard, row: InchRow): Row | undefined => {
  if (standard === 'ASME B18.2.1') return row[1];
  if (standard === 'ASME B18.2.2') return row[2];
  return standard === 'ASME B18.3' ? row[3] : undefined;
};

/**
 * Dimensions of a head or nut.
 *
 * @returns mm, or undefined where the standard does not list the size. Never a guess from a neighbour.
 */
export function headDimension(
  standard: HeadStandard,
  thread: Pick<Thread, 'system' | 'nominalMm'>,
): HeadDimension | undefined {
  const grip = SOCKET.has(standard) ? 'socket' : 'outside';
  if (thread.system === 'metric') {
    const row = METRIC[standard]?.[thread.nominalMm];
    return row && { acrossFlatsMm: row[0], bearingMm: row[1], heightMm: row[2], grip };
  }
  const found = INCH.find(([diameter]) => Math.abs(diameter * MM_PER_INCH - thread.nominalMm) < 1e-3);
  const row = found && inchRow(standard, found);
  return (
    row && {
      acrossFlatsMm: row[0] * MM_PER_INCH,
      bearingMm: row[1] * MM_PER_INCH,
      heightMm: row[2] * MM_PER_INCH,
      grip,
    }
  );
}

/** Every size a standard lists, with its dimensions, smallest first. */
export function listedHeads(
  standard: HeadStandard,
): Array<{ system: Thread['system']; nominalMm: number; head: HeadDimension }> {
  const sizes = [
    ...Object.keys(METRIC[standard] ?? {}).map((size) => ({ system: 'metric' as const, nominalMm: Number(size) })),
    ...INCH.map(([diameter]) => ({ system: 'unified' as const, nominalMm: diameter * MM_PER_INCH })),
  ];
  return sizes
    .flatMap((size) => {
      const head = headDimension(standard, size);
      return head ? [{ ...size, head }] : [];
    })
    .sort((a, b) => a.nominalMm - b.nominalMm);
}

export const HEAD_STANDARDS: readonly HeadStandard[] = [
  'ISO 4014/4017',
  'ISO 4032',
  'ISO 4161',
  'DIN 931/933',
  'DIN 6923',
  'JIS B 1180 small',
  'ISO 4162',
  'ISO 4762',
  'ISO 7380',
  'ISO 10642',
  'ASME B18.2.1',
  'ASME B18.2.2',
  'ASME B18.3',
];

/**
 * The head a bolt of this size has unless something else is said: a hexagon; the older standard where ISO leaves the
 * size out, a socket cap screw in the number sizes, which have no hexagon.
 */
export function usualHead(thread: Pick<Thread, 'system' | 'nominalMm'>): HeadStandard {
  const [first, second] =
    thread.system === 'metric'
      ? (['ISO 4014/4017', 'DIN 931/933'] as const)
      : (['ASME B18.2.1', 'ASME B18.3'] as const);
  return !headDimension(first, thread) && headDimension(second, thread) ? second : first;
}
