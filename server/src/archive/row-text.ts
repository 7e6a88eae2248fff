/** A value of a row as JSON keeps it. JSON columns are text in the database; one that reads back to the letter stands open. */
export function openValue(value: unknown): unknown {
  if (typeof value === 'bigint') return value.toString();
  if (typeof value !== 'string' || !/^[[{]/.test(value)) return value;
  try {
    const parsed: unknown = JSON.parse(value);
    return JSON.stringify(parsed) === value ? parsed : value;
  } catch {
    // A text that only begins like one.
    return value;
  }
}

/** The value as the database had it. */
export const storedValue = (value: unknown): unknown =>
  typeof value === 'object' && value !== null ? JSON.stringify(value) : value;
