import { indexOf, type Plan } from '../kit/plan.ts';
import type { PrintedSpec } from '../kit/printed-spec.ts';
import { passIndexesOf } from '../kit/resolve.ts';

/** Joints whose sheet gives no figure, tightened to the one a person gave. Other joints are left as the sheet says. */
export function withFigures(
  plan: Plan,
  figures: Readonly<Record<string, { figure?: Pick<PrintedSpec, 'spec' | 'printed'> }>>,
): Plan {
  if (Object.keys(figures).length === 0) return plan;
  const { groups } = indexOf(plan);
  return {
    ...plan,
    stations: plan.stations.map((station) => {
      const figure = figures[station.id]?.figure;
      if (station.spec.kind !== 'missing' || !figure) return station;
      const given = { ...station, spec: figure.spec, printed: figure.printed };
      return { ...given, passIndexes: passIndexesOf(given, groups.get(station.groupId)?.passes ?? []) };
    }),
  };
}
