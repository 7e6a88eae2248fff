import { reasonsText } from '#contract/wording/plan-text.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import type { Plan, TraceEntry } from '#core/kit/plan.ts';

const WHAT: Record<TraceEntry['what'], string> = {
  item: 'Line',
  station: 'Station',
  spec: 'Torque',
  group: 'Joint group',
  caution: 'Caution',
  aftercare: 'Aftercare',
};

/** What the answers decided, each with its reason; and what the plan comes to. */
export function PlanSummary({ plan, kit }: { plan: Plan; kit: KitDocument }) {
  const included = plan.trace.filter((entry) => entry.included && entry.because.length > 0);
  const left = plan.trace.filter((entry) => !entry.included && entry.because.length > 0);
  const spares = plan.items.filter((item) => item.expectedSpare > 0);
  return (
    <>
      <dl className="grid grid-cols-3 border-y-2 border-ink text-center">
        {[
          [plan.items.length, 'lines'],
          [plan.stations.length, 'stations'],
          [plan.groups.length, 'joint groups'],
        ].map(([number, name]) => (
          <div key={name} className="flex flex-col-reverse border-r border-rule py-2 last:border-r-0">
            <dt className="text-sm text-ink-2">{name}</dt>
            <dd className="figures text-3xl font-bold">{number}</dd>
          </div>
        ))}
      </dl>
      {spares.length > 0 && (
        <p className="mt-2 text-sm text-ink-2">
          Left over at the end: {spares.map((item) => `${item.expectedSpare} × ${item.name}`).join(', ')}.
        </p>
      )}
      <Traces
        title="In, because of an answer"
        entries={included}
        kit={kit}
        empty="Nothing in this kit depends on an answer."
      />
      {left.length > 0 && <Traces title="Left out" entries={left} kit={kit} empty="" />}
    </>
  );
}

function Traces({
  title,
  entries,
  kit,
  empty,
}: {
  title: string;
  entries: readonly TraceEntry[];
  kit: KitDocument;
  empty: string;
}) {
  // Stations that share a value and a reason read as one line.
  const lines = new Map<string, { what: string; names: string[]; why: string }>();
  for (const entry of entries) {
    const why = reasonsText(kit, entry.because);
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
