/** The outcome of a calculation that can fail in an expected way. Errors are data with a `code`, never sentences. */
export type Result<Value, Problem extends { code: string }> =
  | { ok: true; value: Value }
  | { ok: false; error: Problem };

/** Wraps a value as a success. */
export const ok = <Value>(value: Value) => ({ ok: true, value }) as const;

/** Wraps an error as an expected failure. */
export const fail = <const Problem extends { code: string }>(error: Problem) => ({ ok: false, error }) as const;

/** Makes a switch over a union complete: a new member breaks the build here. */
export function unreachable(value: never): never {
  throw new Error(`Unhandled case: ${JSON.stringify(value)}`);
}
