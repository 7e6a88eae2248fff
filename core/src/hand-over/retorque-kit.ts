import { isLocker } from '../compound/compound.ts';
import { type Care, careList } from '../job/care.ts';
import type { JobState } from '../job/job-state.ts';
import { stationMark } from '../job/station-progress.ts';
import { blankKit } from '../kit/blank-kit.ts';
import type { Item, JointGroup, KitDocument, Station } from '../kit/kit-document.ts';
import type { Plan, PlanGroup, PlanStation } from '../kit/plan.ts';
import { canBeVerified, peakTorqueNm } from '../tightening/kinds.ts';

/** A joint that may be pulled again, and whether it is by default. */
export interface RetorqueChoice {
  group: string;
  title: string;
  stations: string[];
  chosen: boolean;
  /** Why it is not pulled unless somebody chooses it: its bond would break, nobody knows how tight it is to be, or a second pull would stretch it on. */
  not?: 'locked' | 'noFigure' | 'onceOnly';
}

const words = (text: string): string[] => text.toLowerCase().match(/\p{L}{4,}/gu) ?? [];

/** What a thing due is about, in its own words. */
const textOf = (care: Care): string => (care.from === 'sheet' ? care.entry.text : '');

/** Joints of a locker that has set: a wrench breaks the bond, the stripe tells. Common practice, no source. */
function whyNot(plan: Plan, station: PlanStation): RetorqueChoice['not'] {
  if (peakTorqueNm(station.spec) === undefined) return 'noFigure';
  if (!canBeVerified(station.spec)) return 'onceOnly';
  const kind = plan.compounds.find(({ id }) => id === station.compound)?.kind;
  return isLocker(kind) || kind === 'retaining' ? 'locked' : undefined;
}

/**
 * The joints of a signed job that a re-torque may be of, group by group. Chosen are those that what is due follows from or
 * speaks of; where its words name none, all that may be pulled again.
 *
 * @param key - of what is due, in the job's list; left out, of nothing in particular
 */
export function retorqueChoices(plan: Plan, state: JobState, key?: string): RetorqueChoice[] {
  const care = careList(plan, state).find((entry) => entry.key === key);
  const because = new Set(care?.from === 'raised' ? care.raised.because : []);
  const about = care?.from === 'sheet' ? care.entry.about : undefined;
  const said = new Set(care ? words(textOf(care)) : []);
  const stations = new Map(plan.stations.map((station) => [station.id as string, station]));
  const choices = plan.groups.flatMap((group) => {
    const members = group.torqueOrder.flatMap((id) => {
      const station = stations.get(id);
      const mark = station && stationMark(plan, station, state);
      return station && (mark === 'atTorque' || mark === 'verified') ? [station] : [];
    });
    if (members.length === 0) return [];
    const not = members.map((station) => whyNot(plan, station)).find((why) => why !== undefined);
    const meant =
      because.has(group.again?.thing ?? '') ||
      members.some(({ id, tags }) => because.has(id) || (about === 'wheels' && tags?.includes('wheel'))) ||
      words(group.title).some((word) => said.has(word) || said.has(`${word}s`) || said.has(word.replace(/s$/, '')));
    const choice = { group: group.id as string, title: group.title, stations: members.map(({ id }) => id as string) };
    return [{ ...choice, meant, ...(not ? { not } : {}) }];
  });
  const anyMeant = choices.some(({ meant }) => meant);
  return choices.map(({ meant, ...choice }) => ({
    ...choice,
    chosen: choice.not === undefined && (meant || !anyMeant),
  }));
}

/** An id of the visit as an id of a kit of its own: a second kit's carry its prefix. */
export const retorqueId = <Id extends string>(id: Id): Id => id.replace(/[^A-Za-z0-9._-]/g, '-').slice(0, 64) as Id;

const SEEN_TO: ReadonlySet<string> = new Set(['benchFinal', 'frictionFace', 'changesGeometry']);

const kitStation = (station: PlanStation): Station => {
  const { kit: _, groupId, spec, printed, basis, specBecause, passIndexes, notThisVehicle, ...rest } = station;
  const { compound, rounds, drillMm, aimed, figureFrom, unverified, ...kept } = rest;
  return {
    ...kept,
    id: retorqueId(station.id),
    // The vehicle's own joint has no pieces of any kit.
    stack:
      station.stack.length === 0
        ? [{ kind: 'clamped', name: station.name, thicknessMm: 1 }]
        : station.stack.map((piece) =>
            piece.kind === 'hardware' ? { ...piece, item: retorqueId(piece.item) } : piece,
          ),
    // What was done on the bench, what must stay clean and what moves the wheels was seen to when it was fitted.
    ...(kept.tags ? { tags: kept.tags.filter((tag) => !SEEN_TO.has(tag)) } : {}),
    specs: [{ spec, printed }],
  };
};

const kitGroup = (group: PlanGroup, stations: readonly string[]): JointGroup => ({
  id: retorqueId(group.id),
  title: group.title,
  map: group.map,
  stations: stations.map((id) => retorqueId(id)),
  torqueOrder: { list: group.torqueOrder.filter((id) => stations.includes(id)).map((id) => retorqueId(id)) },
  recheck: true,
  ...(group.spot ? { spot: group.spot } : {}),
  ...(group.atRideHeight ? { atRideHeight: true } : {}),
  ...(group.rideHeight ? { rideHeight: group.rideHeight } : {}),
});

/** The pieces that stand in those stations: on the vehicle already, and in no bag. */
function kitItems(plan: Plan, stations: readonly Station[]): Item[] {
  const standing = new Map<string, number>();
  for (const { stack } of stations)
    for (const piece of stack)
      if (piece.kind === 'hardware') standing.set(piece.item, (standing.get(piece.item) ?? 0) + 1);
  return plan.items.flatMap((item): Item[] => {
    const quantity = standing.get(item.id);
    if (quantity === undefined) return [];
    const { id, line, kind, name, thread, lengthMm, head, form, locking, propertyClass } = item;
    return [
      {
        id: retorqueId(id),
        bag: 'On the vehicle',
        line,
        kind,
        name,
        source: 'factory',
        quantity,
        thread,
        lengthMm,
        head,
        form,
        locking,
        propertyClass,
      },
    ];
  });
}

/**
 * The kit of a re-torque: the chosen joints of a signed job as they stand on the vehicle, each to be pulled once more at
 * its figure. What it is to find out is whether any of them turns.
 *
 * @param groups - ids of the groups chosen
 */
export function retorqueKit(
  plan: Plan,
  state: JobState,
  {
    id,
    job,
    number,
    title,
    care,
    groups,
  }: { id: string; job: string; number: string; title: string; care?: string; groups: readonly string[] },
): KitDocument {
  const chosen = retorqueChoices(plan, state, care).filter((choice) => groups.includes(choice.group));
  const byId = new Map(plan.stations.map((station) => [station.id as string, station]));
  const stations = chosen.flatMap((choice) => choice.stations.flatMap((each) => byId.get(each) ?? [])).map(kitStation);
  const [maker = ''] = plan.kits.map((kit) => kit.maker);
  return {
    ...blankKit(id, title, maker),
    again: { job, number, ...(care === undefined ? {} : { care }) },
    powerTools: 'never',
    items: kitItems(plan, stations),
    stations,
    groups: chosen.flatMap((choice) => {
      const group = plan.groups.find((entry) => entry.id === choice.group);
      return group ? [kitGroup(group, choice.stations)] : [];
    }),
    cautions: plan.cautions
      .filter(({ group }) => group === undefined || groups.includes(group))
      .map(({ id: caution, text, group, safetyCritical }) => ({
        id: retorqueId(caution),
        text,
        ...(group === undefined ? {} : { group: retorqueId(group) }),
        ...(safetyCritical ? { safetyCritical } : {}),
      })),
    steps: chosen.map((choice, at) => ({
      id: `again-${at + 1}`,
      text: `Pull each again at its figure: ${choice.title}`,
      phase: 'torque' as const,
      actions: [{ type: 'torque' as const, group: retorqueId(choice.group) }],
    })),
  };
}
