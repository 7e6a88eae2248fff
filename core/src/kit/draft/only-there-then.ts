import type { Condition } from '../condition.ts';
import type { JointGroup } from '../kit-document.ts';
import type { Joints } from './draft-joints.ts';
import { type Drafting, isKind, KIND_OF } from './drafting.ts';

/** The question a plain condition asks; undefined for one that is put together. */
const questionOf = (when: Condition): string | undefined => ('question' in when ? when.question : undefined);

/**
 * A joint whose every figure is for something the vehicle has or is, `with a glass roof: four bolts, 32 Nm`, is only there
 * then: nothing is missing where it is not. A figure for some years alone leaves the others open, and is asked about,
 * unless its sentence says what is put on those: `from 2021: move the holder, one M6, 9 Nm`.
 */
export function onlyThereThen(drafting: Drafting, { groupOf }: Pick<Joints, 'groupOf'>): void {
  const { kit } = drafting;
  const countedThere = new Set(
    [...groupOf].flatMap(([fact, group]) =>
      drafting
        .inStep(fact.step)
        .filter(isKind('count'))
        .some(({ value }) => value.item === undefined && KIND_OF[value.noun] !== undefined)
        ? [group]
        : [],
    ),
  );
  const byId = new Map(kit.stations.map((station) => [station.id, station]));
  for (const group of kit.groups) {
    const stations = group.stations.flatMap((id) => byId.get(id) ?? []);
    const whens = stations[0]?.specs.map(({ when }) => when) ?? [];
    const said = whens.filter((when) => when !== undefined);
    const [first] = said;
    if (!first || said.length < whens.length) continue;
    const question = questionOf(first);
    const plain = said.every((when) => 'is' in when && when.question === question);
    const ofYears = question === 'modelYear' && said.length === 1 && countedThere.has(group.id);
    if (question === undefined || (!ofYears && (question === 'modelYear' || !plain))) continue;
    // A choice of vehicles that has a figure for each leaves nothing out.
    const choices = kit.questions.find(({ id }) => id === question)?.choices?.length;
    if (choices !== undefined && said.length >= choices) continue;
    const only: Condition = said.length === 1 ? first : { any: said };
    group.when = group.when ? { all: [group.when, only] } : only;
    // Asked of the joint, it is not asked of its figure once more.
    if (said.length === 1) for (const station of stations) for (const spec of station.specs) delete spec.when;
    ownPiecesOnly(kit, group, only);
  }
}

/** The vehicle's own pieces of such a joint are there with it. */
function ownPiecesOnly({ items, groups, stations }: Drafting['kit'], group: JointGroup, when: Condition): void {
  const usedBy = (members: readonly string[]): Set<string> =>
    new Set(
      stations
        .filter(({ id }) => members.includes(id))
        .flatMap(({ stack }) => stack.flatMap((piece) => (piece.kind === 'hardware' ? [piece.item] : []))),
    );
  const own = usedBy(group.stations);
  const others = usedBy(groups.filter((other) => other !== group).flatMap((other) => other.stations));
  for (const item of items) if (item.source === 'factory' && own.has(item.id) && !others.has(item.id)) item.when = when;
}
