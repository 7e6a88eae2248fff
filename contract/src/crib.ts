import { z } from 'zod';
import { COMPOUND_KINDS } from '#core/compound/compound.ts';
import type { StoreReading } from '#core/compound/shelf-life.ts';
import type { Bottle } from '#core/crib/bottle.ts';
import type { WrenchCheck } from '#core/crib/check-pull.ts';
import { CRIB_TOOL_KINDS, type CribTool, type CribToolKind, type Loan } from '#core/crib/crib-tool.ts';
import type { Skill } from '#core/job/skill.ts';
import type { Wrench } from '#core/wrench/wrench.ts';

const Ref = z.string().min(1).max(64);
const Name = z.string().trim().min(1).max(120);
const Note = z.string().trim().max(500);
const Day = z.iso.date();

export const WrenchInputSchema = z.strictObject({
  label: z.string().trim().min(1).max(40),
  kind: z.enum(['click', 'digital', 'beam']),
  squareDrive: z.enum(['1/4 in', '3/8 in', '1/2 in', '3/4 in', '1 in']),
  fullScaleNm: z.number().min(0.5).max(5000),
  lowestNm: z.number().min(0).max(5000).optional(),
  scaleUnit: z.enum(['N·m', 'lbf·ft', 'lbf·in', 'kgf·m', 'kgf·cm']),
  divisionNm: z.number().min(0.001).max(100).optional(),
  lengthMm: z.number().min(50).max(3000).optional(),
  serial: z.string().trim().max(40).optional(),
  intervalMonths: z.number().int().min(1).max(60),
  calibrationDueOn: Day,
  live: z.boolean(),
});
export type WrenchInput = z.infer<typeof WrenchInputSchema>;

const ReadingSchema = z.strictObject({
  setNm: z.number().min(0.01).max(5000),
  referenceNm: z.number().min(0.01).max(10_000),
});

/** `id` is made on the device: sent twice, a check is recorded once. */
export const CheckInputSchema = z.strictObject({
  id: z.uuid(),
  kind: z.enum(['check', 'calibration']),
  readings: z.array(ReadingSchema).min(1).max(60),
  certificate: z.string().trim().max(120).optional(),
});
export type CheckInput = z.infer<typeof CheckInputSchema>;

const DriveSchema = z.union([
  z.strictObject({
    kind: z.literal('hex'),
    acrossFlatsMm: z.number().min(1).max(120),
    inch: z.literal(true).optional(),
  }),
  z.strictObject({
    kind: z.literal('hexKey'),
    acrossFlatsMm: z.number().min(0.5).max(60),
    inch: z.literal(true).optional(),
  }),
  z.strictObject({ kind: z.literal('twelvePoint'), acrossFlatsMm: z.number().min(1).max(120) }),
  z.strictObject({ kind: z.literal('sixLobe'), size: z.string().regex(/^[TE]\d{1,3}$/) }),
  z.strictObject({ kind: z.literal('hand') }),
]);

export const ToolInputSchema = z.strictObject({
  kind: z.enum(CRIB_TOOL_KINDS as [CribToolKind, ...CribToolKind[]]),
  name: Name,
  drive: DriveSchema.optional(),
  squareDrive: z.string().max(16).optional(),
  place: z.string().trim().max(60).optional(),
  note: Note.optional(),
});
export type ToolInput = z.infer<typeof ToolInputSchema>;

export const BottleInputSchema = z.strictObject({
  name: Name,
  kind: z.enum(COMPOUND_KINDS),
  lot: z.string().trim().min(1).max(40),
  sizeMl: z.number().min(0.5).max(20_000),
  expiresOn: Day,
  openedOn: Day.optional(),
  openMonths: z.number().int().min(1).max(120).optional(),
  storeMaxC: z.number().min(0).max(60),
});
export type BottleInput = z.infer<typeof BottleInputSchema>;

/** What happens to a bottle. */
export const BottleChangeSchema = z.discriminatedUnion('type', [
  z.strictObject({ type: z.literal('opened'), on: Day }),
  z.strictObject({ type: z.literal('seen'), leftMl: z.number().min(0).max(20_000), reason: Note.min(1) }),
  z.strictObject({ type: z.literal('emptied'), on: Day }),
  z.strictObject({ type: z.literal('gelled'), on: Day }),
]);
export type BottleChange = z.infer<typeof BottleChangeSchema>;

export const LoanInputSchema = z.strictObject({
  id: z.uuid(),
  thing: z.enum(['wrench', 'tool']),
  thingId: Ref,
  personId: Ref,
  jobId: z.uuid().optional(),
});
export type LoanInput = z.infer<typeof LoanInputSchema>;

export const ReturnSchema = z.strictObject({ setToLow: z.boolean().optional(), missing: Note.optional() });
export type ReturnInput = z.infer<typeof ReturnSchema>;

export const TemperatureSchema = z.strictObject({ temperatureC: z.number().min(-40).max(70) });
export const TesterPullSchema = z.strictObject({ wrench: Ref, setNm: z.number().min(0.01).max(5000) });
/** Settling is answered for: the person gives their secret with it. */
export const SettleSchema = z.strictObject({
  wrench: Ref,
  job: z.uuid(),
  station: Ref,
  how: Note.min(1),
  secret: z.string().min(4).max(200),
});
export type SettleInput = z.infer<typeof SettleSchema>;

/** A wrench with its history. */
export interface CribWrench extends Wrench {
  checks: WrenchCheck[];
  /** Another shop's, and whether it may be pulled with here; kept and calibrated there. */
  of?: { shop: string; pooled: boolean };
  loan?: Loan;
}

/** A station whose torque is in doubt, because the wrench that pulled it was out of limits. */
export interface Recheck {
  wrenchId: string;
  jobId: string;
  jobNumber: string;
  vehicle: string;
  closed: boolean;
  stationId: string;
  station: string;
  pulledAtMs: number;
  torqueNm: number;
}

/** The whole crib as it hangs. */
export interface Crib {
  wrenches: CribWrench[];
  tools: Array<CribTool & { loan?: Loan }>;
  bottles: Bottle[];
  temperatures: StoreReading[];
  rechecks: Recheck[];
  people: Array<{ id: string; name: string; skills?: Skill[] }>;
}
