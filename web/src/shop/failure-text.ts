import { say } from '#contract/wording/say.ts';
import { ProblemError, UnreachableError } from './api.ts';

/** The one sentence for a server that does not answer. */
export const UNREACHABLE = say('The server cannot be reached. Nothing was changed; try again.');

/** Whether a request failed in a way a person can do something about; what is left is a defect of ours. */
export const isFailure = (error: unknown): error is ProblemError | UnreachableError =>
  error instanceof ProblemError || error instanceof UnreachableError;

/**
 * What a person reads when a request failed.
 *
 * @throws the error itself where it is none of the server's: a defect is never called a lost connection
 */
export function failureText(error: unknown): string {
  if (error instanceof UnreachableError) return UNREACHABLE;
  if (!(error instanceof ProblemError)) throw error;
  const { title, detail, faults } = error.problem;
  const words = [title, detail ?? faults?.map(({ path, message }) => `${path} ${message}`).join('; ')];
  return words.filter(Boolean).join('. ');
}
