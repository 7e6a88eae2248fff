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
  /** How it is written: `M10 × 1.5`, `3/8-16`, `#10-32`. */
  designation: string;
}

/** A fastener as it is called out on a sheet: its thread and, if given, its length in mm. */
export interface ThreadCallout {
  thread: Thread;
  lengthMm?: number;
}

export type ThreadError =
  /** `16 mm bolt`: people call a bolt by its socket; that says nothing about its thread. */
  | { code: 'driveSizeNotThread'; text: string }
  | { code: 'threadUnreadable'; text: string }
  /** No standard coarse pitch exists for the diameter, so a missing pitch cannot be filled in. */
  | { code: 'pitchUnknown'; text: string };

/** A metric thread; the pitch is always written out so that coarse and fine never look alike. */
export function metricThread(nominalMm: number, pitchMm: number): Thread {
  const series = seriesOfPitch('metric', nominalMm, pitchMm);
  return { system: 'metric', series, nominalMm, pitchMm, designation: `M${nominalMm} × ${pitchMm}` };
}

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
const METRIC = new RegExp(String.raw`^m\s*(\d+(?:\.\d+)?)(?:\s*[x×-]\s*(\d(?:\.\d+)?))?${LENGTH}$`, 'i');
const UNIFIED = new RegExp(
  String.raw`^(#\d+|(?:\d+[-\s])?\d+\/\d+|1[02](?=-\d\d)|\d)(?:"|in)?\s*(?:-\s*(\d+)(?:\s*un[cf])?|\s+(coarse|fine|unc|unf))${LENGTH}$`,
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

/**
 * Reads a thread callout: `M10 x 1.5 x 55`, `M10-1.25 × 30 mm`, `M8`, `3/8-16 x 1-1/4"`, `#10-32`, `5/8 coarse`.
 *
 * @returns the thread and length, or an error. `M10` alone is taken as coarse, the meaning ISO 965-1 gives it;
 *   a bare `16 mm` is refused, because it is the size of a socket.
 */
export function parseThread(text: string): Result<ThreadCallout, ThreadError> {
  const plain = text.trim().replace(/\s+/g, ' ');
  const metric = METRIC.exec(plain);
  if (metric) {
    const nominalMm = Number(metric[1]);
    const pitchMm = metric[2] === undefined ? standardPitchMm('metric', nominalMm, 'coarse') : Number(metric[2]);
    if (pitchMm === undefined) return fail({ code: 'pitchUnknown', text });
    const length = metric[3] === undefined ? undefined : Number(metric[3]);
    if (length !== undefined && !(length > 0)) return fail({ code: 'threadUnreadable', text });
    return ok({ thread: metricThread(nominalMm, pitchMm), lengthMm: length });
  }
  const unified = UNIFIED.exec(plain);
  if (unified) {
    const size = numberSize(unified[1] ?? '', unified[2]);
    const diameterInch = size.startsWith('#') ? NUMBER_SIZE_INCH[size] : inches(size);
    if (diameterInch === undefined || !(diameterInch > 0)) return fail({ code: 'threadUnreadable', text });
    const series = /fine|unf/i.test(unified[3] ?? '') ? 'fine' : 'coarse';
    const pitchMm =
      unified[2] === undefined
        ? standardPitchMm('unified', diameterInch * MM_PER_INCH, series)
        : MM_PER_INCH / Number(unified[2]);
    if (pitchMm === undefined || !Number.isFinite(pitchMm)) return fail({ code: 'pitchUnknown', text });
    const thread = unifiedThread(
      diameterInch,
      Math.round(MM_PER_INCH / pitchMm),
      size.startsWith('#') ? size : undefined,
    );
    const length = unified[4] === undefined ? undefined : inches(unified[4].trim()) * MM_PER_INCH;
    return ok({ thread, lengthMm: length });
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
