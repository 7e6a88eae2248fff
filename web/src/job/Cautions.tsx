import { TriangleAlert } from 'lucide-react';
import { say } from '#contract/wording/say.ts';
import type { Plan } from '#core/kit/plan.ts';
import { tell } from '../ui/tell.ts';

/**
 * Cautions where they are needed. What was read at the start of the same work is folded to a line, one tap away, so
 * that the figure is not pushed off the screen; what can hurt keeps its first words in sight.
 */
export function Cautions({ cautions, read = false }: { cautions: Plan['cautions']; read?: boolean }) {
  if (cautions.length === 0) return null;
  const list = (
    <ul className="grid gap-1.5 py-2 text-sm" aria-label={say('Cautions')}>
      {cautions.map((caution) => (
        <li key={caution.id} className="flex gap-2">
          <Sign grave={caution.safetyCritical ?? false} />
          <span className={caution.safetyCritical ? 'font-bold' : ''}>{caution.text}</span>
        </li>
      ))}
    </ul>
  );
  if (!read) return <div className="mt-3 mb-2 border-y border-rule">{list}</div>;
  const first = cautions.find(({ safetyCritical }) => safetyCritical) ?? cautions[0];
  return (
    <details className="mt-1 mb-2 border-y border-rule text-sm">
      <summary className="flex min-h-11 cursor-pointer list-none items-center gap-2">
        <Sign grave={first?.safetyCritical ?? false} />
        <span className="min-w-0 flex-1 truncate">{first?.text}</span>
        {cautions.length > 1 && (
          <span className="text-ink-2">{tell('and {count} more', { count: cautions.length - 1 })}</span>
        )}
      </summary>
      {list}
    </details>
  );
}

const Sign = ({ grave }: { grave: boolean }) => (
  <TriangleAlert size={18} className={`mt-0.5 shrink-0 ${grave ? 'text-bad' : 'text-ink-2'}`} aria-hidden="true" />
);
