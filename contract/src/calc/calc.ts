import type { z } from 'zod';
import { fail, ok, type Result } from '#core/result.ts';
import type { FaultText } from '../wording/input-fault-text.ts';
import { CALC_INPUTS, type CalcInput, type CalcTopic } from './calc-input.ts';
import { issueText } from './issue-text.ts';
import { CalcRefusal } from './joint-input.ts';
import { cure, volume } from './topic/compound-topics.ts';
import { drill, engagement, head, identify, stud, thread } from './topic/fastener-topics.ts';
import { linkage, propShaft, solidAxle, speedometer, trackBar, trailingArm, tyre } from './topic/geometry-topics.ts';
import { elastic, load, lubricate, preload } from './topic/joint-topics.ts';
import { axles, cargo, chain, combination, tongue } from './topic/load-topics.ts';
import { convert, shrink } from './topic/measure-topics.ts';
import { schedule } from './topic/schedule-topic.ts';
import { adapter, band, calibration } from './topic/wrench-topics.ts';

const TOPICS: { [Topic in CalcTopic]: (input: CalcInput<Topic>) => object } = {
  thread,
  head,
  preload,
  load,
  lubricate,
  engagement,
  stud,
  adapter,
  band,
  calibration,
  volume,
  cure,
  elastic,
  identify,
  drill,
  shrink,
  linkage,
  trailingArm,
  solidAxle,
  trackBar,
  propShaft,
  tyre,
  speedometer,
  tongue,
  cargo,
  axles,
  chain,
  combination,
  schedule,
  convert,
};

const fieldsOf = (shape: z.ZodObject): string[] => Object.keys(shape.shape);

/** The shape of a topic that was meant: of several the one that has most of the fields that were given. */
function shapeOf(topic: CalcTopic, input: unknown): z.ZodObject {
  const schema: z.ZodObject | z.ZodUnion<readonly z.ZodObject[]> = CALC_INPUTS[topic];
  if (!('options' in schema)) return schema;
  const given = new Set(typeof input === 'object' && input !== null ? Object.keys(input) : []);
  const has = (shape: z.ZodObject) => fieldsOf(shape).filter((field) => given.has(field)).length;
  return schema.options.reduce((best, shape) => (has(shape) > has(best) ? shape : best));
}

/**
 * One calculation by topic, from untyped input.
 * @returns the answer, or the field that cannot be used and why
 */
export function calculate(topic: CalcTopic, input: unknown): Result<object, { code: 'refused' } & FaultText> {
  const shape = shapeOf(topic, input);
  const read = shape.safeParse(input);
  if (!read.success) return fail({ code: 'refused', ...issueText(topic, read.error, input, fieldsOf(shape)) });
  try {
    // The table and the schema have the same key, which the compiler cannot follow through a union.
    return ok((TOPICS[topic] as (value: unknown) => object)(read.data));
  } catch (error) {
    if (error instanceof CalcRefusal) return fail({ code: 'refused', ...error.fault });
    throw error;
  }
}
