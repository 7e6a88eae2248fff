import type { z } from 'zod';
import { clearanceHoleMm } from '#core/fastener/clearance-hole.ts';
import { bearingHalfAngleDeg, type HeadStandard, headDimension, usualHead } from '#core/fastener/head-dimension.ts';
import { type BoltStrength, boltStrength } from '#core/fastener/property-class.ts';
import { metricThread, parseThread, type Thread, unifiedThread } from '#core/fastener/thread.ts';
import { type WasherStandard, washerDimension } from '#core/fastener/washer.ts';
import { type InputFault, outOfRange } from '#core/quantity/input-fault.ts';
import { MM_PER_INCH } from '#core/quantity/unit.ts';
import type { Result } from '#core/result.ts';
import { evenFriction, finishFriction, type ThreadFinish } from '#core/tightening/thread-finish.ts';
import type { BearingFace, Friction } from '#core/tightening/tightening-torque.ts';
import { classFaultText, type FaultText, inputFaultText, threadErrorText } from '../wording/input-fault-text.ts';
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

/** Reads a thread in any of its ways of writing; pitch and diameter must belong to a thread that could be cut. */
export function readThread(input: z.output<typeof ThreadInput>): Thread {
  if (typeof input === 'string') {
    const read = parseThread(input);
    if (!read.ok) throw new CalcRefusal(threadErrorText(read.error));
    return checked(read.value.thread);
  }
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

/** The bearing face: what was given, else the head's own over the medium hole, narrowed by a washer. */
export function readFace(
  thread: Thread,
  input: {
    head?: HeadStandard;
    bearingMm?: number;
    holeMm?: number;
    washer?: WasherStandard;
    halfAngleDeg?: number;
  },
): BearingFace {
  const head = input.head ?? usualHead(thread.system);
  const washer = input.washer && washerDimension(input.washer, thread);
  if (input.washer && !washer) refuse('washer', `${input.washer} does not list ${thread.designation}`);
  const holeMm =
    input.holeMm ??
    washer?.insideMm ??
    clearanceHoleMm(thread, 'medium') ??
    refuse('holeMm', `no standard clearance hole for ${thread.designation}: give it`);
  const listed = input.bearingMm ?? headDimension(head, thread)?.bearingMm;
  if (listed === undefined) return refuse('bearingMm', `${head} does not list ${thread.designation}: give it`);
  const outsideMm = washer ? Math.min(listed, washer.outsideMm) : listed;
  need('bearingMm', outsideMm, thread.nominalMm, 10 * thread.nominalMm);
  need('holeMm', holeMm, 0.9 * thread.nominalMm, outsideMm * 0.999);
  const halfAngleDeg = need('halfAngleDeg', input.halfAngleDeg ?? bearingHalfAngleDeg(head), 10, 90);
  return { outsideMm, holeMm, halfAngleDeg };
}

/** Friction: given apart, given once for both, or the usual of a finish. */
export function readFriction(input: {
  friction?: number;
  threadFriction?: number;
  headFriction?: number;
  finish?: ThreadFinish;
}): Friction {
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

/** Inches beside every millimetre of an answer. */
export const inInches = (mm: number): number => mm / MM_PER_INCH;
