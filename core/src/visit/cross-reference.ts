import type { Plan, PlanKit, PlanStation, PlanStep } from '../kit/plan.ts';
import { passIndexesOf } from '../kit/resolve.ts';
import { sameWord } from '../kit/vehicle-facts.ts';

/** A kit of the visit by what another sheet calls it: its id, or its title. */
export const kitCalled = (plan: Pick<Plan, 'kits'>, name: string): PlanKit | undefined =>
  plan.kits.find(({ id, title }) => id === name || sameWord(title, name));

const called = (entry: { name: string; place?: string; aliases?: string[] }, word: string): boolean =>
  [entry.name, entry.place ?? '', ...(entry.aliases ?? [])].some((name) => sameWord(name, word));

/** The joint of another kit that a station without a figure is sent to. */
function stationReferred(plan: Plan, station: PlanStation): PlanStation | undefined {
  const { spec } = station;
  if (spec.kind !== 'missing' || spec.see === undefined) return undefined;
  const { kit: name, place } = spec.see;
  const kit = kitCalled(plan, name);
  if (!kit || kit.id === station.kit) return undefined;
  const word = place ?? station.place ?? station.name;
  const found = plan.stations.filter(
    (other) => other.kit === kit.id && other.spec.kind !== 'missing' && called(other, word),
  );
  // Of two that bear the name the one on this side; where that does not tell them apart, nobody guesses.
  const here = found.filter(({ side }) => side === station.side);
  const [only, ...more] = here.length > 0 ? here : found;
  const alike = more.every(({ printed }) => printed === only?.printed);
  return alike ? only : undefined;
}

/** The step of another kit that a step goes on in, by its number on that sheet, else by its words. */
export function stepReferred(plan: Pick<Plan, 'kits' | 'steps'>, kitName: string, part?: string): PlanStep | undefined {
  const kit = kitCalled(plan, kitName);
  if (!kit || part === undefined) return undefined;
  const number = /\d+[a-z]?/i.exec(part)?.[0];
  const own = plan.steps.filter((step) => step.kit === kit.id);
  return (
    own.find((step) => sameWord(step.text, part)) ??
    own.find((step) => step.number !== undefined && step.number === number)
  );
}

/**
 * The plan with every "see the other kit's sheet" looked up in that kit, where it is in the visit: its figure stands at
 * this joint, with where it comes from. What cannot be found stays without a figure, and is asked for.
 */
export function withReferences(plan: Plan): Plan {
  if (plan.kits.length < 2) return plan;
  const found = new Map(
    plan.stations.flatMap((station) => {
      const other = stationReferred(plan, station);
      return other ? [[station.id, other] as const] : [];
    }),
  );
  if (found.size === 0) return plan;
  const stations = plan.stations.map((station): PlanStation => {
    const other = found.get(station.id);
    if (!other) return station;
    const { spec, printed, basis } = other;
    return { ...station, spec, printed, basis, specBecause: [], figureFrom: { kit: other.kit, station: other.id } };
  });
  const byId = new Map(stations.map((station) => [station.id, station]));
  // What is tightened by torque takes part in its group's rounds, as it could not without a figure.
  const groups = new Map(plan.groups.map((group) => [group.id, group]));
  for (const [id] of found) {
    const station = byId.get(id);
    const group = station && groups.get(station.groupId);
    if (station && group) station.passIndexes = passIndexesOf(station, group.passes);
  }
  return { ...plan, stations };
}
