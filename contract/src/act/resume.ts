import { z } from 'zod';
import type { JobResumed, Resume } from '#core/job/act/resume.ts';
import { exactly } from '../exactly.ts';

export const ResumeSchema = exactly<Resume>()(z.strictObject({ type: z.literal('resume') }));
export const JobResumedSchema = exactly<JobResumed>()(z.strictObject({ type: z.literal('jobResumed') }));
