import type { AcceptBand } from '../band.ts';
import type { Asked } from './reading.ts';

/** One number of a specification, with what it may be. */
export interface SpecFigure<Spec> {
  key: Exclude<keyof Spec & string, 'kind'>;
  unit: 'N·m' | '°' | 'slots';
  min: number;
  max: number;
}

/** Everything said about one kind of tightening. Torques in N·m, angles in degrees. */
export interface TighteningKind<Spec extends { kind: string }> {
  /**
   * The band a pull must land in.
   *
   * @param fraction - share of the final torque aimed at in this pass, above 0 up to 1
   * @returns undefined where the kind has no figure for such a pass
   */
  band(spec: Spec, fraction: number): AcceptBand | undefined;
  /** The highest torque the wrench must show, where that is not the band's own target. */
  peakNm?(spec: Spec): number;
  /** A person says it is done, with no pull: to a stop, or with no figure at all. */
  byHand: boolean;
  /** A second, identical pull can prove it. A turned angle, a slotted nut or a stop would be changed by one. */
  verifiable: boolean;
  /** Stages that its sheet prints lead up to its last pull; nothing but the torque is asked of them. */
  staged?: true;
  /** The fastener is drawn past its elastic range, or near it: its packing line should say whether it is used once. */
  stretches: boolean;
  /** The fastener is used up by one pull, whatever its packing line says. */
  spends?: true;
  /** What a pull must bring beside its torque. */
  asks: readonly Asked[];
  /** Its printed words say it whole: `46 lbf·ft`, `74 ft-lb plus 90°` are read from what is typed. */
  written: boolean;
  /** What a person who chooses this kind starts from. */
  example: { spec: Spec; printed: string };
  /** The figures it is made of, where they are entered one by one. */
  figures: ReadonlyArray<SpecFigure<Spec>>;
}

/** A kind, with its type written out once. */
export const kind = <Spec extends { kind: string }>(definition: TighteningKind<Spec>): TighteningKind<Spec> =>
  definition;
