import {
  type EngagementInput,
  insertEngagement,
  type RequiredEngagement,
  requiredEngagement,
  type StripLoads,
  stripLoads,
} from '../fastener/thread-engagement.ts';
import type { InputFault } from '../quantity/input-fault.ts';
import { ok, type Result } from '../result.ts';
import { type Remark, remarksThat } from './remark.ts';

export interface EngagementAnswer {
  basic: RequiredEngagement;
  limits: RequiredEngagement;
  /** The same with a wire insert. */
  insert: { basic: RequiredEngagement; limits: RequiredEngagement };
  /** With what is in mesh. */
  strips?: { basic: StripLoads; limits: StripLoads };
  remarks: Remark[];
}

/**
 * How much thread must be in mesh so that the bolt breaks before a thread strips, and whether what is there is enough.
 * Judged by the limits of size: the safe side.
 *
 * @param engagementMm - thread in mesh, mm; left out when only the need is asked
 */
export function engagementOf(joint: EngagementInput, engagementMm?: number): Result<EngagementAnswer, InputFault> {
  const needed = requiredEngagement(joint);
  if (!needed.ok) return needed;
  const insert = insertEngagement(joint);
  if (!insert.ok) return insert;
  const answer = { ...needed.value, insert: insert.value };
  if (engagementMm === undefined) return ok({ ...answer, remarks: [{ code: 'fullThreadsOnly' }] });
  const basic = stripLoads(joint, engagementMm, 'basic');
  if (!basic.ok) return basic;
  const limits = stripLoads(joint, engagementMm, 'limits');
  if (!limits.ok) return limits;
  const { weakest, tappedThreadStripsN, boltThreadStripsN } = limits.value;
  const missingMm = needed.value.limits.lengthMm - engagementMm;
  return ok({
    ...answer,
    strips: { basic: basic.value, limits: limits.value },
    remarks: remarksThat(
      missingMm > 0
        ? { code: 'engagementShort', missingMm, weakest, stripsN: Math.min(tappedThreadStripsN, boltThreadStripsN) }
        : { code: 'engagementEnough' },
      { code: 'fullThreadsOnly' },
    ),
  });
}
