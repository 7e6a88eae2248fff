import { type ClearanceFit, clearanceHoleMm } from '../fastener/clearance-hole.ts';
import { type DrillSeries, nearestDrill } from '../fastener/drill-size.ts';
import { insertDrill, overMinorMm, pilotDrill, tapDrill, threadHeightShare } from '../fastener/tap-drill.ts';
import type { Thread } from '../fastener/thread.ts';
import { threadLimits } from '../fastener/thread-tolerance.ts';
import type { InputFault } from '../quantity/input-fault.ts';
import { fail, ok, type Result } from '../result.ts';
import { type Remark, remarksThat } from './remark.ts';

export type DrillPurpose = 'tap' | 'clearance' | 'insert';

export interface DrillAnswer {
  name: string;
  diameterMm: number;
  /** Drill to go first with; none for a hole too small to need one. */
  pilot?: string;
  /** Of the full height of thread; of a tap drill only. */
  threadHeightShare?: number;
  /** Over the smallest inside diameter of the nut thread, mm; of a tap drill only. */
  overMinorMm?: number;
  remarks: Remark[];
}

/** How far under the smallest inside diameter a tap drill may be before it is called tight, mm. Chosen by us. */
const TIGHT_MM = 0.05;

/** Series in which drills for a thread are bought. */
const seriesOf = (thread: Pick<Thread, 'system'>): Extract<DrillSeries, 'metric' | 'fraction'> =>
  thread.system === 'metric' ? 'metric' : 'fraction';

/**
 * The drill for a thread, and what a drill at hand would do instead.
 *
 * @param haveMm - a drill at hand, mm
 * @returns a fault naming `thread` where no standard lists a hole for it
 */
export function drillFor(
  purpose: DrillPurpose,
  thread: Thread,
  fit: ClearanceFit,
  haveMm?: number,
): Result<DrillAnswer, InputFault> {
  const chosen = drillOf(purpose, thread, fit);
  if (!chosen)
    return fail({ code: 'notListed', field: 'thread', value: thread.designation, known: ['ISO 273', 'ASME B18.2.8'] });
  const { name, diameterMm } = chosen;
  const pilot = pilotDrill(diameterMm, seriesOf(thread));
  return ok({
    name,
    diameterMm,
    ...(pilot ? { pilot: pilot.name } : {}),
    threadHeightShare: purpose === 'tap' ? threadHeightShare(thread, diameterMm) : undefined,
    overMinorMm: purpose === 'tap' ? overMinorMm(thread, diameterMm) : undefined,
    remarks: remarksThat(
      haveMm !== undefined && drillAtHand(purpose, thread, haveMm),
      pilot !== undefined && { code: 'pilotFirst' },
      purpose === 'tap' && { code: 'chaserNotTap' },
    ),
  });
}

function drillOf(purpose: DrillPurpose, thread: Thread, fit: ClearanceFit) {
  if (purpose === 'tap') return tapDrill(thread);
  if (purpose === 'insert') return insertDrill(thread);
  const diameterMm = clearanceHoleMm(thread, fit);
  return diameterMm === undefined
    ? undefined
    : { name: nearestDrill(diameterMm, seriesOf(thread)).drill.name, diameterMm };
}

/** What comes of using another drill. */
function drillAtHand(purpose: DrillPurpose, thread: Thread, drillMm: number): Remark | undefined {
  if (purpose === 'clearance')
    return drillMm < thread.nominalMm ? { code: 'drillUnderBolt', drillMm, thread: thread.designation } : undefined;
  if (purpose === 'insert') return undefined;
  const heightShare = threadHeightShare(thread, drillMm);
  const limits = threadLimits(thread)?.internal.minor;
  if (limits && drillMm > limits.maxMm) return { code: 'drillOverThread', drillMm, heightShare };
  if (limits && drillMm < limits.minMm - TIGHT_MM) return { code: 'drillTight', drillMm };
  return { code: 'drillUsable', drillMm, heightShare };
}
