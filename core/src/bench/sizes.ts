import { clearanceHoleMm } from '../fastener/clearance-hole.ts';
import { HEAD_STANDARDS, type HeadDimension, type HeadStandard, headDimension } from '../fastener/head-dimension.ts';
import { toolContradictions } from '../fastener/identify.ts';
import { stressAreaMm2 } from '../fastener/stress-area.ts';
import { minorDiameterMm, pitchDiameterMm, type Thread } from '../fastener/thread.ts';
import { threadLimits } from '../fastener/thread-tolerance.ts';
import { type WasherDimension, type WasherStandard, washerDimension, washerStandards } from '../fastener/washer.ts';
import type { Remark } from './remark.ts';

/** Tools a sheet names for a thread, mm. */
export type NamedTools = Parameters<typeof toolContradictions>[1];

export interface ThreadSizes {
  pitchDiameterMm: number;
  minorDiameterMm: number;
  stressAreaMm2: number;
  limits?: ReturnType<typeof threadLimits>;
  clearanceHoleMm: { fine?: number; medium?: number; coarse?: number };
}

/** Sizes of a thread itself. */
export const threadSizes = (thread: Thread): ThreadSizes => ({
  pitchDiameterMm: pitchDiameterMm(thread.nominalMm, thread.pitchMm),
  minorDiameterMm: minorDiameterMm(thread.nominalMm, thread.pitchMm),
  stressAreaMm2: stressAreaMm2(thread),
  limits: threadLimits(thread),
  clearanceHoleMm: {
    fine: clearanceHoleMm(thread, 'fine'),
    medium: clearanceHoleMm(thread, 'medium'),
    coarse: clearanceHoleMm(thread, 'coarse'),
  },
});

/** Heads and nuts that standards list for a thread. */
export const headsFor = (
  thread: Thread,
  standards: readonly HeadStandard[] = HEAD_STANDARDS,
): Array<{ standard: HeadStandard; head: HeadDimension }> =>
  standards.flatMap((standard) => {
    const head = headDimension(standard, thread);
    return head ? [{ standard, head }] : [];
  });

/** Washers that standards list for a thread. */
export const washersFor = (thread: Thread): Array<{ standard: WasherStandard; washer: WasherDimension }> =>
  washerStandards(thread.system).flatMap((standard) => {
    const washer = washerDimension(standard, thread);
    return washer ? [{ standard, washer }] : [];
  });

/** Whether the tools named for a thread can be right. */
export function toolsFit(thread: Thread, named: NamedTools): Remark[] {
  const wrong = toolContradictions(thread, named).map((fault): Remark => ({ ...fault, thread: thread.designation }));
  const asked = Object.values(named).some((value) => value !== undefined);
  const fit: Remark[] = wrong.length === 0 && asked ? [{ code: 'toolsOfThread' }] : wrong;
  return thread.leftHand ? [{ code: 'leftHandThread' }, ...fit] : fit;
}
