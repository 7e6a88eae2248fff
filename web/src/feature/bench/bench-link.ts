import type { Values } from './bench-field.ts';
import type { BenchTool } from './bench-tool.ts';

/** Keys of the address that are not fields of a tool: where the bench was entered from. */
const FROM_KEYS = ['job', 'station'] as const;

/** The values in an address, as far as the tool knows them. */
export function valuesFrom(tool: BenchTool, search: URLSearchParams): Values {
  const values: Record<string, string> = {};
  for (const { key } of tool.fields) {
    const value = search.get(key);
    if (value !== null) values[key] = value;
  }
  return values;
}

/** The address that shows a tool with these values again; initial values are left out, so that it stays short. */
export function linkTo(tool: BenchTool, values: Values, from?: URLSearchParams): string {
  const search = new URLSearchParams();
  for (const { key, initial } of tool.fields) {
    const value = values[key];
    if (value !== undefined && value !== initial) search.set(key, value);
  }
  for (const key of FROM_KEYS) {
    const value = from?.get(key);
    if (value) search.set(key, value);
  }
  const query = search.toString();
  return `/bench/${tool.id}${query === '' ? '' : `?${query}`}`;
}
