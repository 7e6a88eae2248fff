/**
 * JSON with keys in order and undefined left out, so that one thing has one text on every machine: RFC 8785 (JSON
 * Canonicalization Scheme), whose rules for numbers and strings are those of `JSON.stringify`. Members are written one by
 * one: an object keeps keys that look like numbers in an order of its own.
 */
export function canonicalJson(value: unknown): string {
  if (value === null || typeof value !== 'object') return JSON.stringify(value) ?? 'null';
  if (Array.isArray(value)) return `[${value.map((entry) => canonicalJson(entry)).join(',')}]`;
  const members = Object.entries(value as Record<string, unknown>)
    .filter(([, entry]) => entry !== undefined)
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([key, entry]) => `${JSON.stringify(key)}:${canonicalJson(entry)}`);
  return `{${members.join(',')}}`;
}
