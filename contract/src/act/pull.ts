import { z } from 'zod';
import type {
  BesideReopened,
  MarksReopened,
  PullCommand,
  PullRecorded,
  PullRepeated,
  PullWithdrawn,
} from '#core/job/act/pull.ts';
import { PACKED_LENGTH } from '#core/trace/pack-trace.ts';
import { type ShownKind, TRACE_KINDS } from '#core/trace/pull-trace.ts';
import { exactly } from '../exactly.ts';
import { textUpTo } from '../text.ts';
import { AdapterSchema, EnteredSchema, PullSourceSchema, Ref, reading, VerdictSchema } from './fields.ts';

/** A packed trace: `core/src/trace/pack-trace.ts`. */
const TraceText = z
  .string()
  .max(PACKED_LENGTH)
  .regex(/^[A-Za-z0-9+/]*$/);
const SHOWN_KINDS = TRACE_KINDS.filter((kind): kind is ShownKind => kind !== 'cannotTell');
const CurveSchema = z.strictObject({
  kind: z.enum(TRACE_KINDS),
  confidence: z.number().min(0).max(1),
  also: z.array(z.enum(SHOWN_KINDS)),
});

export const PullSchema = exactly<PullCommand>()(
  z.strictObject({
    type: z.literal('pull'),
    station: Ref,
    ...reading,
    wrench: Ref,
    source: PullSourceSchema,
    entered: EnteredSchema.optional(),
    through: AdapterSchema.optional(),
    confirmed: z.boolean().optional(),
    pass: z.number().int().min(0).max(99).optional(),
    issued: textUpTo(1000).optional(),
    trace: TraceText.optional(),
  }),
);

export const PullRecordedSchema = exactly<PullRecorded>()(
  z.strictObject({
    type: z.literal('pullRecorded'),
    station: Ref,
    ...reading,
    turnedDeg: z.number().optional(),
    pass: z.number().int().min(0),
    wrench: z.strictObject({ id: Ref, label: z.string(), calibrationDueOn: z.string() }),
    source: PullSourceSchema,
    entered: EnteredSchema.optional(),
    through: AdapterSchema.optional(),
    trace: TraceText.optional(),
    curve: CurveSchema.optional(),
    verdict: VerdictSchema,
    targetNm: z.number(),
    minNm: z.number(),
    maxNm: z.number().optional(),
  }),
);

export const PullRepeatedSchema = exactly<PullRepeated>()(
  z.strictObject({
    type: z.literal('pullRepeated'),
    station: Ref,
    pass: z.number().int().min(0),
    torqueNm: z.number(),
    wrench: z.string(),
  }),
);

export const BesideReopenedSchema = exactly<BesideReopened>()(
  z.strictObject({ type: z.literal('besideReopened'), station: Ref, stations: z.array(Ref).min(1) }),
);

export const MarksReopenedSchema = exactly<MarksReopened>()(
  z.strictObject({ type: z.literal('marksReopened'), stations: z.array(Ref).min(1) }),
);

export const PullWithdrawnSchema = exactly<PullWithdrawn>()(
  z.strictObject({ type: z.literal('pullWithdrawn'), station: Ref, pull: Ref }),
);
