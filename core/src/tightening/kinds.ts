import type { AcceptBand } from './band.ts';
import { type BearingSpec, bearing } from './kind/bearing.ts';
import { type ContactSpec, contact } from './kind/contact.ts';
import { type MissingSpec, missing } from './kind/missing.ts';
import { type ProcedureSpec, procedure } from './kind/procedure.ts';
import { type RangeSpec, range } from './kind/range.ts';
import type { Asked } from './kind/reading.ts';
import { type SlotSpec, slot } from './kind/slot.ts';
import { type SnugSpec, snug } from './kind/snug.ts';
import { type TargetWithMaximumSpec, targetWithMaximum } from './kind/target-with-maximum.ts';
import type { TighteningKind } from './kind/tightening-kind.ts';
import { type TorqueSpec, torque } from './kind/torque.ts';
import { type TorqueAngleSpec, torqueAngle } from './kind/torque-angle.ts';
import { type YieldControlledSpec, yieldControlled } from './kind/yield-controlled.ts';

/**
 * How a joint is to be tightened, in every kind the trade prints. Torques in N·m, angles in degrees.
 * `toleranceFraction` is the accepted deviation each way; left out, `DEFAULT_TOLERANCE` applies.
 */
export type TighteningSpec =
  | TorqueSpec
  | RangeSpec
  | TargetWithMaximumSpec
  | TorqueAngleSpec
  | YieldControlledSpec
  | SlotSpec
  | BearingSpec
  | ProcedureSpec
  | ContactSpec
  | SnugSpec
  | MissingSpec;
export type SpecKind = TighteningSpec['kind'];
export type SpecOf<Kind extends SpecKind> = Extract<TighteningSpec, { kind: Kind }>;

/** All kinds of tightening, each by its definition. */
export const KINDS: { [Kind in SpecKind]: TighteningKind<SpecOf<Kind>> } = {
  torque,
  range,
  targetWithMaximum,
  torqueAngle,
  yieldControlled,
  slot,
  bearing,
  procedure,
  contact,
  snug,
  missing,
};

const kindOf = (spec: TighteningSpec) => KINDS[spec.kind] as TighteningKind<TighteningSpec>;

/**
 * The band a pull must land in.
 *
 * @param fraction - share of the final torque aimed at in this pass, above 0 up to 1
 * @returns undefined where there is no torque figure for such a pass
 */
export const acceptBand = (spec: TighteningSpec, fraction = 1): AcceptBand | undefined =>
  kindOf(spec).band(spec, fraction);

/** The highest torque the wrench must be able to show for this joint, N·m; undefined without a figure. */
export const peakTorqueNm = (spec: TighteningSpec): number | undefined =>
  kindOf(spec).peakNm?.(spec) ?? acceptBand(spec)?.targetNm;

/** Whether a person says it is done, with no pull. */
export const isByHand = (spec: TighteningSpec): boolean => kindOf(spec).byHand;

/** Whether a second, identical pull can prove it. */
export const canBeVerified = (spec: TighteningSpec): boolean => kindOf(spec).verifiable;

/** Whether the fastener is drawn past its elastic range. */
export const stretches = (spec: TighteningSpec): boolean => kindOf(spec).stretches;

/** Whether a fastener once pulled this way is used up, whatever its packing line says. */
export const spendsThePiece = (spec: TighteningSpec): boolean => kindOf(spec).spends === true;

/** Whether stages that the sheet prints are pulled before its last pull, though a second look cannot be had. */
export const isStaged = (spec: TighteningSpec): boolean => kindOf(spec).staged === true;

/**
 * What a pull must bring beside its torque.
 *
 * @param fraction - share of the final torque aimed at: of a stage that leads up to it only its torque is asked
 */
export const asksOf = (spec: TighteningSpec, fraction = 1): readonly Asked[] =>
  fraction < 1 && isStaged(spec) ? [] : kindOf(spec).asks;

/** Whether it is pulled with a wrench to a figure at all. */
export const isPulled = (spec: TighteningSpec): boolean => acceptBand(spec) !== undefined;
