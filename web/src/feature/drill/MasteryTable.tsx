import { DRILL, FAULT_WORDS, ROOM_WORDS } from '#contract/wording/en/drill.ts';
import { midSentence, say } from '#contract/wording/say.ts';
import { FAULT_ROOMS, FAULTS } from '#core/drill/fault-kind.ts';
import type { Mastery } from '#core/drill/mastery.ts';
import { tell } from '../../ui/tell.ts';

/**
 * What a learner tells, kind by kind: how often met, how often found in time, and how much of it is there today. What
 * wants practice stands first; what was never met is folded away under its places.
 */
export function MasteryTable({ mastery, nowMs }: { mastery: readonly Mastery[]; nowMs: number }) {
  const wants = ({ dueMs }: Mastery): boolean => dueMs !== undefined && dueMs <= nowMs;
  const met = mastery
    .filter((entry) => entry.met > 0)
    .toSorted((a, b) => Number(wants(b)) - Number(wants(a)) || Number(a.mastered) - Number(b.mastered));
  const never = mastery.filter((entry) => entry.met === 0);
  return (
    <ul className="grid" aria-label={DRILL.mine}>
      {met.map((entry) => (
        <li key={entry.kind} className="flex min-h-12 items-center gap-3 border-b border-hair py-1">
          <span className="min-w-0 flex-1">
            <b className="mr-2">{FAULT_WORDS[entry.kind].name}</b>
            <span className="text-sm text-ink-2">
              {ROOM_WORDS[FAULTS[entry.kind].room]}
              {wants(entry) ? ` · ${midSentence(DRILL.due)}` : ''}
            </span>
          </span>
          <span className="figures text-sm whitespace-nowrap">
            {tell('{caught} of {met}', { caught: entry.caught, met: entry.met })}
          </span>
          <span
            className="relative h-4 w-20 shrink-0 border-[1.5px] border-ink"
            role="img"
            aria-label={say('{recall} % there today', { recall: Math.round(entry.recall * 100) })}
          >
            <span
              className="absolute inset-y-0 left-0 bg-ink"
              style={{ width: `${Math.round(entry.recall * 100)}%` }}
            />
          </span>
          <span className="w-20 shrink-0 text-right text-sm">
            {entry.mastered ? <b>{DRILL.mastered}</b> : DRILL.open}
          </span>
        </li>
      ))}
      {never.length > 0 && (
        <li className="border-b border-hair">
          <details>
            <summary className="flex min-h-12 cursor-pointer items-center gap-3 text-ink-2">
              <span aria-hidden="true">▸</span> {say(DRILL.neverMet, { kinds: never.length })}
            </summary>
            <dl className="pb-3 pl-6 text-sm">
              {FAULT_ROOMS.map((room) => {
                const kinds = never.filter(({ kind }) => FAULTS[kind].room === room);
                return (
                  kinds.length > 0 && (
                    <div key={room} className="grid gap-x-3 py-1 sm:grid-cols-[7rem_1fr]">
                      <dt className="text-ink-2">{ROOM_WORDS[room]}</dt>
                      <dd>{kinds.map(({ kind }) => FAULT_WORDS[kind].name).join(', ')}</dd>
                    </div>
                  )
                );
              })}
            </dl>
          </details>
        </li>
      )}
    </ul>
  );
}
