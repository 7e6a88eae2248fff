import { zValidator } from '@hono/zod-validator';
import type { Context, ValidationTargets } from 'hono';
import type { z } from 'zod';
import type { InputFault } from '#contract/job.ts';
import { isWellFormed } from '#contract/text.ts';
import { say } from '#contract/wording/say.ts';
import { checks } from './described.ts';
import { problem } from './problem.ts';

/**
 * Where a text holds half of a surrogate pair, which no database and no file keeps: its path; undefined where none does.
 * Commands are left out: each of a batch is judged by itself.
 */
export function cutText(data: unknown): string | undefined {
  const waiting: Array<[string, unknown]> = [['', data]];
  while (waiting.length > 0) {
    const [path, value] = waiting.pop() as [string, unknown];
    if (typeof value === 'string' && !isWellFormed(value)) return path;
    if (typeof value !== 'object' || value === null) continue;
    for (const [key, entry] of Object.entries(value)) {
      if (path === '' && key === 'commands') continue;
      if (!isWellFormed(key)) return path;
      waiting.push([path ? `${path}.${key}` : key, entry]);
    }
  }
  return undefined;
}

/** Input that cannot be read is answered with every fault and its path. */
export const unreadable = (c: Context, faults: InputFault[]) =>
  problem(c, 'badRequest', { faults, detail: faults.map(({ path, message }) => `${path}: ${message}`).join('; ') });

/** Checks a part of the request against a schema; a mismatch is answered with every fault and its path. */
export const validate = <Target extends keyof ValidationTargets, Schema extends z.ZodType>(
  target: Target,
  schema: Schema,
) => {
  const handler = zValidator(target, schema, (result, c) => {
    const cut = result.success && target === 'json' ? cutText(result.data) : undefined;
    if (result.success && cut === undefined) return undefined;
    return unreadable(
      c,
      result.success
        ? [{ path: `json.${cut}`, message: say('holds a character that is cut in half') }]
        : result.error.issues.map((issue) => ({
            path: [target, ...issue.path.map(String)].join('.'),
            message: issue.message,
          })),
    );
  });
  return checks(handler, target, schema);
};
