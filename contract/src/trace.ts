import { z } from 'zod';
import { boltStrength } from '#core/fastener/property-class.ts';
import { parseThread } from '#core/fastener/thread.ts';
import type { InputFault } from '#core/quantity/input-fault.ts';
import { fail, ok, type Result } from '#core/result.ts';
import { YOUNGS_MODULUS } from '#core/tightening/joint-stiffness.ts';
import { judgeTrace, type TraceVerdict } from '#core/trace/judge-trace.ts';
import { MOST_SAMPLES, type TraceJoint } from '#core/trace/pull-trace.ts';
import { classFaultText, type FaultText, inputFaultText, threadErrorText } from './wording/input-fault-text.ts';

const finite = z.number();
const PART_MATERIALS = Object.keys(YOUNGS_MODULUS) as [keyof typeof YOUNGS_MODULUS];

/** One pull as a file states it: docs/formats/trace.md. */
export const TraceFileSchema = z.strictObject({
  /** Where it comes from, for people; nothing is judged by it. */
  about: z.record(z.string().max(60), z.union([z.string().max(500), z.number()])).optional(),
  joint: z.strictObject({
    thread: z.string().min(1).max(60),
    propertyClass: z.string().min(1).max(40).nullish(),
    gripMm: finite.positive().nullish(),
    part: z.enum(PART_MATERIALS).nullish(),
    targetNm: finite.positive(),
    minNm: finite.nonnegative(),
    maxNm: finite.positive(),
    frictionMin: finite.positive().nullish(),
    frictionMax: finite.positive().nullish(),
    prevailingNm: finite.nonnegative().nullish(),
  }),
  samples: z
    .array(z.tuple([finite, finite, finite]))
    .min(1)
    .max(MOST_SAMPLES),
});
export type TraceFile = z.infer<typeof TraceFileSchema>;

/** What is wrong with a trace of a file, and where. */
export interface TraceFileFault extends FaultText {
  code: 'badTrace';
}

const bad = (fault: FaultText) => fail<TraceFileFault>({ code: 'badTrace', ...fault });

/** What is known of a joint as the core takes it, or the field that cannot be. */
function jointOf(joint: TraceFile['joint']): Result<TraceJoint, TraceFileFault> {
  const read = parseThread(joint.thread);
  if (!read.ok) return bad({ ...threadErrorText(read.error), field: 'joint.thread' });
  const { thread } = read.value;
  const propertyClass = joint.propertyClass ?? undefined;
  const strength = propertyClass === undefined ? undefined : boltStrength(propertyClass, thread);
  if (strength && !strength.ok) return bad({ ...classFaultText(strength.error), field: 'joint.propertyClass' });
  return ok({
    thread,
    propertyClass,
    gripMm: joint.gripMm ?? undefined,
    part: joint.part ?? undefined,
    targetNm: joint.targetNm,
    minNm: joint.minNm,
    maxNm: joint.maxNm,
    frictionMin: joint.frictionMin ?? undefined,
    frictionMax: joint.frictionMax ?? undefined,
    prevailingNm: joint.prevailingNm ?? 0,
  });
}

/** A figure that cannot be: of the joint, unless it is one of the samples. */
function badFigure(fault: InputFault) {
  const { field, reason } = inputFaultText(fault);
  return bad({ field: field.startsWith('samples') ? field : `joint.${field}`, reason });
}

/** The verdict on one pull of a file, or what is wrong with it and where. */
export function judgeTraceFile(input: unknown): Result<TraceVerdict, TraceFileFault> {
  const parsed = TraceFileSchema.safeParse(input);
  if (!parsed.success) {
    const issue = parsed.error.issues[0];
    return bad({ field: issue?.path.join('.') || 'line', reason: issue?.message ?? 'not a trace' });
  }
  const joint = jointOf(parsed.data.joint);
  if (!joint.ok) return joint;
  const samples = parsed.data.samples.map(([atMs, angleDeg, torqueNm]) => ({ atMs, angleDeg, torqueNm }));
  const verdict = judgeTrace(samples, joint.value);
  return verdict.ok ? ok(verdict.value) : badFigure(verdict.error);
}
