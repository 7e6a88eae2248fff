import { Lock } from 'lucide-react';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import type { CribWrench } from '#contract/crib.ts';
import { say } from '#contract/wording/say.ts';
import { WRENCH_KIND_TEXT } from '#contract/wording/wrench-text.ts';
import { mayInCrib } from '#core/crib/crib-role.ts';
import { calibrationDue } from '#core/wrench/calibration.ts';
import { dayOf } from '#core/wrench/suitable-wrench.ts';
import { useSession } from '../../shop/session.ts';
import { Button } from '../../ui/Button.tsx';
import { useNow } from '../../ui/use-now.ts';
import { useOpenCrib } from './CribShell.tsx';
import { WrenchDetail } from './WrenchDetail.tsx';
import { WrenchForm } from './WrenchForm.tsx';
import { bareLabel, rangeText } from './wrench-text.ts';

/** What stands against a wrench, in a word. */
function stateOf(wrench: CribWrench, today: string): { text: string; bad: boolean } {
  if (wrench.of && !wrench.of.pooled) return { text: say('pulled here once'), bad: true };
  if (wrench.locked) return { text: say('locked'), bad: true };
  const due = calibrationDue(wrench, today);
  if (due.due) return { text: due.because === 'pulls' ? say('due by pulls') : say('out of calibration'), bad: true };
  if (wrench.loan) return { text: `out: ${wrench.loan.personName}`, bad: false };
  return {
    text:
      due.daysLeft <= 30
        ? say('due in {daysLeft} d', { daysLeft: due.daysLeft })
        : say('good to {calibrationDueOn}', { calibrationDueOn: wrench.calibrationDueOn }),
    bad: false,
  };
}

/** The torque wrenches on the wall, and the one picked. */
export default function Wrenches() {
  const { crib } = useOpenCrib();
  const role = useSession((state) => state.session?.person.role);
  const [search, setSearch] = useSearchParams();
  const [adding, setAdding] = useState(false);
  const today = dayOf(useNow(60_000));
  const picked = crib.wrenches.find((wrench) => wrench.id === search.get('wrench')) ?? crib.wrenches[0];
  return (
    <div className="flex flex-1 flex-col lg:min-h-0 lg:flex-row">
      <section
        aria-label={say('Torque wrenches')}
        className="shrink-0 border-ink bg-sheet lg:w-[380px] lg:overflow-y-auto lg:border-r-2"
      >
        <h1 className="sr-only">{say('Torque wrenches')}</h1>
        {crib.wrenches.length === 0 && (
          <p className="p-5 text-ink-2">{say('No wrench hangs here yet. A lead adds the first.')}</p>
        )}
        <ul>
          {crib.wrenches.map((wrench) => {
            const state = stateOf(wrench, today);
            const here = wrench.id === picked?.id;
            return (
              <li key={wrench.id}>
                <button
                  type="button"
                  aria-pressed={here}
                  onClick={() => setSearch({ wrench: wrench.id }, { replace: true })}
                  className={`grid min-h-20 w-full grid-cols-[5rem_1fr] items-center gap-3 border-b border-rule px-5 py-2 text-left ${here ? 'bg-plate text-on-plate' : ''}`}
                >
                  <span className="min-w-0">
                    <span className="plate block text-3xl">{bareLabel(wrench)}</span>
                    {wrench.of && <span className="block text-xs break-words">{wrench.of.shop}</span>}
                  </span>
                  <span>
                    <span className="figures block">{rangeText(wrench)}</span>
                    <span
                      className={`flex items-center gap-1 text-sm ${here ? 'text-on-plate-2' : state.bad ? 'font-bold text-bad' : 'text-ink-2'}`}
                    >
                      {wrench.locked && <Lock size={14} aria-hidden="true" />}
                      <span>
                        {WRENCH_KIND_TEXT[wrench.kind]}, {wrench.squareDrive}
                        {/* On a line of its own: a date is not broken. */}
                        <span className="block">{state.text}</span>
                      </span>
                    </span>
                  </span>
                </button>
              </li>
            );
          })}
        </ul>
        {role && mayInCrib(role, 'keepWrenches') && (
          <div className="p-5">
            <Button className="w-full" onClick={() => setAdding(true)}>
              {say('Add a wrench')}
            </Button>
          </div>
        )}
      </section>
      {picked ? <WrenchDetail key={picked.id} wrench={picked} /> : <div className="flex-1 bg-bench" />}
      {adding && <WrenchForm onClose={() => setAdding(false)} />}
    </div>
  );
}
