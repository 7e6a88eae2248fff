import { say } from '#contract/wording/say.ts';
import { ProblemError, UnreachableError } from '../../shop/api.ts';

/**
 * Asks for what a link opens: the code goes in a header, so that no log of addresses has it, and no session with it.
 *
 * @throws ProblemError where the server says why not, UnreachableError where it does not answer
 */
export async function askOwnerPage(token: string, path: string, body?: FormData): Promise<Response> {
  const answer = await fetch(`/api/owner-page${path}`, {
    method: body ? 'POST' : 'GET',
    body,
    credentials: 'omit',
    headers: { authorization: `Bearer ${token}` },
  }).catch((error: unknown) => {
    throw new UnreachableError(String(error));
  });
  if (!answer.ok) {
    // A proxy in between may answer with something that is no problem document.
    const problem = await answer.json().catch(() => undefined);
    if (problem === undefined) throw new UnreachableError(say('HTTP {status}', { status: answer.status }));
    throw new ProblemError(problem);
  }
  return answer;
}
