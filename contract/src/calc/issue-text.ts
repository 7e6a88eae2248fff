import type { z } from 'zod';
import { EXAMPLE_NUMBER, INPUT_EXAMPLES, INPUT_SHAPE } from '../wording/en/input-faults.ts';
import { type FaultText, unitOfField } from '../wording/input-fault-text.ts';
import { say } from '../wording/say.ts';

/** `points[0].setNm`; `input` for the whole. */
const pathText = (path: readonly PropertyKey[]): string =>
  path
    .map((step) => (typeof step === 'number' ? `[${step}]` : `.${String(step)}`))
    .join('')
    .replace(/^\./, '') || 'input';

/** The field's own name, without its place in a list. */
const nameOf = (path: readonly PropertyKey[]): string =>
  String([...path].reverse().find((step) => typeof step === 'string') ?? 'input');

const exampleOf = (topic: string, name: string): string =>
  INPUT_EXAMPLES[`${topic}.${name}`] ?? INPUT_EXAMPLES[name] ?? EXAMPLE_NUMBER;

const KINDS: Record<string, keyof typeof INPUT_SHAPE> = {
  number: 'number',
  string: 'text',
  boolean: 'truth',
  array: 'list',
  object: 'object',
};

/** What is wrong with the form of an input, in a person's words: the field, what is allowed, an example. */
export function issueText(topic: string, error: z.ZodError, given: unknown, fields: readonly string[]): FaultText {
  const [issue] = error.issues;
  if (!issue) return { field: 'input', reason: say(INPUT_SHAPE.shape, { example: exampleOf(topic, 'input') }) };
  if (issue.code === 'unrecognized_keys')
    return {
      field: pathText([...issue.path, issue.keys[0] ?? '']),
      // Of something inside a field the names are its own, and its example shows them.
      reason:
        issue.path.length === 0
          ? say(INPUT_SHAPE.unknownField, { fields: fields.join(', ') })
          : say(INPUT_SHAPE.shape, { example: exampleOf(topic, nameOf(issue.path)) }),
    };
  const field = pathText(issue.path);
  const name = nameOf(issue.path);
  const example = exampleOf(topic, name);
  const unit = unitOfField(name);
  const value = issue.path.reduce<unknown>(
    (at, step) => (typeof at === 'object' && at !== null ? (at as Record<PropertyKey, unknown>)[step] : undefined),
    given,
  );
  if (value === undefined && issue.path.length > 0)
    return {
      field,
      reason: say(INPUT_SHAPE.missing, { example: `${example}${example === EXAMPLE_NUMBER ? unit : ''}` }),
    };
  const reason = (): string => {
    switch (issue.code) {
      case 'invalid_type':
        if (issue.expected === 'int') return say(INPUT_SHAPE.whole, { example });
        return say(INPUT_SHAPE[KINDS[issue.expected] ?? 'shape'], { example, unit: unit === '' ? 'none' : unit });
      case 'invalid_value':
        return say(INPUT_SHAPE.choice, { choices: issue.values.map(String).join(', ') });
      case 'too_small':
        return say(INPUT_SHAPE.tooFew, { least: String(issue.minimum) });
      case 'too_big':
        return say(INPUT_SHAPE.tooMany, { most: String(issue.maximum) });
      default:
        return say(INPUT_SHAPE.shape, { example });
    }
  };
  return { field, reason: reason() };
}
