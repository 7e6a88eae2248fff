import { z } from 'zod';
import { CHOCKS } from '#core/job/chocks.ts';
import { DEBT_ENDS, DEBT_KINDS, type DebtEnd, type DebtKind } from '#core/job/debt-kind.ts';
import { FIGURE_SOURCES, type Figure } from '#core/job/figure.ts';
import { LOAD_STATES } from '#core/job/load-state.ts';
import { type Person, ROLES } from '#core/job/role.ts';
import { SNUG_TOOLS } from '#core/job/snug-tool.ts';
import { MAY_DO } from '#core/job/visit-state.ts';
import { specFromPrinted } from '#core/kit/spec-from-printed.ts';
import { TORQUE_UNITS, type TorqueUnit } from '#core/quantity/unit.ts';
import { PULL_VERDICTS, type PullVerdict } from '#core/tightening/judge-pull.ts';
import { PIN_WAYS } from '#core/tightening/kind/reading.ts';
import type { Adapter } from '#core/wrench/adapter.ts';
import { exactly } from '../exactly.ts';
import { TighteningSpecSchema } from '../kit/spec.ts';
import { LONGEST, textUpTo } from '../text.ts';

/** Fields that several acts have. Ids of a visit's second kit carry its prefix: two ids of a kit and a stroke. */
export const Ref = textUpTo(200).min(1);
/** Things that several kits share are named by what they are, and names may be long. */
export const Key = textUpTo(600).min(1);
export const Prefix = textUpTo(200);
export const Reason = textUpTo(LONGEST.reason);
export const Name = textUpTo(LONGEST.name);
/** Numbers that only `decide` may judge: any finite one gets as far as a refusal with a reason. */
export const Figured = z.number();

export const MayDoSchema = z.enum(MAY_DO);
export const LoadStateSchema = z.enum(LOAD_STATES);
export const ChocksSchema = z.enum(CHOCKS);
export const DebtEndSchema = exactly<DebtEnd>()(z.enum(DEBT_ENDS));
export const DebtKindSchema = exactly<DebtKind>()(z.enum(DEBT_KINDS));
export const FigureSourceSchema = z.enum(FIGURE_SOURCES);
export const VerdictSchema = exactly<PullVerdict>()(z.enum(PULL_VERDICTS));
const TorqueUnitSchema = exactly<TorqueUnit>()(z.enum(TORQUE_UNITS));
export const SnugToolSchema = z.enum(SNUG_TOOLS);
export const PullSourceSchema = z.enum(['typed', 'live']);
export const LoosenToSchema = z.enum(['started', 'out']);
export const CountSchema = z.strictObject({ found: z.number(), damaged: z.number(), read: Ref.optional() });
export const EnteredSchema = z.strictObject({ value: Figured, unit: TorqueUnitSchema });
/** A crow-foot or other adapter: whether it leaves a lever, `decide` says. */
export const AdapterSchema = exactly<Adapter>()(
  z.strictObject({ wrenchLengthMm: Figured, offsetMm: Figured, angleDeg: Figured }),
);
const RoleSchema = z.enum(ROLES);
export const PersonSchema = exactly<Person>()(z.strictObject({ id: Ref, name: z.string(), role: RoleSchema }));

/** A figure as it is stored: read once, when it was given. */
export const StoredFigureSchema = exactly<Figure>()(
  z.strictObject({ spec: TighteningSpecSchema, printed: textUpTo(200).min(1) }),
);
/** A typed torque must be what its own words say, whichever device read them. */
export const FigureSchema = StoredFigureSchema.refine(({ spec, printed }) => {
  const read = specFromPrinted(printed);
  return read.ok && JSON.stringify(read.value) === JSON.stringify(spec);
}, 'the figure is not what its words say');

/** What a reading holds beside its torque; each only where the kind of the joint asks for it. */
export const reading = {
  torqueNm: Figured,
  angleDeg: Figured.optional(),
  movementDeg: Figured.optional(),
  moved: z.boolean().optional(),
  gradientShare: Figured.optional(),
  pinFits: z.boolean().optional(),
  pinWay: z.enum(PIN_WAYS).optional(),
  seatedAndBackedOff: z.boolean().optional(),
  seatNm: Figured.optional(),
};
