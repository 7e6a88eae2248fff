import { fail, ok, type Result } from '#core/result.ts';
import type { FaultText } from '../wording/input-fault-text.ts';
import { CALC_INPUTS, type CalcInput, type CalcTopic } from './calc-input.ts';
import { issueText } from './issue-text.ts';
import { CalcRefusal } from './joint-input.ts';
import { cure, volume } from './topic/compound-topics.ts';
import { drill, engagement, head, identify, stud, thread } from './topic/fastener-topics.ts';
import { elastic, load, lubricate, preload } from './topic/joint-topics.ts';
import { convert, shrink } from './topic/measure-topics.ts';
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
  convert,
};

/** The fields of a topic, all its shapes together. */
function fieldsOf(topic: CalcTopic): string[] {
  const schema = CALC_INPUTS[topic];
  const shapes = 'options' in schema ? schema.options : [schema];
  return [...new Set(shapes.flatMap((shape) => Object.keys(shape.shape)))];
}

/**
 * One calculation by topic, from untyped input.
 * @returns the answer, or the field that cannot be used and why
 */
export function calculate(topic: CalcTopic, input: unknown): Result<object, { code: 'refused' } & FaultText> {
  const read = CALC_INPUTS[topic].safeParse(input);
  if (!read.success) return fail({ code: 'refused', ...issueText(read.error, input, fieldsOf(topic)) });
  try {
    // The table and the schema have the same key, which the compiler cannot follow through a union.
    return ok((TOPICS[topic] as (value: unknown) => object)(read.data));
  } catch (error) {
    if (error instanceof CalcRefusal) return fail({ code: 'refused', ...error.fault });
    throw error;
  }
}
