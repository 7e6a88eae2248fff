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
  /** Accepted each way, where the sheet prints it: `120 ± 5 Nm`. */
  toleranceNm?: number;
  /** Turned after the torque, degrees. */
  angleDeg?: number;
  /**
   * Drawn on until the bolt yields: `max` is where it is watched from. `onlyLimit`: the sheet gives no such torque, and
   * what it gives is the limit.
   */
  toYield?: 'from' | 'onlyLimit';
}

export type FactValue =
  | ({ kind: 'torque' } & TorqueValue)
  /** A force or mass where a torque seems meant: never taken for one. */
  | { kind: 'forceForTorque'; value: number; unit: UnitName }
  | { kind: 'sameAsAbove' }
  | { kind: 'thread'; designation: string; lengthMm?: number }
  | { kind: 'drive'; drive: DriveSize; describes: 'tool' | 'fastener' }
  | { kind: 'squareDrive'; size: string }
  /** Class or grade of a bolt or nut: `10.9`, `grade 8`. */
  | { kind: 'propertyClass'; propertyClass: string }
  | { kind: 'hole'; diameterMm: number; role: 'drill' | 'hole' | 'clearance' }
  | { kind: 'length'; lengthMm: number }
  | { kind: 'count'; count: number; noun: string }
  | { kind: 'compound'; compound: CompoundKind | 'penetrant' | 'oil' }
  | { kind: 'condition'; from?: number; to?: number; text: string }
  | { kind: 'duration'; minutes: number; role: 'wait' | 'job' | 'other' }
  | { kind: 'aftercare'; distanceKm?: number; days?: number; repeats: boolean }
  | { kind: 'pattern'; pattern: 'star' | 'cross' | 'circular' | 'alternate' | 'middleOut' }
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
  /** Index of the step it stands in. */
  step: number;
}
