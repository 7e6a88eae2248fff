import { conflictTitle } from '#contract/wording/conflict-text.ts';
import { effectsText } from '#contract/wording/effects-text.ts';
import { reasonsText } from '#contract/wording/plan-text.ts';
import { say } from '#contract/wording/say.ts';
import type { Plan, TraceEntry } from '#core/kit/plan.ts';
import { tell } from '../../ui/tell.ts';

const WHAT: Record<TraceEntry['what'], string> = {
  items: say('Line'),
  stations: say('Station'),
  spec: say('Torque'),
  groups: say('Joint group'),
  cautions: say('Caution'),
  aftercare: say('Aftercare'),
  prerequisites: say('To be true first'),
  baselines: say('To be measured first'),
  choices: say('Choice'),
  irreversible: say('Cannot be taken back'),
  temporary: say('Put on for the work'),
  neighbours: say('Loosened for access'),
  removed: say('Comes off'),
  disconnects: say('Opened'),
  checks: say('Check'),
  tools: say('Tool'),
  steps: say('Step'),
};

/** What the answers decided, each with its reason; what several kits share; and what the plan comes to. */
export function PlanSummary({ plan, vehicle }: { plan: Plan; vehicle?: Parameters<typeof effectsText>[1] }) {
  const effects = effectsText(plan, vehicle);
  const included = plan.trace.filter((entry) => entry.included && entry.because.length > 0);
  const left = plan.trace.filter((entry) => !entry.included && entry.because.length > 0);
  const spares = plan.items.filter((item) => item.expectedSpare > 0);
  const unsettled = plan.conflicts.filter((conflict) => conflict.settled === undefined);
  const shared = plan.shared.filter(({ what }) => what !== 'caution');
  return (
    <>
      <dl className="grid grid-cols-4 border-y-2 border-ink text-center">
        {[
          [plan.items.length, 'lines'],
          [plan.stations.length, 'stations'],
          [plan.groups.length, 'groups'],
          [plan.steps.length, 'steps'],
        ].map(([number, name]) => (
          <div key={name} className="flex flex-col-reverse border-r border-rule py-2 last:border-r-0">
            <dt className="text-sm text-ink-2">{name}</dt>
            <dd className="figures text-3xl font-bold">{number}</dd>
          </div>
        ))}
      </dl>
      {unsettled.length > 0 && (
        <section className="mt-3 border-l-4 border-bad pl-3">
          <h3 className="font-bold text-bad">
            {tell('{which} for a lead', {
              which:
                unsettled.length === 1
                  ? say('One conflict waits')
                  : say('{count} conflicts wait', { count: unsettled.length }),
            })}
          </h3>
          <ul>
            {unsettled.map((conflict) => (
              <li key={conflict.id}>{conflictTitle(conflict)}</li>
            ))}
          </ul>
        </section>
      )}
      {effects.length > 0 && (
        <section className="mt-3" aria-label={say('What the kits do')}>
          <h3 className="font-bold">{say('What the kits do')}</h3>
          <ul>
            {effects.map((line) => (
              <li key={line} className="border-b border-hair py-1">
                {line}
              </li>
            ))}
          </ul>
        </section>
      )}
      {shared.length > 0 && (
        <section className="mt-3">
          <h3 className="font-bold">{say('Done once for several kits')}</h3>
          <p className="text-ink-2">{shared.map(({ name }) => name.replace(/[.]$/, '')).join(', ')}.</p>
        </section>
      )}
      {plan.findings.length > 0 && (
        <p className="mt-3">
          <b>{say('Asked on the way:')}</b>{' '}
          {plan.findings
            .map(({ text, places }) => (places ? `${text.replace(/\?$/, '')} (${places.join(', ')})` : text))
            .join('; ')}
        </p>
      )}
      {spares.length > 0 && (
        <p className="mt-3 text-sm text-ink-2">
          {tell('Left over at the end: {spares}.', {
            spares: spares.map((item) => `${item.expectedSpare} × ${item.name}`).join(', '),
          })}
        </p>
      )}
      <Traces
        title={say('In, because of an answer')}
        entries={included}
        plan={plan}
        empty={say('Nothing in this visit depends on an answer.')}
      />
      {left.length > 0 && <Traces title={say('Left out')} entries={left} plan={plan} empty="" />}
    </>
  );
}

function Traces({
  title,
  entries,
  plan,
  empty,
}: {
  title: string;
  entries: readonly TraceEntry[];
  plan: Plan;
  empty: string;
}) {
  // Stations that share a value and a reason read as one line.
  const lines = new Map<string, { what: string; names: string[]; why: string }>();
  for (const entry of entries) {
    const why = reasonsText(plan, entry.because);
    const [label, value] = entry.what === 'spec' ? entry.name.split(': ') : [entry.name, ''];
    const key = `${entry.what}|${why}|${value ?? ''}`;
    const line = lines.get(key) ?? {
      what: value ? say('{what} {value}, stations', { what: WHAT[entry.what], value }) : WHAT[entry.what],
      names: [],
      why,
    };
    line.names.push(label ?? entry.name);
    lines.set(key, line);
  }
  return (
    <section className="mt-4">
      <h3 className="font-bold">{title}</h3>
      {entries.length === 0 && <p className="text-ink-2">{empty}</p>}
      <ul>
        {[...lines.entries()].map(([key, line]) => (
          <li key={key} className="border-b border-hair py-1.5">
            <span>
              {line.what} {line.names.join(line.what.startsWith('Torque') ? ', ' : '; ')}
            </span>
            <span className="block text-sm text-ink-2">{tell('because {why}', { why: line.why })}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
