import { parseThread } from '../fastener/thread.ts';
import {
  anyThreadDensity,
  type BoltMeasured,
  type BoltSpread,
  threadDensity,
  USUAL_SPREAD,
} from '../fastener/which-thread.ts';
import { normalDensity } from '../quantity/normal.ts';
import type { PlanItem } from './plan.ts';

/** What was measured and read on a piece in the hand. */
export interface PieceMeasured extends BoltMeasured {
  /** From under the head, mm; of a countersunk screw the whole (ISO 888). */
  lengthMm?: number;
  /** On the head: 8.8, 10.9. */
  propertyClass?: string;
  /** As the list calls it: zinc, black. */
  finish?: string;
  /** Whether a magnet takes it. */
  magnetic?: boolean;
}

/** What may be measured next. */
export type PieceClue = keyof PieceMeasured;

/** How likely a line of the packing list is. */
export interface LineChance<P> {
  item: P;
  /** 0 to 1; the lines add up to 1 with what is on none of them. */
  chance: number;
}

type Line = Pick<PlanItem, 'id' | 'kind' | 'name' | 'thread' | 'lengthMm' | 'propertyClass' | 'finish'>;

/** One piece in so many on the bench is of no line of this list: from the floor, or of the car (chosen by us). */
const OF_NO_LINE = 0.05;
/** Lengths are cut to js15 to js17 and read with a scale: one standard deviation, mm (ISO 4759-1, from memory). */
const LENGTH_SIGMA_MM = 0.8;
/** Bolts of usual lengths lie anywhere in it, mm. */
const ANY_LENGTH_MM = 100;
/** A head's mark is read wrong, or the list is, once in so many; of so many classes (chosen by us). */
const MARK_WRONG = 0.03;
const CLASSES = 6;
/** A finish is told wrong, by a lamp or by dirt, once in so many; of so many finishes (chosen by us). */
const FINISH_WRONG = 0.1;
const FINISHES = 4;
/** A magnet is felt wrong, or a stainless bolt is work-hardened enough to hold it, once in so many (chosen by us). */
const MAGNET_WRONG = 0.08;

/** Whether a magnet takes it: austenitic stainless, brass, copper, aluminium and titanium it leaves (common practice, no source). */
export const isMagnetic = ({
  propertyClass = '',
  finish = '',
  name,
}: Pick<Line, 'propertyClass' | 'finish' | 'name'>): boolean =>
  !/^A[24]\b/i.test(propertyClass) && !/stainless|brass|bronze|copper|alumini|titan/i.test(`${finish} ${name}`);

/** Whether a line is a piece with a thread outside. */
const isBolt = ({ kind, thread }: Line): boolean => (kind === 'bolt' || kind === 'stud') && thread !== undefined;

function lineDensity(line: Line, measured: PieceMeasured, spread: BoltSpread): number {
  const read = parseThread(line.thread ?? '');
  if (!read.ok) return 0;
  const { lengthMm, propertyClass } = measured;
  const length =
    lengthMm === undefined || line.lengthMm === undefined
      ? lengthMm === undefined
        ? 1
        : 1 / ANY_LENGTH_MM
      : normalDensity(lengthMm - line.lengthMm, LENGTH_SIGMA_MM);
  const mark =
    propertyClass === undefined
      ? 1
      : line.propertyClass === undefined
        ? 1 / CLASSES
        : line.propertyClass === propertyClass
          ? 1 - MARK_WRONG
          : MARK_WRONG / (CLASSES - 1);
  const finish =
    measured.finish === undefined
      ? 1
      : line.finish === undefined
        ? 1 / FINISHES
        : line.finish === measured.finish
          ? 1 - FINISH_WRONG
          : FINISH_WRONG / (FINISHES - 1);
  const magnet =
    measured.magnetic === undefined ? 1 : isMagnetic(line) === measured.magnetic ? 1 - MAGNET_WRONG : MAGNET_WRONG;
  return threadDensity(read.value.thread, measured, spread) * length * mark * finish * magnet;
}

/**
 * Which bolt of the packing list a piece is, by Bayes' rule from what was measured.
 *
 * @returns lines by chance, the likeliest first, and the chance that it is of none
 */
export function whichLine<P extends Line>(
  measured: PieceMeasured,
  items: readonly P[],
  spread: BoltSpread = USUAL_SPREAD,
): { lines: Array<LineChance<P>>; ofNone: number } {
  const bolts = items.filter(isBolt);
  const before = (1 - OF_NO_LINE) / Math.max(bolts.length, 1);
  const weighed = bolts.map((item) => ({ item, weight: before * lineDensity(item, measured, spread) }));
  const none =
    (bolts.length === 0 ? 1 : OF_NO_LINE) *
    anyThreadDensity(measured, spread) *
    (measured.lengthMm === undefined ? 1 : 1 / ANY_LENGTH_MM) *
    (measured.propertyClass === undefined ? 1 : 1 / CLASSES) *
    (measured.finish === undefined ? 1 : 1 / FINISHES) *
    // Most of what lies about is steel.
    (measured.magnetic === undefined ? 1 : measured.magnetic ? 0.85 : 0.15);
  const sum = weighed.reduce((total, { weight }) => total + weight, none);
  return {
    lines: weighed
      .map(({ item, weight }) => ({ item, chance: sum > 0 ? weight / sum : 0 }))
      .sort((a, b) => b.chance - a.chance),
    ofNone: sum > 0 ? none / sum : 1,
  };
}

/** Lines less likely than this are not worth a measurement. */
const WORTH_TELLING = 0.01;

/**
 * The one further thing to look at that tells the likeliest lines best apart: by how likely both of a pair are, and
 * whether it differs between them. A length is taken quicker than a magnet is held to it, that than a colour is judged, a
 * mark read or a pitch measured.
 */
export function nextLook(
  lines: ReadonlyArray<LineChance<Line>>,
  measured: PieceMeasured,
): Exclude<PieceClue, 'acrossFlatsMm'> | undefined {
  const likely = lines.filter(({ chance }) => chance >= WORTH_TELLING);
  const threadOf = ({ thread }: Line) => {
    const read = parseThread(thread ?? '');
    return read.ok ? read.value.thread : undefined;
  };
  const tells: Record<Exclude<PieceClue, 'acrossFlatsMm'>, (a: Line, b: Line) => boolean> = {
    lengthMm: (a, b) => Math.abs((a.lengthMm ?? 0) - (b.lengthMm ?? 0)) > 4 * LENGTH_SIGMA_MM,
    majorMm: (a, b) => Math.abs((threadOf(a)?.nominalMm ?? 0) - (threadOf(b)?.nominalMm ?? 0)) > 0.2,
    magnetic: (a, b) => isMagnetic(a) !== isMagnetic(b),
    finish: (a, b) => a.finish !== b.finish,
    propertyClass: (a, b) => a.propertyClass !== b.propertyClass,
    pitchMm: (a, b) => Math.abs((threadOf(a)?.pitchMm ?? 0) - (threadOf(b)?.pitchMm ?? 0)) > 0.04,
  };
  let best: { clue: keyof typeof tells; worth: number } | undefined;
  for (const clue of Object.keys(tells) as Array<keyof typeof tells>) {
    if (measured[clue] !== undefined) continue;
    let worth = 0;
    likely.forEach((one, index) => {
      for (const other of likely.slice(index + 1))
        if (tells[clue](one.item, other.item)) worth += one.chance * other.chance;
    });
    // The quicker one stands where two tell alike.
    if (worth > 1e-3 && worth > (best?.worth ?? 0) * 1.05) best = { clue, worth };
  }
  return best?.clue;
}
