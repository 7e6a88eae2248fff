import { z } from 'zod';
import { FAULTS } from '#core/trace/pull-trace.ts';
import type { PairFault } from './instrument/instrument-line.ts';

const WrenchJointSchema = z.strictObject({
  system: z.enum(['metric', 'unified']),
  pitchMm: z.number().positive().max(10),
  propertyClass: z.string().max(40).optional(),
  gripMm: z.number().positive().max(1000),
  minNm: z.number().nonnegative(),
  maxNm: z.number().positive(),
  frictionMin: z.number().positive().max(1),
  frictionMax: z.number().positive().max(1.5),
});

/**
 * The line to a live torque wrench: one JSON message per WebSocket text frame. docs/formats/wrench-stream.md says
 * what each means. `arm` and `rest` are for any wrench; `pull` moves the hand of the stand-in.
 */
export const ToWrenchSchema = z.discriminatedUnion('type', [
  z.strictObject({
    type: z.literal('arm'),
    /** As long as a job's station may be: ids of a visit's second kit carry its prefix. */
    station: z.string().max(200),
    /** Torque to click at, N·m. */
    targetNm: z.number().positive().max(1500),
    /** Degrees to turn after the target, for torque-angle. */
    angleDeg: z.number().positive().max(720).optional(),
    /** Pull on until the gradient has fallen to this share of its steepest, watched from `targetNm` on. */
    untilShare: z.number().positive().max(1).optional(),
    /** Let go here whatever the gradient says, N·m. */
    ceilingNm: z.number().positive().max(1500).optional(),
    /** Torque the joint already holds from an earlier pass, N·m. */
    standingNm: z.number().min(0).max(1500),
    /** Size of the thread, mm: sets how stiff the stand-in's joint is where nothing more is said of it. */
    nominalMm: z.number().positive().max(64),
    /** The joint as the kit describes it, for the stand-in to feel. */
    joint: WrenchJointSchema.optional(),
  }),
  z.strictObject({
    type: z.literal('pull'),
    speedDegPerS: z.number().min(5).max(180),
    overshootDeg: z.number().min(0).max(40),
    /** What is wrong with the stand-in's joint or hand, to be practised on; sound where it is left out. */
    fault: z.enum(FAULTS).optional(),
  }),
  z.strictObject({ type: z.literal('rest') }),
  /** A real instrument hangs on this tablet: from here on its lines come as `heard`, and the stand-in is silent. */
  z.strictObject({ type: z.literal('pair') }),
  /** What the instrument said, in whatever pieces it came. */
  z.strictObject({ type: z.literal('heard'), text: z.string().max(20_000) }),
  /** The line to the instrument broke. */
  z.strictObject({ type: z.literal('unheard') }),
]);
export type ToWrench = z.infer<typeof ToWrenchSchema>;

export type FromWrench =
  | { type: 'ready' }
  | { type: 'armed'; station: string; targetNm: number }
  /** 50 of these a second while the handle moves. */
  | { type: 'frame'; atMs: number; torqueNm: number; angleDeg: number }
  /** The wrench clicked: the target was reached. */
  | { type: 'click'; torqueNm: number }
  /**
   * The handle came to rest. `angleDeg` counts from the click, `movementDeg` is how far the nut turned in all,
   * `gradientShare` where the pull was made until the gradient fell. `issued` is the server's code over the reading: a pull
   * counts as live with it. `trace`: torque over angle over time, packed.
   */
  | {
      type: 'end';
      station: string;
      peakNm: number;
      angleDeg: number;
      movementDeg: number;
      gradientShare?: number;
      trace?: string;
      issued?: string;
    }
  /** A real instrument was let in; `battery` 0 to 1. */
  | { type: 'paired'; serial: string; battery?: number }
  /** To be said to the instrument, as it is. */
  | { type: 'tell'; text: string }
  | { type: 'fault'; code?: PairFault; message: string };
