import { z } from 'zod';
import type { ProblemRaised, RaiseProblem } from '#core/job/act/raise-problem.ts';
import { exactly } from '../exactly.ts';
import { Key, Reason, Ref } from './fields.ts';

export const RaiseProblemSchema = exactly<RaiseProblem>()(
  z.strictObject({ type: z.literal('raiseProblem'), station: Ref.optional(), text: Reason }),
);

export const ProblemRaisedSchema = exactly<ProblemRaised>()(
  z.strictObject({
    type: z.literal('problemRaised'),
    problem: Ref,
    station: Ref.optional(),
    text: Reason,
    act: Key.optional(),
  }),
);
