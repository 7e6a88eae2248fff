import type { CommandBatchAnswer } from '#contract/job.ts';
import { ProblemError } from '../shop/api.ts';
import type { JobLink } from './job-link.ts';
import { type OutboxEntry, unreadable } from './outbox-entry.ts';

/** Commands sent at once. */
export const BATCH = 100;

/**
 * Sends some entries of a job in order. Where the server cannot take so much, or one stops it from reading the rest, fewer
 * at a time, until the one is found.
 *
 * @param left - how many more wait on this device
 * @param onAnswer - each answer as it comes
 * @returns the entries that were answered; the refused ones with their reason
 */
export async function sendInParts(
  link: JobLink,
  jobId: string,
  batch: readonly OutboxEntry[],
  left: number,
  onAnswer: (answer: CommandBatchAnswer) => void = () => undefined,
): Promise<OutboxEntry[]> {
  try {
    const answer = await link.send(jobId, batch, left);
    onAnswer(answer);
    return batch.flatMap((entry): OutboxEntry[] => {
      const result = answer.results.find((candidate) => candidate.id === entry.id);
      return result ? [result.ok ? entry : { ...entry, refused: result.refusal }] : [];
    });
  } catch (error) {
    const code = error instanceof ProblemError ? error.problem.code : undefined;
    if (code !== 'badRequest' && code !== 'tooLarge') throw error;
    const [only, ...more] = batch;
    if (only && more.length === 0)
      return [unreadable(only, (error as ProblemError).problem.faults ?? [{ path: '', message: code }])];
    const half = Math.ceil(batch.length / 2);
    return [
      ...(await sendInParts(link, jobId, batch.slice(0, half), left + batch.length - half, onAnswer)),
      ...(await sendInParts(link, jobId, batch.slice(half), left, onAnswer)),
    ];
  }
}
