import type { z } from 'zod';
import { fail, ok, type Result } from '#core/result.ts';
import type { FaultText } from '../wording/input-fault-text.ts';
import { CALC_INPUTS, type CalcInput, type CalcTopic } from './calc-input.ts';
import { CalcRefusal } from './joint-input.ts';
import { cure, volume } from './topic/compound-topics.ts';
import { drill, engagement, head, identify, stud, thread } from './topic/fastener-topics.ts';
import { elastic, lubricate, preload } from './topic/joint-topics.ts';
import { convert, shrink } from './topic/measure-topics.ts';
import { adapter, band, calibration } from './topic/wrench-topics.ts';

const TOPICS: { [Topic in CalcTopic]: (input: CalcInput<Topic>) => object } = {
  thread,
  head,
  preload,
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

const issueText = (error: z.ZodError): FaultText => {
  const issue = error.issues[0];
  const unknown = issue?.code === 'unrecognized_keys' ? issue.keys[0] : undefined;
  const path = [...(issue?.path ?? []), ...(unknown === undefined ? [] : [unknown])];
  return {
    field:
      path
        .map((step) => (typeof step === 'number' ? `[${step}]` : `.${String(step)}`))
        .join('')
        .replace(/^\./, '') || 'input',
    reason: unknown === undefined ? (issue?.message ?? 'is not as documented') : 'is no field of this topic',
  };
};

/**
 * One calculation by topic, from untyped input.
 * @returns the answer, or the field that cannot be used and why
 */
export function calculate(topic: CalcTopic, input: unknown): Result<object, { code: 'refused' } & FaultText> {
  const read = CALC_INPUTS[topic].safeParse(input);
  if (!read.success) return fail({ code: 'refused', ...issueText(read.error) });
  try {
    // The table and the schema have the same key, which the compiler cannot follow through a union.
    return ok((TOPICS[topic] as (value: unknown) => object)(read.data));
  } catch (error) {
    if (error instanceof CalcRefusal) return fail({ code: 'refused', ...error.fault });
    throw error;
  }
}
