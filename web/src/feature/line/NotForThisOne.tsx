import { nearFigureText } from '#contract/wording/near-figures-text.ts';
import { say } from '#contract/wording/say.ts';
import { checkRead } from '#core/kit/step-action.ts';
import type { LineAct } from '#core/line/line.ts';
import { nearFigures } from '#core/line/near-figures.ts';
import type { LineInHand } from './use-line.ts';

/** Figures one could take for the one that is asked, said to be another's. */
export function NotForThisOne({
  line: { plan, document },
  act,
}: {
  line: { plan: Pick<LineInHand['plan'], 'checks'>; document: Pick<LineInHand['document'], 'kits'> };
  act: Pick<LineAct, 'action'>;
}) {
  const id = checkRead(act.action);
  const check = plan.checks.find((entry) => entry.id === id);
  const near = check ? nearFigures(document.kits, plan, check) : [];
  if (near.length === 0) return null;
  return (
    <div className="mx-5 mt-2 border-l-4 border-rule pl-3 text-ink-2 md:mx-6">
      <h2 className="font-bold">{say('Not for this one')}</h2>
      <ul>
        {near.map((one) => (
          <li key={one.check.id} className="break-words">
            {nearFigureText(one)}
          </li>
        ))}
      </ul>
    </div>
  );
}
