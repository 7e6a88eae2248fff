import { DRILL, FAULT_WORDS, ROOM_WORDS } from '#contract/wording/en/drill.ts';
import { FAULTS } from '#core/drill/fault-kind.ts';
import type { Mastery } from '#core/drill/mastery.ts';

/** What a learner tells, kind by kind: how often met, how often found in time, and how much of it is there today. */
export function MasteryTable({ mastery, nowMs }: { mastery: readonly Mastery[]; nowMs: number }) {
  return (
    <ul className="grid" aria-label={DRILL.mine}>
      {mastery.map(({ kind, met, caught, recall, mastered, dueMs }) => (
        <li key={kind} className="flex min-h-12 items-center gap-3 border-b border-hair py-1">
          <span className="min-w-0 flex-1">
            <b className="mr-2">{FAULT_WORDS[kind].name}</b>
            <span className="text-sm text-ink-2">
              {ROOM_WORDS[FAULTS[kind].room]}
              {met > 0 && dueMs !== undefined && dueMs <= nowMs ? ` · ${DRILL.due.toLowerCase()}` : ''}
            </span>
          </span>
          {met === 0 ? (
            <span className="text-sm text-ink-2">{DRILL.never}</span>
          ) : (
            <>
              <span className="figures text-sm whitespace-nowrap">
                {caught} of {met}
              </span>
              <span
                className="relative h-4 w-20 border-[1.5px] border-ink"
                role="img"
                aria-label={`${Math.round(recall * 100)} % there today`}
              >
                <span className="absolute inset-y-0 left-0 bg-ink" style={{ width: `${Math.round(recall * 100)}%` }} />
              </span>
              <span className="w-20 text-right text-sm">{mastered ? <b>{DRILL.mastered}</b> : DRILL.open}</span>
            </>
          )}
        </li>
      ))}
    </ul>
  );
}
