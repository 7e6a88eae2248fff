import { say } from '#contract/wording/say.ts';
import { ProblemError } from './api.ts';
import { NoKeys, PinWait, WrongPin } from './device-keys.ts';
import { failureText } from './failure-text.ts';

/** Why a secret was not taken: by the server, or by this device without it. */
export function secretRefusedText(error: unknown): string {
  if (error instanceof WrongPin) return say('Wrong PIN.');
  if (error instanceof PinWait)
    return say('Too many wrong PINs. Try again in {seconds} s.', { seconds: error.seconds });
  if (error instanceof NoKeys)
    return say('The server cannot be reached, and this person has not signed in on this device with it yet.');
  const problem = error instanceof ProblemError ? error.problem : undefined;
  if (problem?.code === 'wrongSecret') return say('Wrong PIN.');
  if (problem?.code === 'tooManyAttempts')
    return say('Too many wrong PINs. Try again in {retryAfterS} s.', {
      retryAfterS: (problem as { retryAfterS?: number }).retryAfterS ?? 60,
    });
  return failureText(error);
}
