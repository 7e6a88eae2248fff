import type { z } from 'zod';
import { clearanceHoleMm } from '#core/fastener/clearance-hole.ts';
import { bearingHalfAngleDeg, type HeadStandard, headDimension, usualHead } from '#core/fastener/head-dimension.ts';
import { type BoltStrength, boltStrength } from '#core/fastener/property-class.ts';
import { metricThread, parseThread, type Thread, type ThreadCallout, unifiedThread } from '#core/fastener/thread.ts';
import { type WasherDimension, type WasherStandard, washerDimension } from '#core/fastener/washer.ts';
import { type InputFault, outOfRange } from '#core/quantity/input-fault.ts';
import { MM_PER_INCH } from '#core/quantity/unit.ts';
import type { Result } from '#core/result.ts';
import type { Pressed } from '#core/tightening/bearing-pressure.ts';
import { evenFriction, finishFriction, type ThreadFinish } from '#core/tightening/thread-finish.ts';
import { type BearingFace, type Friction, frictionOfNutFactor } from '#core/tightening/tightening-torque.ts';
import { classFaultText, type FaultText, inputFaultText, threadErrorText } from '../wording/input-fault-text.ts';
import { say } from '../wording/say.ts';
import type { ThreadInput } from './calc-input.ts';

/** A refusal with the field and the reason; thrown inside a calculation, caught where its answer is made. */
export class CalcRefusal extends Error {
  constructor(readonly fault: FaultText) {
    super(`${fault.field}: ${fault.reason}`);
  }
}

export const refuse = (field: string, reason: string): never => {
  throw new CalcRefusal({ field, reason });
};

/**
 * The value of a core result.
 *
 * @param field - what the reader calls the field; the core's own name when left out
 * @throws a refusal with its field and reason
 */
export function must<T>(result: Result<T, InputFault>, field?: string): T {
  if (result.ok) return result.value;
  const fault = inputFaultText(result.error);
  throw new CalcRefusal(field === undefined ? fault : { ...fault, field });
}

/** Throws when a number lies outside what can be. */
export function need(field: string, value: number, min: number, max: number): number {
  const fault = outOfRange(field, value, min, max);
  if (fault) throw new CalcRefusal(inputFaultText(fault));
  return value;
}

/** A thread with what its callout says beside it; pitch and diameter must belong to a thread that could be cut. */
export function readCallout(input: z.output<typeof ThreadInput>): Omit<ThreadCallout, 'lengthMm'> {
  if (typeof input !== 'string') return { thread: readThread(input) };
  const read = parseThread(input);
  if (!read.ok) throw new CalcRefusal(threadErrorText(read.error));
  const { thread, toleranceClass } = read.value;
  return { thread: checked(thread), toleranceClass };
}

/** Reads a thread in any of its ways of writing. */
export function readThread(input: z.output<typeof ThreadInput>): Thread {
  if (typeof input === 'string') return readCallout(input).thread;
  if ('nominalMm' in input) {
    need('nominalMm', input.nominalMm, 1, 100);
    need('pitchMm', input.pitchMm, 0.2, 8);
    return checked(metricThread(input.nominalMm, input.pitchMm));
  }
  need('diameterIn', input.diameterIn, 0.06, 4);
  need('threadsPerInch', input.threadsPerInch, 3, 80);
  return checked(unifiedThread(input.diameterIn, input.threadsPerInch));
}

function checked(thread: Thread): Thread {
  need('nominalMm', thread.nominalMm, 1, 100);
  need('pitchMm', thread.pitchMm, 0.2, 0.35 * thread.nominalMm);
  return thread;
}

/** Strengths of a class on a thread, or a refusal. */
export function readStrength(propertyClass: string, thread: Thread): BoltStrength {
  const strength = boltStrength(propertyClass, thread);
  if (!strength.ok) throw new CalcRefusal(classFaultText(strength.error));
  return strength.value;
}

/** What turns on what, as it was given. */
interface FaceInput {
  head?: HeadStandard;
  bearingMm?: number;
  holeMm?: number;
  washer?: WasherStandard;
  halfAngleDeg?: number;
  partDiameterMm?: number;
}

/** The washer under the head, where one was named. */
function readWasher(thread: Thread, { washer: standard }: FaceInput): WasherDimension | undefined {
  if (standard === undefined) return undefined;
  return (
    washerDimension(standard, thread) ??
    refuse(
      'washer',
      say('{standard} lists no washer for {designation}: leave it out, or give bearingMm and holeMm', {
        standard,
        designation: thread.designation,
      }),
    )
  );
}

const partHoleMm = (thread: Thread, { holeMm }: FaceInput): number =>
  holeMm ??
  clearanceHoleMm(thread, 'medium') ??
  refuse(
    'holeMm',
    say('no table lists a clearance hole for {designation}: give the hole in the part, such as {nominalMm}', {
      designation: thread.designation,
      nominalMm: (thread.nominalMm * 1.1).toFixed(1),
    }),
  );

/**
 * The face that turns: the head's own, over the hole of the part or, with a washer, over the washer's; a part narrower
 * than the head ends it.
 */
export function readFace(thread: Thread, input: FaceInput): BearingFace {
  const head = input.head ?? usualHead(thread);
  const washer = readWasher(thread, input);
  const halfAngleDeg = need('halfAngleDeg', input.halfAngleDeg ?? bearingHalfAngleDeg(head), 10, 90);
  if (washer && halfAngleDeg < 90)
    refuse('washer', say('a flat washer does not lie under a countersunk or conical face: leave one of them out'));
  const listed = input.bearingMm ?? headDimension(head, thread)?.bearingMm;
  if (listed === undefined)
    return refuse(
      'bearingMm',
      say('{head} lists no head for {designation}: give the face’s outside diameter, such as {value}', {
        head,
        designation: thread.designation,
        value: (1.5 * thread.nominalMm).toFixed(1),
      }),
    );
  const holeMm = washer?.insideMm ?? partHoleMm(thread, input);
  const edgeMm = washer ? washer.outsideMm : (input.partDiameterMm ?? Number.POSITIVE_INFINITY);
  need('bearingMm', listed, thread.nominalMm, 10 * thread.nominalMm);
  const outsideMm = Math.min(listed, edgeMm);
  if (outsideMm < listed && !washer) need('partDiameterMm', outsideMm, holeMm * 1.001, 2000);
  need('holeMm', holeMm, 0.9 * thread.nominalMm, outsideMm * 0.999);
  return { outsideMm, holeMm, halfAngleDeg };
}

/** What the head presses on: the part's hole, the washer between, the part's edge. */
export function readPressed(thread: Thread, input: FaceInput): Pressed {
  const holeMm = partHoleMm(thread, input);
  const washer = readWasher(thread, input);
  if (input.partDiameterMm !== undefined) need('partDiameterMm', input.partDiameterMm, holeMm * 1.001, 2000);
  if (washer) need('holeMm', holeMm, 0.9 * thread.nominalMm, washer.outsideMm * 0.999);
  return { holeMm, washer, partDiameterMm: input.partDiameterMm };
}

/** Friction as it was given: apart, once for both, or by the finish. */
interface FrictionGiven {
  friction?: number;
  threadFriction?: number;
  headFriction?: number;
  finish?: ThreadFinish;
}

/** Friction: given apart, given once for both, or the usual of a finish; a finish and a figure contradict. */
export function readFriction(input: FrictionGiven): Friction {
  const figure = (['friction', 'threadFriction', 'headFriction'] as const).find((name) => input[name] !== undefined);
  if (input.finish !== undefined && figure !== undefined)
    refuse(
      figure,
      say('contradicts finish: {finish} has its own friction; give one of the two', { finish: input.finish }),
    );
  if (input.friction !== undefined && input.threadFriction !== undefined && input.headFriction !== undefined)
    refuse('friction', say('contradicts threadFriction and headFriction: give one for both, or both apart'));
  const even = input.friction ?? (input.finish === undefined ? undefined : finishFriction(input.finish).usual);
  const both = evenFriction(even ?? 0.12);
  const friction = {
    thread: input.threadFriction ?? both.thread,
    bearing: input.headFriction ?? both.bearing,
  };
  need(input.threadFriction === undefined ? 'friction' : 'threadFriction', friction.thread, 0, 1);
  need(input.headFriction === undefined ? 'friction' : 'headFriction', friction.bearing, 0, 1);
  return friction;
}

/** The friction that a nut factor stands for, with what else was said of it. */
export function readNutFactor(factor: number, thread: Thread, face: BearingFace, input: FrictionGiven): Friction {
  need('nutFactor', factor, 0.01, 1);
  if (input.headFriction !== undefined)
    refuse('headFriction', say('contradicts nutFactor: the factor stands for the friction under the head'));
  const threadFriction = input.threadFriction ?? input.friction;
  if (threadFriction !== undefined) need('threadFriction', threadFriction, 0, 1);
  return (
    frictionOfNutFactor(factor, thread, face, threadFriction) ??
    refuse(
      'nutFactor',
      say('{factor} is less than pitch and thread take by themselves: usual are 0.12 to 0.25', { factor }),
    )
  );
}

/** Inches beside every millimetre of an answer. */
export const inInches = (mm: number): number => mm / MM_PER_INCH;
