import { isPractice } from '../practice/practice.ts';
import * as deviceOutbox from './outbox.ts';

/** The device's outbox without the practice job: nothing of it is written anywhere. */
export const practiceOutbox: Pick<typeof deviceOutbox, 'keepJob' | 'keptJob' | 'outboxOf' | 'keepCommands'> = {
  keepJob: async (document) => (isPractice(document.id) ? undefined : deviceOutbox.keepJob(document)),
  keptJob: async (jobId) => (isPractice(jobId) ? undefined : deviceOutbox.keptJob(jobId)),
  outboxOf: async (jobId) => (isPractice(jobId) ? [] : deviceOutbox.outboxOf(jobId)),
  keepCommands: (entries) => deviceOutbox.keepCommands(entries.filter(({ jobId }) => !isPractice(jobId))),
};
