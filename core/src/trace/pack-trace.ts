import { decode, encode } from 'vlq';
import type { TraceSample } from './pull-trace.ts';
import { median } from './tidy-trace.ts';

/** Readings that are kept of one pull: with them it is drawn and judged alike; more would weigh on every tablet. */
export const KEPT_READINGS = 240;
/** The longest a packed trace can be, signs: three figures of at most four signs for each reading. */
export const PACKED_LENGTH = KEPT_READINGS * 12;

const MS = 1;
const DEG = 0.1;
const NM = 0.01;

/**
 * Fewer readings, evenly over time: the middle of each stretch. What is lost is scatter, and jerks faster than the stretch.
 *
 * @param samples - in the order they were read
 */
export function thinned(samples: readonly TraceSample[], most = KEPT_READINGS): TraceSample[] {
  if (samples.length <= most) return [...samples];
  // A long free run says little: half of what is kept is for what comes after the torque has grown.
  const peakNm = Math.max(...samples.map(({ torqueNm }) => torqueNm));
  const grows = Math.max(
    0,
    samples.findIndex(({ torqueNm }) => torqueNm > 0.15 * peakNm),
  );
  const [before, after] = [samples.slice(0, grows), samples.slice(grows)];
  const forBefore = Math.min(before.length, Math.max(most >> 2, most - after.length));
  return [...evenly(before, forBefore), ...evenly(after, most - forBefore)];
}

function evenly(samples: readonly TraceSample[], count: number): TraceSample[] {
  if (samples.length <= count) return [...samples];
  return Array.from({ length: count }, (_, place) => {
    const part = samples.slice(
      Math.floor((place * samples.length) / count),
      Math.floor(((place + 1) * samples.length) / count),
    );
    const middle = part[part.length >> 1] as TraceSample;
    return { ...middle, torqueNm: median(part.map(({ torqueNm }) => torqueNm)) };
  });
}

/**
 * A trace as a short text: differences of milliseconds, tenths of a degree and hundredths of a newton metre, as Base64 VLQ,
 * the way source maps write numbers (ECMA-426, from memory).
 */
export function packTrace(samples: readonly TraceSample[]): string {
  const kept = thinned(samples);
  const first = kept[0]?.atMs ?? 0;
  let [ms, deg, nm] = [0, 0, 0];
  return encode(
    kept.flatMap(({ atMs, angleDeg, torqueNm }) => {
      const now = [Math.round((atMs - first) / MS), Math.round(angleDeg / DEG), Math.round(torqueNm / NM)] as const;
      const steps = [now[0] - ms, now[1] - deg, now[2] - nm];
      [ms, deg, nm] = now;
      return steps;
    }),
  );
}

/** What {@link packTrace} wrote; undefined where it is no such text. */
export function unpackTrace(text: string): TraceSample[] | undefined {
  let figures: number[];
  try {
    figures = decode(text);
  } catch {
    // `decode` throws at a sign that is none of Base64: said by the answer.
    return undefined;
  }
  if (figures.length % 3 !== 0 || figures.length > 3 * KEPT_READINGS) return undefined;
  let [ms, deg, nm] = [0, 0, 0];
  const samples: TraceSample[] = [];
  for (let at = 0; at < figures.length; at += 3) {
    ms += figures[at] as number;
    deg += figures[at + 1] as number;
    nm += figures[at + 2] as number;
    samples.push({
      atMs: ms * MS,
      angleDeg: Number((deg * DEG).toFixed(1)),
      torqueNm: Number((nm * NM).toFixed(2)),
    });
  }
  return samples;
}
