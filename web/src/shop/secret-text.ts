import { ProblemError } from './api.ts';
import { NoKeys, PinWait, WrongPin } from './device-keys.ts';
import { failureText } from './failure-text.ts';

/** Why a secret was not taken: by the server, or by this device without it. */
export function secretRefusedText(error: unknown): string {
  if (error instanceof WrongPin) return 'Wrong PIN.';
  if (error instanceof PinWait) return `Too many wrong PINs. Try again in ${error.seconds} s.`;
  if (error instanceof NoKeys)
    return 'The server cannot be reached, and this person has not signed in on this device with it yet.';
  const problem = error instanceof ProblemError ? error.problem : undefined;
  if (problem?.code === 'wrongSecret') return 'Wrong PIN.';
  if (problem?.code === 'tooManyAttempts')
    return `Too many wrong PINs. Try again in ${(problem as { retryAfterS?: number }).retryAfterS ?? 60} s.`;
  return failureText(error);
}
