import type { MiddlewareHandler, ValidationTargets } from 'hono';
import type { z } from 'zod';

/** What a route is and answers, for those who are not of the house. */
interface Description {
  summary: string;
  answers: Record<number, z.ZodType>;
}

const descriptions = new WeakMap<object, Description>();
const inputs = new WeakMap<object, { target: keyof ValidationTargets; schema: z.ZodType }>();

/** Says what a route is and answers; does nothing else. */
export function described(summary: string, answers: Description['answers']): MiddlewareHandler {
  const passes: MiddlewareHandler = (_, next) => next();
  descriptions.set(passes, { summary, answers });
  return passes;
}

export const descriptionOf = (handler: object): Description | undefined => descriptions.get(handler);

/** Remembers which schema a handler checks, so that the description of the API is made from what is checked. */
export function checks<Handler extends object>(
  handler: Handler,
  target: keyof ValidationTargets,
  schema: z.ZodType,
): Handler {
  inputs.set(handler, { target, schema });
  return handler;
}

export const checkedBy = (handler: object) => inputs.get(handler);
