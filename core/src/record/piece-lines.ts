import type { JobState } from '../job/job-state.ts';
import type { KeyHolder } from '../job/key-held.ts';
import { keysOf } from '../job/keys.ts';
import type { When } from '../job/stamp.ts';
import type { Plan, PlanItem } from '../kit/plan.ts';

/** What the record tells of single pieces: numbers of their own, second counts that agree, and who had the keys. */
export type PieceLine = When &
  (
    | { kind: 'serial'; item: PlanItem; piece: number; of: number; serial: string }
    | { kind: 'countedTwice'; item: PlanItem; found: number; first: string }
    | { kind: 'key'; name: string; to: KeyHolder }
  );

export function pieceLines(plan: Plan, state: JobState): PieceLine[] {
  const ofLines = plan.items.flatMap((item): PieceLine[] => {
    const line = state.lines[item.id];
    if (!line) return [];
    const { serials = [], count, recount } = line;
    const of = Math.max(item.quantity, serials.length);
    return [
      ...serials.map(
        ({ piece, serial, atMs, by }): PieceLine => ({ kind: 'serial', item, piece, of, serial, atMs, by }),
      ),
      ...(count && recount?.agrees
        ? [
            {
              kind: 'countedTwice' as const,
              item,
              found: count.found,
              first: count.by.name,
              atMs: recount.atMs,
              by: recount.by,
            },
          ]
        : []),
    ];
  });
  const keys = keysOf(plan, state).flatMap(({ name, hands }) =>
    hands.map(({ who, name: to, atMs, by }): PieceLine => ({ kind: 'key', name, to: { who, name: to }, atMs, by })),
  );
  return [...ofLines, ...keys];
}
