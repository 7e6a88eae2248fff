/** Why a number or a name given to a calculation cannot be used: the field, what was given, and what would do. */
export type InputFault =
  | { code: 'outOfRange'; field: string; value: number; min: number; max: number }
  | { code: 'notANumber'; field: string }
  /** The table has no such entry; `known` lists some that it has. */
  | { code: 'notListed'; field: string; value: string; known: string[] }
  /** Two fields that cannot both hold, such as a hole larger than the head over it. */
  | { code: 'contradiction'; field: string; with: string; reason: string };

/**
 * Checks that a number is finite and inside `[min, max]`. The limits are sanity limits: what no fastener, tool or
 * vehicle has.
 *
 * @returns the fault, or undefined when the number can be used
 */
export function outOfRange(field: string, value: number, min: number, max: number): InputFault | undefined {
  if (!Number.isFinite(value)) return { code: 'notANumber', field };
  return value < min || value > max ? { code: 'outOfRange', field, value, min, max } : undefined;
}

/** The first fault of a list of checks. */
export const firstFault = (...checks: Array<InputFault | undefined>): InputFault | undefined =>
  checks.find((check) => check !== undefined);
