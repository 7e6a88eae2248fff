import { normalDensity, readingDensity } from '../quantity/normal.ts';
import { HEAD_STANDARDS, headDimension } from './head-dimension.ts';
import { allThreads } from './identify.ts';
import type { Thread } from './thread.ts';
import { threadLimits } from './thread-tolerance.ts';

/** What was measured on the outside of a fastener, mm. */
export interface BoltMeasured {
  /** Over the thread's crests. */
  majorMm?: number;
  pitchMm?: number;
  /** The width of its head, or the key that fits. */
  acrossFlatsMm?: number;
}
export type BoltClue = keyof BoltMeasured;

/** How far readings scatter, as an instrument's spread is stated: 19 of 20 lie within so many mm of the true size. */
export type BoltSpread = Readonly<Record<BoltClue, number>>;

/** Standard deviations that 19 of 20 normal readings lie within. */
const NINETEEN_OF_TWENTY = 1.96;
/** One standard deviation of a reading, mm. */
export const sigmaOf = (spread: BoltSpread, clue: BoltClue): number => spread[clue] / NINETEEN_OF_TWENTY;

/** A calliper in the bay; a pitch from ten threads laid on a scale, or a gauge; a jaw on a head (chosen by us). */
export const USUAL_SPREAD: BoltSpread = { majorMm: 0.05, pitchMm: 0.02, acrossFlatsMm: 0.15 };

/** How likely a thread is, given what was measured. */
export interface ThreadChance {
  thread: Thread;
  /** 0 to 1; all that were looked at add up to 1 with what is on no list. */
  chance: number;
}

/** A coarse and a fine thread are as likely in a bag, one of another pitch a tenth as likely (chosen by us). */
const BEFORE: Record<Thread['series'], number> = { coarse: 1, fine: 1, other: 0.1 };
/** Of all fasteners in hand, one in so many has a thread that is on no list (chosen by us). */
const ON_NO_LIST = 1 / 500;
/** A head not made to any listed standard (chosen by us). */
const HEAD_OF_ITS_OWN = 0.05;
/** Plating makes crests so much larger, and wear smaller, mm (chosen by us). */
const WORN_MM = 0.02;
/** One reading in so many is a slip, and scatters so many times as far: no answer rests on one reading's last hundredth (chosen by us). */
const SLIP = { share: 0.1, times: 3 };
/** Heads may be this much under their nominal width, mm: h13 to h14 of usual sizes (ISO 4759-1, from memory). */
const HEAD_UNDER_MM = 0.3;
/** What may be measured at all, mm: readings of a thread that is on no list lie anywhere in it. */
const ANYWHERE: BoltSpread = { majorMm: 30, pitchMm: 4, acrossFlatsMm: 50 };

const widths = new Map<string, readonly number[]>();

/** Widths across flats that heads of a thread have, by the standards. */
function widthsOf(thread: Thread): readonly number[] {
  const known = widths.get(thread.designation);
  if (known) return known;
  const found = [
    ...new Set(HEAD_STANDARDS.flatMap((standard) => headDimension(standard, thread)?.acrossFlatsMm ?? [])),
  ];
  widths.set(thread.designation, found);
  return found;
}

/** Least and most a crest of the thread measures, mm. */
export function crestsOf(thread: Thread): { minMm: number; maxMm: number } {
  const limits = threadLimits(thread)?.external.major;
  // Where no table lists the pair, a tenth of the pitch is about what class 6g allows.
  return limits ?? { minMm: thread.nominalMm - 0.12 * thread.pitchMm - 0.1, maxMm: thread.nominalMm };
}

/** How well one clue agrees with a thread, as a density per mm, slips included. */
const clueDensity = (thread: Thread, clue: BoltClue, reading: number, sigma: number): number =>
  (1 - SLIP.share) * readDensity(thread, clue, reading, sigma) +
  SLIP.share * readDensity(thread, clue, reading, sigma * SLIP.times);

function readDensity(thread: Thread, clue: BoltClue, reading: number, sigma: number): number {
  switch (clue) {
    case 'majorMm': {
      const { minMm, maxMm } = crestsOf(thread);
      return readingDensity(reading, minMm - WORN_MM, maxMm + WORN_MM, sigma);
    }
    case 'pitchMm':
      return normalDensity(reading - thread.pitchMm, sigma);
    case 'acrossFlatsMm': {
      const known = widthsOf(thread);
      const own = HEAD_OF_ITS_OWN / ANYWHERE.acrossFlatsMm;
      if (known.length === 0) return own;
      const sum = known.reduce(
        (total, width) => total + readingDensity(reading, width - HEAD_UNDER_MM, width, sigma),
        0,
      );
      return own + ((1 - HEAD_OF_ITS_OWN) * sum) / known.length;
    }
  }
}

const CLUES: readonly BoltClue[] = ['majorMm', 'pitchMm', 'acrossFlatsMm'];

const givenOf = (measured: BoltMeasured): BoltClue[] => CLUES.filter((clue) => measured[clue] !== undefined);

/** How well all that was measured agrees with a thread: the product of its clues' densities, 1 where nothing was. */
export const threadDensity = (thread: Thread, measured: BoltMeasured, spread: BoltSpread = USUAL_SPREAD): number =>
  givenOf(measured).reduce(
    (product, clue) => product * clueDensity(thread, clue, measured[clue] ?? 0, sigmaOf(spread, clue)),
    1,
  );

/** Every thread before anything is measured, and what is on no list. */
function weighed(measured: BoltMeasured, spread: BoltSpread) {
  const all = allThreads();
  const before = all.reduce((sum, { series }) => sum + BEFORE[series], 0);
  return {
    threads: all.map((thread) => ({
      thread,
      weight: (((1 - ON_NO_LIST) * BEFORE[thread.series]) / before) * threadDensity(thread, measured, spread),
    })),
    none: givenOf(measured).reduce((weight, clue) => weight / ANYWHERE[clue], ON_NO_LIST),
  };
}

/** How likely such readings are at all, whatever the fastener. */
export function anyThreadDensity(measured: BoltMeasured, spread: BoltSpread = USUAL_SPREAD): number {
  const { threads, none } = weighed(measured, spread);
  return threads.reduce((sum, { weight }) => sum + weight, none);
}

/**
 * Which thread a fastener has, by Bayes' rule from what was measured and how far such readings scatter.
 *
 * @param measured - at least one clue; with none every thread is as likely as it is common
 * @returns threads by chance, the likeliest first, and the chance that it is on no list
 */
export function whichThread(
  measured: BoltMeasured,
  spread: BoltSpread = USUAL_SPREAD,
): { threads: ThreadChance[]; onNoList: number } {
  const { threads, none } = weighed(measured, spread);
  const sum = threads.reduce((total, { weight }) => total + weight, none);
  return {
    threads: threads
      .map(({ thread, weight }) => ({ thread, chance: weight / sum }))
      .sort((a, b) => b.chance - a.chance),
    onNoList: none / sum,
  };
}

/** What a thread is expected to read, mm; the usual head for its width. */
const expected = (thread: Thread, clue: BoltClue): number | undefined => {
  if (clue === 'pitchMm') return thread.pitchMm;
  if (clue === 'acrossFlatsMm') return widthsOf(thread)[0];
  const { minMm, maxMm } = crestsOf(thread);
  return (minMm + maxMm) / 2;
};

/** Candidates less likely than this are not worth a measurement. */
const WORTH_TELLING = 0.01;

/**
 * The one further measurement that tells the likeliest threads best apart: for every two of them, how seldom their
 * readings would overlap, weighed by how likely both are.
 *
 * @returns undefined where everything was measured, or no measurement would tell more
 */
export function nextMeasurement(
  threads: readonly ThreadChance[],
  measured: BoltMeasured,
  spread: BoltSpread = USUAL_SPREAD,
): BoltClue | undefined {
  const likely = threads.filter(({ chance }) => chance >= WORTH_TELLING).slice(0, 12);
  const worth = (clue: BoltClue): number => {
    let sum = 0;
    likely.forEach((one, index) => {
      for (const other of likely.slice(index + 1)) {
        const [a, b] = [expected(one.thread, clue), expected(other.thread, clue)];
        if (a === undefined || b === undefined) continue;
        // Overlap of two normal readings of the same spread (Bhattacharyya, 1943).
        sum += one.chance * other.chance * (1 - Math.exp(-((a - b) ** 2) / (8 * sigmaOf(spread, clue) ** 2)));
      }
    });
    return sum;
  };
  const open = CLUES.filter((clue) => measured[clue] === undefined)
    .map((clue) => ({ clue, worth: worth(clue) }))
    .sort((a, b) => b.worth - a.worth);
  return open[0] && open[0].worth > 1e-3 ? open[0].clue : undefined;
}
