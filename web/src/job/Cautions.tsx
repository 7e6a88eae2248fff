import { TriangleAlert } from 'lucide-react';
import type { Plan } from '#core/kit/plan.ts';

/** Cautions where they are needed. */
export function Cautions({ cautions }: { cautions: Plan['cautions'] }) {
  if (cautions.length === 0) return null;
  return (
    <ul className="mt-3 grid gap-1.5 border-y border-rule py-2 text-sm" aria-label="Cautions">
      {cautions.map((caution) => (
        <li key={caution.id} className="flex gap-2">
          <TriangleAlert
            size={18}
            className={`mt-0.5 shrink-0 ${caution.safetyCritical ? 'text-bad' : 'text-ink-2'}`}
            aria-hidden="true"
          />
          <span className={caution.safetyCritical ? 'font-bold' : ''}>{caution.text}</span>
        </li>
      ))}
    </ul>
  );
}
