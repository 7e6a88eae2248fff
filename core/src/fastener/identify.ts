import { firstFault, type InputFault, outOfRange } from '../quantity/input-fault.ts';
import { MM_PER_INCH } from '../quantity/unit.ts';
import { fail, ok, type Result } from '../result.ts';
import { clearanceHoleMm } from './clearance-hole.ts';
import { HEAD_STANDARDS, type HeadStandard, headDimension, isNut } from './head-dimension.ts';
import { PIPE_THREADS, type PipeThread } from './pipe-thread.ts';
import { standardThreads } from './standard-thread.ts';
import { tapDrill } from './tap-drill.ts';
import { metricThread, type Thread, unifiedThread } from './thread.ts';
import { threadLimits } from './thread-tolerance.ts';

/** What was measured on a fastener or its hole; at least one. All mm. */
export interface Measured {
  /** Over the thread's crests. */
  majorMm?: number;
  pitchMm?: number;
  /** The socket, spanner or key that fits. */
  acrossFlatsMm?: number;
  /** A plain hole it passes through. */
  holeMm?: number;
  /** Inside of a nut, over its crests. */
  minorMm?: number;
}

export interface ThreadCandidate {
  thread: Thread;
  /** Measured minus nominal major diameter, mm. */
  majorOffMm?: number;
  pitchOffMm?: number;
  /** Standards whose head or nut has the measured width. */
  heads: HeadStandard[];
  /** Measured clues that speak for it and against it. */
  votesFor: Array<keyof Measured>;
  votesAgainst: Array<keyof Measured>;
  /** 0 is perfect: misfits in units of what measuring can tell apart. */
  misfit: number;
}

/** Every standard thread the application lists. */
export const allThreads = (): Thread[] =>
  standardThreads().map(({ system, nominalMm, pitchMm, numberSize }) =>
    system === 'metric'
      ? metricThread(nominalMm, pitchMm)
      : unifiedThread(nominalMm / MM_PER_INCH, Math.round(MM_PER_INCH / pitchMm), numberSize),
  );

/** A caliper on worn crests, mm, and a pitch gauge; chosen by us. */
const MAJOR_TOLERANCE_MM = 0.15;
const PITCH_TOLERANCE_MM = 0.03;
/** Widths are told apart to this, mm: 3/4 in (19.05) goes in a 19 mm socket, 18 mm does not (M03). */
export const WIDTH_TOLERANCE_MM = 0.15;

/** What lies on the crests. */
export type SurfaceCoat = 'plain' | 'zincPlated' | 'zincFlake' | 'hotDip' | 'painted';

/**
 * How much a coat adds to a diameter, mm: twice its thickness. Plated 8 to 10 µm (ISO 4042), flake about 10 µm (ISO
 * 10683), hot dip 50 µm and more (ISO 10684), from memory; paint chosen by us.
 */
export const COAT_MM: Record<SurfaceCoat, number> = {
  plain: 0,
  zincPlated: 0.02,
  zincFlake: 0.02,
  hotDip: 0.12,
  painted: 0.2,
};

/** What makes a thread measure otherwise than it was cut. */
export interface Surface {
  coat?: SurfaceCoat;
  /** What wear took off the diameter, mm. */
  wornMm?: number;
}

/** How far outside limits a reading lies, when a coat may have raised and wear lowered it; of a nut the other way. */
const outside = (reading: number, limits: { minMm: number; maxMm: number }, lowerMm: number, raisedMm: number) =>
  reading < limits.minMm - lowerMm ? limits.minMm - lowerMm - reading : Math.max(0, reading - limits.maxMm - raisedMm);

/** A pipe thread that has what was measured. */
export interface PipeCandidate {
  pipe: PipeThread;
  /** As of a {@link ThreadCandidate}. */
  misfit: number;
}

/**
 * Pipe threads that the measured diameter and pitch may be: fittings, sensors and plugs, but no bolts.
 * @returns best first; none where no diameter was measured
 */
export function identifyPipe(measured: Measured, surface: Surface = {}): PipeCandidate[] {
  const { majorMm, pitchMm } = measured;
  if (majorMm === undefined) return [];
  const [raised, worn] = [COAT_MM[surface.coat ?? 'plain'], surface.wornMm ?? 0];
  return PIPE_THREADS.flatMap((pipe): PipeCandidate[] => {
    const off = outside(majorMm, pipe.crests, worn, raised) / MAJOR_TOLERANCE_MM;
    const pitchOff = pitchMm === undefined ? 0 : Math.abs(pitchMm - pipe.pitchMm) / PITCH_TOLERANCE_MM;
    if (off > 1 || pitchOff > 1) return [];
    return [{ pipe, misfit: off + pitchOff }];
  }).sort((a, b) => a.misfit - b.misfit);
}

function judge(thread: Thread, measured: Measured, surface: Surface): ThreadCandidate {
  const votesFor: Array<keyof Measured> = [];
  const votesAgainst: Array<keyof Measured> = [];
  let misfit = 0;
  const vote = (clue: keyof Measured, off: number, tolerance: number) => {
    (off <= tolerance ? votesFor : votesAgainst).push(clue);
    misfit += off / tolerance;
  };
  const limits = threadLimits(thread);
  const [coatMm, wornMm] = [COAT_MM[surface.coat ?? 'plain'], surface.wornMm ?? 0];
  if (measured.majorMm !== undefined) {
    // Real crests lie below the nominal diameter, by what the tolerance class allows.
    const crests = limits?.external.major ?? { minMm: thread.nominalMm - 0.2, maxMm: thread.nominalMm };
    vote('majorMm', outside(measured.majorMm, crests, wornMm, coatMm), MAJOR_TOLERANCE_MM);
  }
  if (measured.minorMm !== undefined && limits)
    vote('minorMm', outside(measured.minorMm, limits.internal.minor, coatMm, wornMm), MAJOR_TOLERANCE_MM);
  if (measured.pitchMm !== undefined) vote('pitchMm', Math.abs(measured.pitchMm - thread.pitchMm), PITCH_TOLERANCE_MM);
  const { acrossFlatsMm, holeMm } = measured;
  const heads: HeadStandard[] = [];
  if (acrossFlatsMm !== undefined) {
    let nearest = Number.POSITIVE_INFINITY;
    for (const standard of HEAD_STANDARDS) {
      const width = headDimension(standard, thread)?.acrossFlatsMm;
      if (width === undefined) continue;
      const off = Math.abs(width - acrossFlatsMm);
      if (off <= WIDTH_TOLERANCE_MM) heads.push(standard);
      nearest = Math.min(nearest, off);
    }
    if (Number.isFinite(nearest)) vote('acrossFlatsMm', nearest, WIDTH_TOLERANCE_MM);
    else votesAgainst.push('acrossFlatsMm');
  }
  if (holeMm !== undefined) {
    const coarse = clearanceHoleMm(thread, 'coarse') ?? thread.nominalMm * 1.2;
    const off = holeMm < thread.nominalMm ? thread.nominalMm - holeMm : Math.max(0, holeMm - coarse);
    vote('holeMm', off, 0.1);
  }
  return {
    thread,
    majorOffMm: measured.majorMm === undefined ? undefined : measured.majorMm - thread.nominalMm,
    pitchOffMm: measured.pitchMm === undefined ? undefined : measured.pitchMm - thread.pitchMm,
    heads,
    votesFor,
    votesAgainst,
    misfit,
  };
}

/**
 * Threads that measured sizes may be, in both systems, best first. A width across flats alone fits several threads;
 * it never stands in for one.
 *
 * @param surface - a coat that raised the crests, wear that lowered them
 * @returns candidates with no clue against them first, then those with fewest; or what cannot be
 */
export function identifyThread(measured: Measured, surface: Surface = {}): Result<ThreadCandidate[], InputFault> {
  const clues = Object.entries(measured).filter(([, value]) => value !== undefined) as Array<[string, number]>;
  if (clues.length === 0) return fail({ code: 'notANumber', field: 'measured' });
  const fault = firstFault(
    ...clues.map(([field, value]) =>
      outOfRange(field, value, field === 'pitchMm' ? 0.2 : 1, field === 'pitchMm' ? 8 : 80),
    ),
    outOfRange('wornMm', surface.wornMm ?? 0, 0, 1),
  );
  if (fault) return fail(fault);
  const candidates = allThreads().map((thread) => judge(thread, measured, surface));
  return ok(
    candidates
      .filter((candidate) => candidate.votesFor.length > 0)
      .sort(
        (a, b) =>
          a.votesAgainst.length - b.votesAgainst.length ||
          a.misfit - b.misfit ||
          seriesRank(a.thread) - seriesRank(b.thread) ||
          a.thread.nominalMm - b.thread.nominalMm,
      )
      .slice(0, 8),
  );
}

const seriesRank = ({ series }: Thread): number => ({ coarse: 0, fine: 1, other: 2 })[series];

/** Sizes of one kind nearest a measured width, in both systems: 19 mm and 3/4 in lie 0.05 mm apart. */
export function nearestWidths(
  acrossFlatsMm: number,
): Array<{ widthMm: number; inch: boolean; differenceMm: number; fits: boolean }> {
  const metric = [...Array(49).keys()]
    .map((step) => ({ widthMm: step + 4, inch: false }))
    .concat({ widthMm: 5.5, inch: false });
  const inch = [...Array(31).keys()].map((step) => ({ widthMm: ((step + 2) / 16) * MM_PER_INCH, inch: true }));
  const nearest = (list: Array<{ widthMm: number; inch: boolean }>) =>
    [...list]
      .sort((a, b) => Math.abs(a.widthMm - acrossFlatsMm) - Math.abs(b.widthMm - acrossFlatsMm))
      .slice(0, 2)
      .map((entry) => ({
        ...entry,
        differenceMm: entry.widthMm - acrossFlatsMm,
        // A socket goes over a head no larger than itself and holds one little smaller.
        fits: entry.widthMm - acrossFlatsMm > -0.06 && entry.widthMm - acrossFlatsMm < 0.35,
      }));
  return [...nearest(metric), ...nearest(inch)].sort((a, b) => Math.abs(a.differenceMm) - Math.abs(b.differenceMm));
}

/** A tool named for a joint that no standard gives its thread (M03, M04). */
export type ToolContradiction =
  | { code: 'widthNotOfThread'; acrossFlatsMm: number; usualMm: number[]; alsoFits: string[] }
  | { code: 'drillBelowThread'; drillMm: number; nominalMm: number; neededMm: number }
  | { code: 'tapDrillWrong'; drillMm: number; rightMm: number };

/**
 * Whether the tools named for a thread belong to it: driver, clearance drill, tap drill.
 * @param named - mm; leave out what the sheet does not name
 */
export function toolContradictions(
  thread: Thread,
  named: { acrossFlatsMm?: number; clearanceDrillMm?: number; tapDrillMm?: number },
): ToolContradiction[] {
  const found: ToolContradiction[] = [];
  const { acrossFlatsMm, clearanceDrillMm, tapDrillMm } = named;
  if (acrossFlatsMm !== undefined) {
    const widths = HEAD_STANDARDS.flatMap((standard) => headDimension(standard, thread)?.acrossFlatsMm ?? []);
    if (!widths.some((width) => Math.abs(width - acrossFlatsMm) <= WIDTH_TOLERANCE_MM)) {
      const alsoFits = identifyThread({ acrossFlatsMm });
      found.push({
        code: 'widthNotOfThread',
        acrossFlatsMm,
        usualMm: [...new Set(widths)].sort((a, b) => a - b),
        alsoFits: alsoFits.ok
          ? alsoFits.value
              .filter(({ heads, thread: { series } }) => series === 'coarse' && heads.some((head) => !isNut(head)))
              .map((entry) => entry.thread.designation)
          : [],
      });
    }
  }
  if (clearanceDrillMm !== undefined && clearanceDrillMm < thread.nominalMm) {
    found.push({
      code: 'drillBelowThread',
      drillMm: clearanceDrillMm,
      nominalMm: thread.nominalMm,
      neededMm: clearanceHoleMm(thread, 'fine') ?? thread.nominalMm * 1.05,
    });
  }
  if (tapDrillMm !== undefined) {
    const rightMm = tapDrill(thread).diameterMm;
    if (Math.abs(tapDrillMm - rightMm) > 0.12 * thread.pitchMm + 0.1)
      found.push({ code: 'tapDrillWrong', drillMm: tapDrillMm, rightMm });
  }
  return found;
}
