import { z } from 'zod';
import { Ref } from './act/fields.ts';
import { OpenJobSchema } from './job.ts';

export const RetorqueOfSchema = z.strictObject({ job: z.uuid(), care: Ref.optional() });

/** A visit that pulls joints of a signed job again. */
export const OpenRetorqueSchema = z.strictObject({
  ...RetorqueOfSchema.shape,
  groups: z.array(Ref).min(1).max(200),
  bay: OpenJobSchema.shape.bay,
  plannedStartMs: OpenJobSchema.shape.plannedStartMs,
  odometerKm: OpenJobSchema.shape.odometerKm,
});
export type OpenRetorque = z.infer<typeof OpenRetorqueSchema>;
