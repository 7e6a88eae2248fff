import { showInchFraction } from '../quantity/display.ts';
import { MM_PER_INCH } from '../quantity/unit.ts';
import { fail, ok, type Result } from '../result.ts';
import {
  NUMBER_SIZE_INCH,
  seriesOfPitch,
  standardPitchMm,
  type ThreadSeries,
  type ThreadSystem,
} from './standard-thread.ts';

/** A screw thread by its nominal diameter and pitch. A thread is never a drive size: see `drive.ts`. */
export interface Thread {
  system: ThreadSystem;
  series: ThreadSeries;
  /** Nominal (major) diameter d, mm. */
  nominalMm: number;
  /** Pitch P, mm. */
  pitchMm: number;
  /** Turns the other way: tightened to the left. It is another thread than the same one right-handed. */
  leftHand?: true;
  /** How it is written: `M10 × 1.5`, `3/8-16`, `#10-32`, `M12 × 1.75 LH`. */
  designation: string;
}

/** A fastener as it is called out on a sheet: its thread and, if given, its length in mm. */
export interface ThreadCallout {
  thread: Thread;
  lengthMm?: number;
  /** Tolerance class as printed: `6g`, `4h6h`, `6H`, `2A`, `3B`. */
  toleranceClass?: string;
}

export type ThreadError =
  /** `16 mm bolt`: people call a bolt by its socket; that says nothing about its thread. */
  | { code: 'driveSizeNotThread'; text: string }
  | { code: 'threadUnreadable'; text: string }
  /** No standard coarse pitch exists for the diameter, so a missing pitch cannot be filled in. */
  | { code: 'pitchUnknown'; text: string }
  /** `1/4-20 UNF`: the number and the series name two threads. */
  | { code: 'seriesContradicts'; text: string; series: string; printed: string; listed: string };

/** A metric thread; the pitch is always written out so that coarse and fine never look alike. */
export function metricThread(nominalMm: number, pitchMm: number): Thread {
  const series = seriesOfPitch('metric', nominalMm, pitchMm);
  return { system: 'metric', series, nominalMm, pitchMm, designation: `M${nominalMm} × ${pitchMm}` };
}

/** The same thread cut the other way. */
export const leftHanded = (thread: Thread): Thread => ({
  ...thread,
  leftHand: true,
  designation: `${thread.designation} LH`,
});

/** A unified inch thread from its diameter in inches (or number size) and threads per inch. */
export function unifiedThread(diameterInch: number, threadsPerInch: number, numberSize?: string): Thread {
  const nominalMm = diameterInch * MM_PER_INCH;
  const pitchMm = MM_PER_INCH / threadsPerInch;
  const size = numberSize ?? showInchFraction(nominalMm);
  return {
    system: 'unified',
    series: seriesOfPitch('unified', nominalMm, pitchMm),
    nominalMm,
    pitchMm,
    designation: `${size}-${threadsPerInch}`,
  };
}

const LENGTH = String.raw`(?:\s*[x×]\s*([\d./\s-]+?)\s*(mm|in|")?)?`;
/** Behind the size, before or after the length: tolerance class and hand. @see ISO 965-1 and ASME B1.1, designations */
const CLASS = /(?:\s*[-–]\s*|\s+)((?:\d[a-hA-H]){1,2}|[123][AB])(?=$|[\s\-–x×])/;
const LEFT_HAND = /(?:\s*[-–]\s*|\s+)(?:lh|left[\s-]hand(?:ed)?)(?=$|[\s\-–x×])/i;
const METRIC = new RegExp(String.raw`^m\s*(\d+(?:\.\d+)?)(?:\s*[x×-]\s*(\d(?:\.\d+)?))?${LENGTH}$`, 'i');
const UNIFIED = new RegExp(
  String.raw`^(#\d+|(?:\d+[-\s])?\d+\/\d+|1[02](?=-\d\d)|\d)(?:"|in)?\s*(?:-\s*(\d+)(?:\s*(unc|unf|unef|uns|un))?|\s+(coarse|fine|unc|unf))${LENGTH}$`,
  'i',
);

/** Threads per inch of the number sizes: `2-56` is #2, and no two-inch bolt. @see ASME B1.1, table 1 (entered from memory) */
const NUMBER_PITCHES: Record<string, readonly string[]> = {
  '0': ['80'],
  '1': ['64', '72'],
  '2': ['56', '64'],
  '3': ['48', '56'],
  '4': ['40', '48'],
  '5': ['40', '44'],
  '6': ['32', '40'],
  '8': ['32', '36'],
  '10': ['24', '32'],
  '12': ['24', '28'],
};

/** A bare whole number is a number size where its pitch is one of that size's. */
const numberSize = (size: string, perInch: string | undefined): string =>
  perInch !== undefined && NUMBER_PITCHES[size]?.includes(perInch) ? `#${size}` : size;

const inches = (text: string): number => {
  const [, whole = '0', top, bottom] = /^(?:(\d+)[-\s])?(\d+)\/(\d+)$/.exec(text) ?? [];
  return top === undefined ? Number(text) : Number(whole) + Number(top) / Number(bottom);
};

/** What is printed behind a size, and the callout without it. */
function splitTail(plain: string): { size: string; toleranceClass?: string; leftHand: boolean } {
  const leftHand = LEFT_HAND.test(plain);
  const rest = plain.replace(LEFT_HAND, '');
  const toleranceClass = CLASS.exec(rest)?.[1];
  return { size: toleranceClass === undefined ? rest : rest.replace(CLASS, ''), toleranceClass, leftHand };
}

/** A series name beside a count of threads per inch that belongs to the other one, and the count that series has. */
function seriesClash(text: string, name: string | undefined, diameterInch: number, perInch: number) {
  const wanted = name && ({ unc: 'coarse', unf: 'fine' } as const)[name.toLowerCase() as 'unc' | 'unf'];
  const listedMm = wanted && standardPitchMm('unified', diameterInch * MM_PER_INCH, wanted);
  if (!name || !listedMm) return undefined;
  const listed = Math.round(MM_PER_INCH / listedMm);
  return listed === perInch
    ? undefined
    : {
        code: 'seriesContradicts' as const,
        text,
        series: name.toUpperCase(),
        printed: String(perInch),
        listed: String(listed),
      };
}

/**
 * Reads a thread callout: `M10 x 1.5 x 55`, `M10-1.25 × 30 mm`, `M8`, `M6x1-6g`, `3/8-16 x 1-1/4"`, `#10-32`,
 * `7/16-20 UNF-2A`, `5/8 coarse`, `M12 LH`.
 *
 * @returns the thread and length, or an error. `M10` alone is taken as coarse, the meaning ISO 965-1 gives it;
 *   a bare `16 mm` is refused, because it is the size of a socket.
 */
export function parseThread(text: string): Result<ThreadCallout, ThreadError> {
  const plain = text.trim().replace(/\s+/g, ' ');
  const { size, toleranceClass, leftHand } = splitTail(plain);
  const callout = (thread: Thread, lengthMm: number | undefined): Result<ThreadCallout, ThreadError> =>
    ok({
      thread: leftHand ? leftHanded(thread) : thread,
      lengthMm,
      ...(toleranceClass === undefined ? {} : { toleranceClass }),
    });
  const metric = METRIC.exec(size);
  if (metric) {
    const nominalMm = Number(metric[1]);
    const pitchMm = metric[2] === undefined ? standardPitchMm('metric', nominalMm, 'coarse') : Number(metric[2]);
    if (pitchMm === undefined) return fail({ code: 'pitchUnknown', text });
    const length = metric[3] === undefined ? undefined : Number(metric[3]);
    if (length !== undefined && !(length > 0)) return fail({ code: 'threadUnreadable', text });
    return callout(metricThread(nominalMm, pitchMm), length);
  }
  const unified = UNIFIED.exec(size);
  if (unified) {
    const [, printedSize = '', perInch, seriesName, seriesWord, printedLength] = unified;
    const number = numberSize(printedSize, perInch);
    const diameterInch = number.startsWith('#') ? NUMBER_SIZE_INCH[number] : inches(number);
    if (diameterInch === undefined || !(diameterInch > 0)) return fail({ code: 'threadUnreadable', text });
    const clash = perInch === undefined ? undefined : seriesClash(text, seriesName, diameterInch, Number(perInch));
    if (clash) return fail(clash);
    const series = /fine|unf/i.test(seriesWord ?? '') ? 'fine' : 'coarse';
    const pitchMm =
      perInch === undefined
        ? standardPitchMm('unified', diameterInch * MM_PER_INCH, series)
        : MM_PER_INCH / Number(perInch);
    if (pitchMm === undefined || !Number.isFinite(pitchMm)) return fail({ code: 'pitchUnknown', text });
    const thread = unifiedThread(
      diameterInch,
      Math.round(MM_PER_INCH / pitchMm),
      number.startsWith('#') ? number : undefined,
    );
    return callout(thread, printedLength === undefined ? undefined : inches(printedLength.trim()) * MM_PER_INCH);
  }
  if (/^\d+(?:\.\d+)?\s*mm\b/i.test(plain)) return fail({ code: 'driveSizeNotThread', text });
  return fail({ code: 'threadUnreadable', text });
}

/** Height of the fundamental triangle H = (√3/2) · P, mm. ISO 68-1 and ASME B1.1 share the 60° profile. */
const fundamentalTriangleMm = (pitchMm: number): number => (Math.sqrt(3) / 2) * pitchMm;

/**
 * Basic pitch diameter d2 = d − (3/4) · H, mm.
 * @see ISO 724, clause 5; ASME B1.1, 60° basic profile
 */
export const pitchDiameterMm = (nominalMm: number, pitchMm: number): number =>
  nominalMm - 0.75 * fundamentalTriangleMm(pitchMm);

/**
 * Basic minor diameter d1 = d − (5/4) · H, mm.
 * @see ISO 724, clause 5
 */
export const minorDiameterMm = (nominalMm: number, pitchMm: number): number =>
  nominalMm - 1.25 * fundamentalTriangleMm(pitchMm);
