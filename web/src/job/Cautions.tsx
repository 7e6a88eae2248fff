import { TriangleAlert } from 'lucide-react';
import type { Plan } from '#core/kit/plan.ts';

/** The cautions that belong where the fitter stands: the group's, and the kit's. */
export function Cautions({ plan, group }: { plan: Plan; group?: string }) {
  const shown = plan.cautions.filter((caution) => caution.group === undefined || caution.group === group);
  if (shown.length === 0) return null;
  return (
    <ul className="mt-5 grid gap-2 border-t border-rule pt-3 text-sm" aria-label="Cautions">
      {shown.map((caution) => (
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
