import { type Bead, beadVolume } from '../compound/bead-volume.ts';
import type { Thread } from '../fastener/thread.ts';
import type { InputFault } from '../quantity/input-fault.ts';
import { ok, type Result } from '../result.ts';
import { type Remark, remarksThat } from './remark.ts';

export interface BeadAnswer extends Bead {
  /** For all of them, mL. */
  totalMl: number;
  remarks: Remark[];
}

/**
 * How much compound a number of threads take.
 *
 * @param blindEndMm - free depth past the bolt in a blind hole, mm; left out for a through hole or a nut
 */
export function beadFor(
  thread: Pick<Thread, 'system' | 'nominalMm' | 'pitchMm'>,
  engagementMm: number,
  blindEndMm: number | undefined,
  count: number,
): Result<BeadAnswer, InputFault> {
  const bead = beadVolume(thread, engagementMm, blindEndMm);
  if (!bead.ok) return bead;
  const { beadMl, tooMuch, mostMl = 0 } = bead.value;
  return ok({
    ...bead.value,
    totalMl: beadMl * count,
    remarks: remarksThat(
      tooMuch && { code: 'locksHydraulically', mostMl },
      { code: blindEndMm === undefined ? 'onTheBolt' : 'intoTheHole' },
      { code: 'skinContact' },
    ),
  });
}
