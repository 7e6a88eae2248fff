import { say } from '#contract/wording/say.ts';
import { lineState } from '#core/job/job-state.ts';
import type { PlanItem } from '#core/kit/plan.ts';
import { useOpenJob } from '../../job/use-open-job.ts';
import { CommitField } from '../../ui/CommitField.tsx';

/** The number each piece of a line carries: they go on the record, and the job is not signed without them. */
export function Serials({ item }: { item: PlanItem }) {
  const { state, give } = useOpenJob();
  const { serials = [], count } = lineState(state, item.id);
  if (!item.serial) return null;
  const pieces = Math.max(item.quantity, count?.found ?? 0);
  return (
    <section aria-label={say('Numbers of their own')} className="mt-4 border-2 border-ink p-3">
      <h3 className="font-bold">{pieces === 1 ? say('Number on it') : say('Numbers on them')}</h3>
      <div className="mt-1 grid gap-2">
        {Array.from({ length: pieces }, (_, index) => index + 1).map((piece) => (
          <CommitField
            key={piece}
            label={pieces === 1 ? say('As it is stamped') : say('Piece {piece}', { piece })}
            className="figures"
            value={serials.find((entry) => entry.piece === piece)?.serial ?? ''}
            onCommit={(typed) => {
              if (typed.trim() === '') return say('Read it off the piece.');
              return give({ type: 'noteSerial', item: item.id, piece, serial: typed })
                ? undefined
                : say('Not taken: see above.');
            }}
          />
        ))}
      </div>
    </section>
  );
}
