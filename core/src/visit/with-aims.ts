import type { Locker } from '../compound/compound.ts';
import type { Plan, PlanStation } from '../kit/plan.ts';
import type { TighteningSpec } from '../tightening/kinds.ts';

/** The same kind of figure, at a share of it. A limit never to be passed is made for the bolt, and stays. */
function scaled(spec: TighteningSpec, factor: number): TighteningSpec {
  switch (spec.kind) {
    case 'torque':
      return { ...spec, targetNm: spec.targetNm * factor };
    case 'range':
      return { ...spec, minNm: spec.minNm * factor, maxNm: spec.maxNm * factor };
    case 'targetWithMaximum':
      return { ...spec, targetNm: spec.targetNm * factor };
    default:
      return spec;
  }
}

/** Joints that are aimed at otherwise than printed, because their thread is not the one the figure counts on. */
export function withAims(
  plan: Plan,
  bases: Readonly<Record<string, { factor: number } & NonNullable<PlanStation['aimed']>>> = {},
): Plan {
  if (Object.keys(bases).length === 0) return plan;
  return {
    ...plan,
    stations: plan.stations.map((station) => {
      const settled = bases[station.id];
      if (!settled) return station;
      const { use, factorFrom, factor } = settled;
      return { ...station, spec: scaled(station.spec, factor), aimed: { use, factorFrom, factor } };
    }),
  };
}

/** Lockers whose strength the sheet left open, as a lead named them. */
export function withNamedCompounds(
  plan: Plan,
  named: Readonly<Record<string, { grade: Locker; product: string }>> = {},
): Plan {
  if (Object.keys(named).length === 0) return plan;
  return {
    ...plan,
    compounds: plan.compounds.map((compound) => {
      const as = named[compound.id];
      if (!as) return compound;
      const { gradeUnknown: _, ...rest } = compound;
      return { ...rest, kind: as.grade, name: as.product };
    }),
  };
}
