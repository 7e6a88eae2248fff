import type { CompoundKind } from '../compound/compound.ts';
import type { DriveSize } from '../fastener/drive.ts';
import type { TorqueUnit, UnitName } from '../quantity/unit.ts';
import type { Span } from './token.ts';

/** What a sheet asks to be done. `refit` is the reverse of `remove`, `reconnect` of `disconnect`. */
export type SheetAction =
  | 'remove'
  | 'refit'
  | 'disconnect'
  | 'reconnect'
  | 'fit'
  | 'loosen'
  | 'tighten'
  | 'apply'
  | 'drill'
  | 'clean'
  | 'measure'
  | 'check'
  | 'lift'
  | 'lower'
  | 'cut'
  | 'keep'
  | 'discard';

/** A stage of a procedure: pulled to a torque, or turned back. */
export type TorqueStage = { torqueNm: number } | { backOffDeg: number };

/** What a torque is that nothing is pulled to: a wrench's own range or setting, a figure quoted as old or wrong, another's. */
export type AsideRole = 'wrench' | 'superseded' | 'other';

/** A torque as it stands in the sheet, with all that belongs to it. */
export interface TorqueValue {
  /** In the printed unit. */
  min: number;
  max: number;
  unit: TorqueUnit;
  minNm: number;
  maxNm: number;
  /** A second writing of the same value, in its own unit, and whether the two agree within rounding. */
  pair?: { min: number; max: number; unit: TorqueUnit; agrees: boolean };
  /** Never to be passed, N·m. */
  limitNm?: number;
  /** Accepted each way, where the sheet prints it: `120 ± 5 Nm`. `min` and `max` are then the ends of it. */
  toleranceNm?: number;
  /** What is aimed at inside a printed tolerance, in the printed unit. */
  nominal?: number;
  /** All that is printed is an end: never beyond, or never below. */
  only?: 'ceiling' | 'floor';
  /** What comes before the final value, in order; the final one stands last. */
  stages?: TorqueStage[];
  /** Turned after the torque, degrees; all strokes together. */
  angleDeg?: number;
  /** The strokes it is turned in, where there are several, degrees. */
  strokesDeg?: number[];
  /**
   * Drawn on until the bolt yields: `max` is where it is watched from. `onlyLimit`: the sheet gives no such torque, and
   * what it gives is the limit.
   */
  toYield?: 'from' | 'onlyLimit';
  /** Turned on from it until the pin of a castle nut goes through. */
  toSlot?: true;
}

/** What turns it, with the bits that no socket is. */
export type SheetDrive =
  | DriveSize
  | { kind: 'cross'; size: string }
  | { kind: 'square'; size: string; acrossFlatsMm?: number };

/** What is put on a thread or a face. Solvents, paints and soaps are named by the sheet and are no thread compound. */
export type SheetCompound = CompoundKind | 'penetrant' | 'oil' | 'solvent' | 'paint' | 'lubricant';

export type FactValue =
  | ({ kind: 'torque' } & TorqueValue)
  /** A torque that is printed and is no figure to pull to. */
  | ({ kind: 'torqueAside'; role: AsideRole } & TorqueValue)
  /** Tightened by what is felt or seen: `until the rubber bulges`, with no figure. */
  | { kind: 'untilContact'; until: string }
  /** An angle with no torque before it: `snug plus a quarter turn`. */
  | { kind: 'angleAlone'; angleDeg: number }
  /** A force or mass where a torque seems meant: never taken for one. */
  | { kind: 'forceForTorque'; value: number; unit: UnitName }
  | { kind: 'sameAsAbove' }
  | { kind: 'thread'; designation: string; lengthMm?: number; pitchAssumed?: true }
  | { kind: 'drive'; drive: SheetDrive; describes: 'tool' | 'fastener' }
  | { kind: 'squareDrive'; size: string }
  /** Class or grade of a bolt or nut: `10.9`, `grade 8`. */
  | { kind: 'propertyClass'; propertyClass: string }
  | { kind: 'hole'; diameterMm: number; role: 'drill' | 'hole' | 'clearance' }
  | { kind: 'length'; lengthMm: number }
  /** `item`: the whole line of a packing list, `label` what the list calls it. */
  /** `perSide`: its column counts what each side has. */
  | { kind: 'count'; count: number; noun: string; item?: string; label?: string; perSide?: true }
  | { kind: 'compound'; compound: SheetCompound }
  /** Nothing goes on here; `of` is what is forbidden, where one is named. */
  | { kind: 'dry'; of?: SheetCompound; text: string }
  /** What is there already and has to come off: `brush off old sealant`. */
  | { kind: 'residue'; of: SheetCompound; text: string }
  | { kind: 'condition'; from?: number; to?: number; text: string }
  | { kind: 'duration'; minutes: number; role: 'wait' | 'job' | 'other' }
  | {
      kind: 'aftercare';
      distanceKm?: number;
      days?: number;
      heatCycles?: number;
      /** What it falls due after: `the first long tow`. */
      event?: string;
      repeats: boolean;
    }
  | {
      kind: 'pattern';
      pattern: 'star' | 'cross' | 'circular' | 'alternate' | 'middleOut' | 'printed';
      /** Numbers as printed, in the order they are tightened. */
      order?: number[];
    }
  | { kind: 'stage'; stage: 'loose' | 'snug' | 'final' }
  | { kind: 'rideHeight' }
  | { kind: 'caution' }
  /** What the sentence has done, and to what. */
  | { kind: 'action'; action: SheetAction; object: string }
  | { kind: 'need'; need: 'lift' | 'stands' | 'helper' }
  | { kind: 'tool'; name: string }
  /** Which way round a piece goes: `facing down`, `arrow forward`. */
  | { kind: 'wayRound'; text: string }
  /** Stamped or painted on a part: `marked L`. */
  | { kind: 'mark'; mark: string }
  | { kind: 'difficulty'; text: string }
  | { kind: 'side'; side: 'left' | 'right' | 'front' | 'rear' | 'upper' | 'lower' };

export type FactKind = FactValue['kind'];

/** One thing read from a sheet. */
export interface Fact extends Span {
  value: FactValue;
  /** As it is printed. */
  printed: string;
  /** 1 is plain; lower where a scan was mended, a unit carried over from a neighbour, or words were guessed at. */
  confidence: number;
  /** What it was taken to belong to: a thread, a noun, or nothing. */
  about?: string;
  /** Which of several vehicles its column is of. */
  model?: string;
  /** Index of the step it stands in. */
  step: number;
}
