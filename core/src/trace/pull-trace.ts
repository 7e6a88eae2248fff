import type { Thread } from '../fastener/thread.ts';
import type { PartMaterial } from '../tightening/joint-stiffness.ts';

/** One moment of a pull as the instrument gave it. */
export interface TraceSample {
  atMs: number;
  /** Degrees the handle has turned since the first sample. */
  angleDeg: number;
  torqueNm: number;
}

/** What is known of a joint before it is pulled; what is not known is left out, and less can be told then. */
export interface TraceJoint {
  thread: Pick<Thread, 'system' | 'nominalMm' | 'pitchMm'>;
  /** Class of the weaker of bolt and nut. */
  propertyClass?: string;
  /** Clamped length, mm. */
  gripMm?: number;
  /** What is clamped; steel where it is not known. */
  part?: PartMaterial;
  targetNm: number;
  minNm: number;
  maxNm: number;
  /** Friction that what is on the thread allows, thread and head alike. */
  frictionMin?: number;
  frictionMax?: number;
  /** Torque of a locking nut or a patch before the head seats, N·m. */
  prevailingNm: number;
}

/**
 * What kind of pull it was. `good`: nothing in the curve speaks against it. `cannotTell`: the curve is too short, too
 * rough or too unlike anything known.
 */
export const TRACE_KINDS = [
  'good',
  'crossed',
  'bottomed',
  'notSeated',
  'stripping',
  'yielding',
  'slippery',
  'dry',
  'soft',
  'alreadyTight',
  'stickSlip',
  'overrun',
  'wrongStiffness',
  'cannotTell',
] as const;
export type TraceKind = (typeof TRACE_KINDS)[number];
/** A kind that the curve itself shows. */
export type ShownKind = Exclude<TraceKind, 'cannotTell'>;

/** What may be wrong with a joint or a pull; the stand-in wrench makes each on demand. */
export const FAULTS = TRACE_KINDS.filter(
  (kind): kind is Exclude<ShownKind, 'good'> => kind !== 'good' && kind !== 'cannotTell',
);

/** The most samples one pull may hold: five minutes at 500 a second are no pull. */
export const MOST_SAMPLES = 60_000;
