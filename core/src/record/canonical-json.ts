/**
 * JSON with keys in order and undefined left out, so that one thing has one text on every machine: the form of RFC 8785
 * (JSON Canonicalization Scheme), whose rules for numbers and strings are those of `JSON.stringify`.
 */
export function canonicalJson(value: unknown): string {
  return JSON.stringify(value, (_, entry: unknown) =>
    entry !== null && typeof entry === 'object' && !Array.isArray(entry)
      ? Object.fromEntries(Object.entries(entry).sort(([a], [b]) => (a < b ? -1 : 1)))
      : entry,
  );
}
