import { conflictTitle } from '#contract/wording/conflict-text.ts';
import { effectsText } from '#contract/wording/effects-text.ts';
import { reasonsText } from '#contract/wording/plan-text.ts';
import type { Plan, TraceEntry } from '#core/kit/plan.ts';

const WHAT: Record<TraceEntry['what'], string> = {
  items: 'Line',
  stations: 'Station',
  spec: 'Torque',
  groups: 'Joint group',
  cautions: 'Caution',
  aftercare: 'Aftercare',
  prerequisites: 'To be true first',
  baselines: 'To be measured first',
  choices: 'Choice',
  irreversible: 'Cannot be taken back',
  temporary: 'Put on for the work',
  neighbours: 'Loosened for access',
  removed: 'Comes off',
  disconnects: 'Opened',
  checks: 'Check',
  tools: 'Tool',
  steps: 'Step',
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
            {unsettled.length === 1 ? 'One conflict waits' : `${unsettled.length} conflicts wait`} for a lead
          </h3>
          <ul>
            {unsettled.map((conflict) => (
              <li key={conflict.id}>{conflictTitle(conflict)}</li>
            ))}
          </ul>
        </section>
      )}
      {effects.length > 0 && (
        <section className="mt-3" aria-label="What the kits do">
          <h3 className="font-bold">What the kits do</h3>
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
          <h3 className="font-bold">Done once for several kits</h3>
          <p className="text-ink-2">{shared.map(({ name }) => name.replace(/[.]$/, '')).join(', ')}.</p>
        </section>
      )}
      {plan.findings.length > 0 && (
        <p className="mt-3">
          <b>Asked on the way:</b>{' '}
          {plan.findings
            .map(({ text, places }) => (places ? `${text.replace(/\?$/, '')} (${places.join(', ')})` : text))
            .join('; ')}
        </p>
      )}
      {spares.length > 0 && (
        <p className="mt-3 text-sm text-ink-2">
          Left over at the end: {spares.map((item) => `${item.expectedSpare} × ${item.name}`).join(', ')}.
        </p>
      )}
      <Traces
        title="In, because of an answer"
        entries={included}
        plan={plan}
        empty="Nothing in this visit depends on an answer."
      />
      {left.length > 0 && <Traces title="Left out" entries={left} plan={plan} empty="" />}
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
      what: value ? `${WHAT[entry.what]} ${value}, stations` : WHAT[entry.what],
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
            <span className="block text-sm text-ink-2">because {line.why}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
