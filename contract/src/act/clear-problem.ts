import { z } from 'zod';
import type { ClearProblem, ProblemCleared } from '#core/job/act/clear-problem.ts';
import { exactly } from '../exactly.ts';
import { Reason, Ref } from './fields.ts';

export const ClearProblemSchema = exactly<ClearProblem>()(
  z.strictObject({ type: z.literal('clearProblem'), problem: Ref, how: Reason }),
);

export const ProblemClearedSchema = exactly<ProblemCleared>()(
  z.strictObject({ type: z.literal('problemCleared'), problem: Ref, how: Reason }),
);
