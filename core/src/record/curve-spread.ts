import type { TraceKind } from '../trace/pull-trace.ts';
import { median } from '../trace/tidy-trace.ts';

/** A curve of one pull: degrees since the torque began to grow, and the torque, N·m. */
export interface KeptCurve {
  revision: number;
  /** The job's number. */
  number: string;
  job: string;
  atMs: number;
  kind?: TraceKind;
  points: ReadonlyArray<readonly [deg: number, nm: number]>;
}

/** The curves of one revision of a kit at one station. */
export interface CurveSpread {
  revision: number;
  curves: number;
  /** How fast the torque grows on the straight part, N·m to the degree: the middle, and the middle half. */
  slope?: { median: number; low: number; high: number };
  /** What kinds of pull they were, most often first. */
  kinds: Array<{ kind: TraceKind; times: number }>;
}

/** Shares of the peak between which a joint pulls straight: past the seating, before the click. Chosen by us. */
const [FROM, TO] = [0.4, 0.9];
/** Fewer points are no line. */
const FEWEST = 4;

/**
 * How fast the torque grows on the straight part of a curve, N·m/°: the middle of the slopes between any two of its points
 * (Theil, 1950; Sen, 1968), which no stray point tilts. Undefined where too few points lie there.
 */
export function straightSlope(points: KeptCurve['points']): number | undefined {
  const peak = Math.max(...points.map(([, nm]) => nm));
  const first = points.findIndex(([, nm]) => nm >= FROM * peak);
  const last = points.findIndex(([, nm]) => nm >= TO * peak);
  const line = points.slice(Math.max(0, first), last < 0 ? undefined : last + 1);
  const slopes = line.flatMap(([deg, nm], at) =>
    line.slice(at + 1).flatMap(([other, more]) => (other > deg ? [(more - nm) / (other - deg)] : [])),
  );
  return line.length < FEWEST || slopes.length === 0 ? undefined : median(slopes);
}

/** The curves of a station by revision, the newest revision first. */
export function curveSpreads(curves: readonly KeptCurve[]): CurveSpread[] {
  const revisions = [...new Set(curves.map(({ revision }) => revision))].sort((a, b) => b - a);
  return revisions.map((revision) => {
    const own = curves.filter((curve) => curve.revision === revision);
    const slopes = own.flatMap(({ points }) => straightSlope(points) ?? []).sort((a, b) => a - b);
    const at = (share: number) => slopes[Math.round(share * (slopes.length - 1))] ?? 0;
    const times = new Map<TraceKind, number>();
    for (const { kind } of own) if (kind) times.set(kind, (times.get(kind) ?? 0) + 1);
    return {
      revision,
      curves: own.length,
      ...(slopes.length === 0 ? {} : { slope: { median: median(slopes), low: at(0.25), high: at(0.75) } }),
      kinds: [...times].map(([kind, often]) => ({ kind, times: often })).sort((a, b) => b.times - a.times),
    };
  });
}
