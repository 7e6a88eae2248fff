import { ProblemError } from '../../shop/api.ts';

/** What a person reads when a request about kits failed. */
export function failureText(error: unknown): string {
  if (!(error instanceof ProblemError)) return 'The server cannot be reached. Nothing is lost; try again.';
  const { title, detail, faults = [] } = error.problem;
  const places = faults.slice(0, 3).map((fault) => `${fault.path}: ${fault.message}`);
  return [title, detail, ...places].filter(Boolean).join('. ');
}
