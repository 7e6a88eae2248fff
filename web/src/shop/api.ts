import { type ClientResponse, hc } from 'hono/client';
import { PAGE_HEADER } from '#contract/page-version.ts';
import type { Problem } from '#contract/problem.ts';
import { SERVER_TIME_HEADER } from '#contract/server-time.ts';
import { say } from '#contract/wording/say.ts';
import type { Api } from '#server/http/app.ts';
import { learnServerTime } from './clock.ts';
import { learnPage } from './newer-page.ts';

/** What goes before every other request: what the server has to hear first. */
let first: () => Promise<void> = async () => undefined;
let settling: Promise<void> | undefined;

/** Sets what goes before every request but those it makes itself. */
export function beforeRequests(work: () => Promise<void>): void {
  first = work;
}

/** What is answered on this page and asked of no server. */
let answered: (address: string, init?: RequestInit) => Promise<Response> | undefined = () => undefined;

/** Sets what answers requests on this page; undefined for those that go to the server. */
export function answerHere(answer: typeof answered): void {
  answered = answer;
}

/** One request, after what goes first; its answer tells the server's time. */
async function asked(input: RequestInfo | URL, init?: RequestInit): Promise<Response> {
  const here = answered(String(input), init);
  if (here) return here;
  if (!settling) {
    // Begun in a turn of its own: what goes first asks too, and must find that it is under way.
    settling = Promise.resolve()
      .then(first)
      .finally(() => {
        settling = undefined;
      });
    await settling;
  } else if (!isSessionRequest(input)) await settling;
  const askedMs = performance.now();
  const response = await fetch(input, init);
  learnServerTime(Number(response.headers.get(SERVER_TIME_HEADER)), askedMs);
  if (response.ok) learnPage(response.headers.get(PAGE_HEADER));
  return response;
}
/** What goes first asks for a session, and must not wait for itself. */
const isSessionRequest = (input: RequestInfo | URL): boolean => String(input).includes('/api/session');

/** The typed client, from the server's own route types. */
export const api = hc<Api>('/api', { fetch: asked });

/** The server answered with problem details. */
export class ProblemError extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail ?? problem.title);
  }
}

/** The server could not be reached, or is away for a moment. */
export class UnreachableError extends Error {}

/** The body of the JSON answers among all that a route may give; problem documents are thrown instead. */
type JsonBody<Answer> = Answer extends ClientResponse<infer Body, number, 'json'> ? Body : never;

/** Waits for an answer and gives its body; throws {@link ProblemError} or {@link UnreachableError}. */
export async function call<Answer extends ClientResponse<unknown, number, string>>(
  request: Promise<Answer>,
): Promise<JsonBody<Answer>> {
  let response: Answer;
  try {
    response = await request;
  } catch (error) {
    throw new UnreachableError(String(error));
  }
  if (response.status === 204) return undefined as JsonBody<Answer>;
  if (response.ok) return (await response.json()) as JsonBody<Answer>;
  // A proxy in between may answer with something that is no problem document.
  const problem = (await response.json().catch(() => undefined)) as Problem | undefined;
  if (problem?.code === 'storeUnavailable' || problem?.code === 'storeFull' || problem === undefined) {
    throw new UnreachableError(problem?.title ?? say('HTTP {status}', { status: response.status }));
  }
  throw new ProblemError(problem);
}
