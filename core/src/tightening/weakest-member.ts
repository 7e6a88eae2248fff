import { type NutClass, nutProofLoadN } from '../fastener/nut-class.ts';
import { type BoltStrength, boltLoadsN } from '../fastener/property-class.ts';
import type { Thread } from '../fastener/thread.ts';
import { stripLoads } from '../fastener/thread-engagement.ts';
import type { InputFault } from '../quantity/input-fault.ts';
import { ok, type Result } from '../result.ts';

/** What a thread is screwed into. */
export type ScrewedInto =
  | { kind: 'nut'; nutClass: NutClass }
  | { kind: 'tapped'; tensileMpa: number; engagementMm: number; tappedShearRatio?: number };

/** The load each member bears without lasting harm, N, and which bears least. */
export interface Members {
  boltN: number;
  /** Nut under proof load, or tapped thread at stripping. Undefined where no standard gives the nut's load. */
  intoN?: number;
  weakest: 'bolt' | 'nut' | 'tappedThread';
  leastN: number;
}

/** The weakest of bolt, nut and tapped material. @see ISO 898-1, ISO 898-2, and `thread-engagement.ts` */
export function weakestMember(
  thread: Pick<Thread, 'system' | 'nominalMm' | 'pitchMm'>,
  strength: BoltStrength,
  into: ScrewedInto,
): Result<Members, InputFault> {
  const boltN = boltLoadsN(strength, thread).proofN;
  if (into.kind === 'nut') {
    const intoN = nutProofLoadN(into.nutClass, thread);
    const nutWeaker = intoN !== undefined && intoN < boltN;
    return ok({ boltN, intoN, weakest: nutWeaker ? 'nut' : 'bolt', leastN: nutWeaker ? intoN : boltN });
  }
  const strips = stripLoads(
    {
      thread,
      boltTensileMpa: strength.tensileMpa,
      tappedTensileMpa: into.tensileMpa,
      tappedShearRatio: into.tappedShearRatio,
    },
    into.engagementMm,
  );
  if (!strips.ok) return strips;
  const intoN = strips.value.tappedThreadStripsN;
  return ok({
    boltN,
    intoN,
    weakest: intoN < boltN ? 'tappedThread' : 'bolt',
    leastN: Math.min(intoN, boltN),
  });
}
