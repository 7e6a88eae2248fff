import { zValidator } from '@hono/zod-validator';
import type { ValidationTargets } from 'hono';
import type { z } from 'zod';
import { problem } from './problem.ts';

/** Checks a part of the request against a schema; a mismatch is answered with every fault and its path. */
export const validate = <Target extends keyof ValidationTargets, Schema extends z.ZodType>(
  target: Target,
  schema: Schema,
) =>
  zValidator(target, schema, (result, c) => {
    if (result.success) return undefined;
    const faults = result.error.issues.map((issue) => ({
      path: [target, ...issue.path.map(String)].join('.'),
      message: issue.message,
    }));
    return problem(c, 'badRequest', {
      faults,
      detail: faults.map((fault) => `${fault.path}: ${fault.message}`).join('; '),
    });
  });
