import { Link } from 'react-router';
import { PRACTICE } from '#contract/wording/en/practice.ts';
import { say } from '#contract/wording/say.ts';
import { PRACTICE_JOB, TOUR } from '../../practice/practice.ts';
import { useCribRead, useLibrary, useVehicles } from '../../shop/queries.ts';
import { useSession } from '../../shop/session.ts';

/** What a shop needs before its first job, in the order it is best done. */
export function FirstDay() {
  const role = useSession((state) => state.session?.person.role);
  const { data: crib } = useCribRead();
  const { data: vehicles } = useVehicles();
  const { data: kits } = useLibrary();
  if (!crib || !vehicles || !kits) return null;
  const lead = role === 'lead';
  const steps = [
    {
      done: crib.wrenches.length > 0,
      to: lead ? '/shop/moving-in' : '/crib',
      text: say('The torque wrenches, with when they are due'),
    },
    { done: crib.bottles.length > 0, to: '/crib/compounds', text: say('The bottles of locker and anti-seize') },
    {
      done: vehicles.length > 0,
      to: lead ? '/shop/moving-in' : '/vehicles',
      text: say('A vehicle, or all of them from a list'),
    },
    { done: kits.length > 0, to: '/kits/read', text: say('The first kit, from its maker’s sheet') },
    ...(lead ? [{ done: crib.people.length > 1, to: '/shop', text: say('The others who work here') }] : []),
  ];
  // Once it can work it is not told again how to begin.
  if (crib.wrenches.length > 0 && vehicles.length > 0 && kits.length > 0) return null;
  return (
    <section aria-label={say('The first day')} className="mt-6 border-t-2 border-ink pt-3">
      <h2 className="plate text-3xl">{say('The first day')}</h2>
      <ol>
        {steps.map(({ done, to, text }) => (
          <li key={text} className="border-b border-hair">
            <Link to={to} className="flex min-h-12 items-center gap-3 py-1">
              <span
                aria-hidden="true"
                className={`grid size-6 shrink-0 place-items-center border-2 border-ink font-bold ${done ? 'bg-ink text-sheet' : ''}`}
              >
                {done ? '✓' : ''}
              </span>
              <span className={done ? 'text-ink-2 line-through' : 'font-bold underline underline-offset-4'}>
                {text}
                {done && <span className="sr-only">{say(', done')}</span>}
              </span>
            </Link>
          </li>
        ))}
      </ol>
      {role !== 'counter' && (
        <Link
          to={`/jobs/${PRACTICE_JOB}/check-in${TOUR}`}
          className="mt-3 flex min-h-14 flex-col justify-center border-2 border-ink px-4 py-2"
        >
          <b>{PRACTICE.begin}</b>
          <span className="text-sm text-ink-2">{PRACTICE.tenMinutes}</span>
        </Link>
      )}
    </section>
  );
}
