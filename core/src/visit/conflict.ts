import type { Plan, PlanItem, PlanStation } from '../kit/plan.ts';
import { indexOf } from '../kit/plan.ts';
import type { Conflict, ConflictSide, JointDifference } from '../kit/plan-conflict.ts';
import { plainWord } from '../kit/vehicle-facts.ts';
import type { TighteningSpec } from '../tightening/kinds.ts';
import { acceptBand } from '../tightening/kinds.ts';
import { stationKey, type ThingFinder, withSide } from './same-thing.ts';

const groupBy = <T>(list: readonly T[], key: (entry: T) => string | undefined): Map<string, T[]> => {
  const found = new Map<string, T[]>();
  for (const entry of list) {
    const name = key(entry);
    if (name !== undefined) found.set(name, [...(found.get(name) ?? []), entry]);
  }
  return found;
};

const severalKits = (list: ReadonlyArray<{ kit: string }>): boolean => new Set(list.map(({ kit }) => kit)).size > 1;

/** Figures that a wrench could not tell apart count as one: 1 %. Chosen by us, a quarter of what ISO 6789-1 allows. */
const SAME_FIGURE = 0.01;

function sameFigure(a: TighteningSpec, b: TighteningSpec): boolean {
  if (a.kind !== b.kind) return false;
  const [one, other] = [acceptBand(a), acceptBand(b)];
  if (!one || !other) return JSON.stringify(a) === JSON.stringify(b);
  const near = (x = 0, y = 0) => x === y || Math.abs(x - y) <= SAME_FIGURE * Math.max(Math.abs(x), Math.abs(y));
  return (
    near(one.targetNm, other.targetNm) &&
    near(one.minNm, other.minNm) &&
    (one.maxNm === other.maxNm || near(one.maxNm, other.maxNm)) &&
    near(one.absoluteMaximumNm, other.absoluteMaximumNm) &&
    near(one.angle?.targetDeg, other.angle?.targetDeg)
  );
}

/** What of a bolt or nut decides whether two joints hold the same hardware. */
const hardwareKey = (item: PlanItem): string =>
  [item.kind, item.thread ?? item.name, item.lengthMm ?? '', item.propertyClass ?? ''].join(' ');

function hardwareOf(plan: Plan, station: PlanStation): { key: string; text: string } {
  const { items } = indexOf(plan);
  const hardware = station.stack.flatMap((piece) => {
    const item = piece.kind === 'hardware' ? items.get(piece.item) : undefined;
    return item && (item.kind === 'bolt' || item.kind === 'nut' || item.kind === 'pin') ? [item] : [];
  });
  return { key: hardware.map(hardwareKey).join(' + '), text: hardware.map((item) => item.name).join(', ') };
}

/** Stations of different kits that stand in one joint of the vehicle, with what tells them apart. */
export function sharedJoints(plan: Plan): Array<{ key: string; place: string; stations: PlanStation[] }> {
  const byPlace = groupBy(plan.stations, (station) =>
    station.place === undefined ? undefined : stationKey(station.place, station.side),
  );
  return [...byPlace].flatMap(([key, stations]) =>
    severalKits(stations) ? [{ key, place: stations[0]?.place ?? key, stations }] : [],
  );
}

/** In what stations of one joint differ; nothing: they are one joint tightened once. */
export function jointDifferences(plan: Plan, stations: readonly PlanStation[]): JointDifference[] {
  const { compounds, groups } = indexOf(plan);
  const [first, ...others] = stations;
  if (!first) return [];
  const compoundOf = (station: PlanStation) =>
    station.compound === undefined ? 'none' : (compounds.get(station.compound)?.kind ?? station.compound);
  const standing = (station: PlanStation) => groups.get(station.groupId)?.atRideHeight === true;
  const differs: JointDifference[] = [];
  if (others.some((other) => !sameFigure(first.spec, other.spec))) differs.push('figure');
  if (others.some((other) => compoundOf(first) !== compoundOf(other))) differs.push('compound');
  if (others.some((other) => hardwareOf(plan, first).key !== hardwareOf(plan, other).key)) differs.push('hardware');
  if (others.some((other) => standing(first) !== standing(other))) differs.push('standing');
  return differs;
}

function jointConflicts(plan: Plan): Conflict[] {
  const joints = sharedJoints(plan);
  if (joints.length === 0) return [];
  const { compounds, groups } = indexOf(plan);
  return joints.flatMap(({ key, place, stations }) => {
    const differs = jointDifferences(plan, stations);
    if (differs.length === 0) return [];
    const sides = stations.map((station): ConflictSide => {
      const compound = station.compound === undefined ? undefined : compounds.get(station.compound)?.name;
      return {
        kit: station.kit,
        ids: [station.id],
        name: station.name,
        printed: station.printed,
        spec: station.spec,
        hardware: hardwareOf(plan, station).text,
        atRideHeight: groups.get(station.groupId)?.atRideHeight === true,
        ...(compound === undefined ? {} : { compound }),
      };
    });
    return [
      {
        id: `sameJoint ${key}`,
        kind: 'sameJoint',
        place: withSide(place, stations[0]?.side),
        differs,
        sides,
        choices: kitsOf(sides),
      },
    ];
  });
}

const kitsOf = (sides: ReadonlyArray<{ kit: string }>): string[] => [...new Set(sides.map(({ kit }) => kit))];

function placeConflicts(plan: Plan): Conflict[] {
  const parts = groupBy(plan.items, (item) =>
    item.kind === 'part' && item.place !== undefined
      ? `${plainWord(item.place)}${item.side ? ` ${item.side}` : ''}`
      : undefined,
  );
  return [...parts].flatMap(([key, items]): Conflict[] => {
    if (!severalKits(items)) return [];
    const sides = items.map((item) => ({ kit: item.kit, ids: [item.id], name: item.name }));
    const place = withSide(items[0]?.place ?? key, items[0]?.side);
    return [
      { id: `samePlace ${key}`, kind: 'samePlace', place, differs: [], sides, choices: [...kitsOf(sides), 'both'] },
    ];
  });
}

/** Things taken off by several kits, with the steps that do it. */
function openings(plan: Plan, thingOf: ThingFinder, split: ReadonlySet<string>) {
  const touched = plan.steps.flatMap((step) =>
    step.actions.flatMap((action) => {
      const thing = thingOf(step, action);
      return thing?.bearing === 'open' && !split.has(thing.key) ? [{ ...thing, kit: step.kit, step }] : [];
    }),
  );
  return [...groupBy(touched, (entry) => entry.key)].filter(([, list]) => severalKits(list));
}

function removalConflicts(plan: Plan, thingOf: ThingFinder, split: ReadonlySet<string>): Conflict[] {
  const removed = new Map(plan.removed.map((thing) => [thing.id, thing]));
  return openings(plan, thingOf, split).flatMap(([key, list]) => {
    const found: Conflict[] = [];
    const fates = list.map(({ id }) => removed.get(id)?.fate);
    const place = list[0]?.name ?? key;
    const figured = list.flatMap(({ kit, id, name }) => {
      const spec = removed.get(id)?.refitSpec;
      return spec ? [{ kit, ids: [id], name, printed: spec.printed, spec: spec.spec }] : [];
    });
    const [one, ...others] = figured;
    if (one && others.some(({ spec }) => !sameFigure(one.spec, spec)))
      found.push({
        id: `refitFigure ${key}`,
        kind: 'refitFigure',
        place,
        differs: ['figure'],
        sides: figured,
        choices: kitsOf(figured),
      });
    if (new Set(fates).size > 1) {
      const sides = list.map(({ kit, id, name }) => ({ kit, ids: [id], name, fate: removed.get(id)?.fate }));
      found.push({ id: `fates ${key}`, kind: 'fates', place, differs: [], sides, choices: kitsOf(sides) });
    }
    const loaded = list.filter(({ step }) => step.needs.includes('rideHeight'));
    const hanging = list.filter(({ step }) => step.needs.includes('lift') || step.needs.includes('stands'));
    if (loaded.length > 0 && hanging.length > 0) {
      const sides = [...loaded, ...hanging].map(({ kit, name, step }) => ({
        kit,
        ids: [step.id],
        name,
        atRideHeight: step.needs.includes('rideHeight'),
      }));
      found.push({ id: `standing ${key}`, kind: 'standing', place, differs: [], sides, choices: kitsOf(sides) });
    }
    return found;
  });
}

/** Kits told that something is not there which another kit of the visit puts on. */
function overtaken(plan: Plan, answers: Readonly<Record<string, unknown>>): Conflict[] {
  return plan.kits.flatMap((adding) =>
    adding.adds.flatMap((word) =>
      plan.kits.flatMap((asking): Conflict[] => {
        if (asking.id === adding.id) return [];
        const question = plan.questions.find(
          (entry) =>
            entry.kit === asking.id && entry.fitted !== undefined && plainWord(entry.fitted) === plainWord(word),
        );
        if (!question || answers[question.id] !== false) return [];
        return [
          {
            id: `overtaken ${plainWord(word)} ${asking.id}`,
            kind: 'overtaken',
            place: word,
            differs: [],
            sides: [
              { kit: adding.id, ids: [], name: word },
              { kit: asking.id, ids: [question.id], name: question.text },
            ],
            choices: ['asIs', 'answerYes'],
          },
        ];
      }),
    ),
  );
}

/**
 * Where the kits of a visit are at odds, in a steady order.
 *
 * @param plan - the kits' plans side by side, each with its own ids, nothing merged yet
 * @param thingOf - what its actions touch
 * @param answers - answers the plans were made with, by scoped question id
 * @param split - keys of things a person said are two
 */
export function findConflicts(
  plan: Plan,
  thingOf: ThingFinder,
  answers: Readonly<Record<string, unknown>>,
  split: ReadonlySet<string>,
): Conflict[] {
  if (plan.kits.length < 2) return [];
  return [
    ...jointConflicts(plan),
    ...placeConflicts(plan),
    ...removalConflicts(plan, thingOf, split),
    ...overtaken(plan, answers),
  ];
}
