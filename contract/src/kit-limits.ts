import { z } from 'zod';
import { say } from './wording/say.ts';

/**
 * How large a kit may be (chosen by us, far above any sheet): beyond it no tablet works it, and reading it would hold the
 * server up. Looked at before anything else is, on the raw document, in time that grows with its length alone.
 */
const KIT_LIMITS = {
  stations: 1000,
  items: 2000,
  steps: 2000,
  /** How deep a condition may go, and how many parts it may have. */
  conditionDepth: 8,
  conditionParts: 200,
  /** Parts of all conditions together. */
  conditionPartsInAll: 20_000,
} as const;

export interface LimitFault {
  path: string;
  message: string;
}

type Raw = Record<string, unknown>;
const isRaw = (value: unknown): value is Raw => typeof value === 'object' && value !== null && !Array.isArray(value);
const BRANCHES = ['all', 'any', 'not'] as const;
const isCondition = (value: Raw): boolean => BRANCHES.some((key) => key in value);

/** What of a raw document is larger than a kit may be. Without recursion, so that depth itself cannot do harm. */
export function kitLimitFaults(document: unknown): LimitFault[] {
  if (!isRaw(document)) return [];
  const faults: LimitFault[] = [];
  for (const list of ['stations', 'items', 'steps'] as const) {
    const { [list]: entries } = document;
    if (Array.isArray(entries) && entries.length > KIT_LIMITS[list])
      faults.push({
        path: list,
        message: say('at most {kitLimits}, not {count}', { kitLimits: KIT_LIMITS[list], count: entries.length }),
      });
  }
  let inAll = 0;
  const waiting: Array<{ value: unknown; path: string; depth: number; parts?: { count: number; path: string } }> = [
    { value: document, path: '', depth: 0 },
  ];
  while (waiting.length > 0) {
    const { value, path, depth, parts: outer } = waiting.pop() as (typeof waiting)[number];
    if (Array.isArray(value)) {
      // A list of branches too long is not walked: that it is too long is all there is to say.
      if (outer && value.length + outer.count > KIT_LIMITS.conditionParts) outer.count = KIT_LIMITS.conditionParts + 1;
      else
        for (const [at, entry] of value.entries())
          waiting.push({ value: entry, path: `${path}[${at}]`, depth, parts: outer });
    } else if (isRaw(value)) {
      const condition = outer !== undefined || isCondition(value);
      const parts = condition ? (outer ?? { count: 0, path }) : undefined;
      if (parts) {
        parts.count += 1;
        inAll += 1;
      }
      if (condition && depth >= KIT_LIMITS.conditionDepth) {
        faults.push({
          path: parts?.path ?? path,
          message: say('a condition goes at most {conditionDepth} deep', { conditionDepth: KIT_LIMITS.conditionDepth }),
        });
        return faults;
      }
      for (const [key, entry] of Object.entries(value))
        waiting.push({ value: entry, path: path ? `${path}.${key}` : key, depth: condition ? depth + 1 : 0, parts });
    }
    if (outer && outer.count > KIT_LIMITS.conditionParts) {
      faults.push({
        path: outer.path,
        message: say('a condition has at most {conditionParts} parts', { conditionParts: KIT_LIMITS.conditionParts }),
      });
      return faults;
    }
    if (inAll > KIT_LIMITS.conditionPartsInAll) {
      faults.push({
        path: '',
        message: say('conditions have at most {conditionPartsInAll} parts in all', {
          conditionPartsInAll: KIT_LIMITS.conditionPartsInAll,
        }),
      });
      return faults;
    }
  }
  return faults;
}

/** A schema that is asked only of what is not too large. */
export const withinLimits = <Schema extends z.ZodType>(schema: Schema) =>
  z
    .unknown()
    .superRefine((document, context) => {
      for (const { path, message } of kitLimitFaults(document))
        context.addIssue({ code: 'custom', path: path === '' ? [] : [path], message });
    })
    .pipe(schema);
