import { type ClientResponse, hc } from 'hono/client';
import type { Problem } from '#contract/problem.ts';
import type { Api } from '#server/http/app.ts';

/** The typed client, from the server's own route types. */
export const api = hc<Api>('/api');

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
  if (problem?.code === 'storeUnavailable' || problem === undefined) {
    throw new UnreachableError(problem?.title ?? `HTTP ${response.status}`);
  }
  throw new ProblemError(problem);
}
