import {
  type AnswerAxis,
  combinationCount,
  combinationsFor,
  conditionsOf,
  MOST_COMBINATIONS,
} from '../answer-space.ts';
import { atEachPlace } from '../asked.ts';
import { type Condition, questionsIn } from '../condition.ts';
import type { JointGroup, KitDocument, Station } from '../kit-document.ts';
import { applies, firstWhere, lineOf, only, stepName } from './combination.ts';
import { type Finding, finding } from './finding.ts';

/** Rule 11: for every combination of answers exactly one spec per station; every step, group and line sometimes there. */
export function everyVariant(kit: KitDocument, axes: readonly AnswerAxis[]): Finding[] {
  const found: Finding[] = [];
  const groupOf = (station: Station): JointGroup | undefined =>
    kit.groups.find((group) => group.stations.includes(station.id));
  const within = (conditions: ReadonlyArray<Condition | undefined>) => combinationsFor(kit, axes, conditions);
  if (combinationCount(axes) > MOST_COMBINATIONS)
    found.push(
      finding('tooManyCombinations', 'questions', kit.title, {
        count: combinationCount(axes),
        most: MOST_COMBINATIONS,
      }),
    );
  kit.stations.forEach((station, index) => {
    const place = `Station ${station.label}, ${station.name}`;
    const group = groupOf(station);
    const conditions = [station.when, group?.when, ...station.specs.map((spec) => spec.when)];
    const asked = conditions.flatMap(questionsIn);
    if (asked.length === 0) return;
    const there = within(conditions).filter(
      (answers) => applies(station.when, answers) && applies(group?.when, answers),
    );
    const all = within(conditions);
    if (all.length > 0 && there.length === 0) {
      found.push(finding('neverApplies', `stations[${index}].when`, place, { what: 'station' }));
      return;
    }
    const gap = firstWhere(there, (answers) =>
      station.specs.some((spec) => applies(spec.when, answers)) ? undefined : true,
    );
    if (gap) found.push(finding('specGap', `stations[${index}].specs`, place, {}, only(gap.answers, asked)));
    const overlap = firstWhere(there, (answers) => {
      const true_ = station.specs.filter((spec) => applies(spec.when, answers));
      // A last spec without a condition is the sheet's "otherwise".
      const rivals = true_.filter((spec) => spec.when !== undefined);
      return rivals.length > 1 ? rivals.map((spec) => spec.printed) : undefined;
    });
    if (overlap)
      found.push(
        finding(
          'specOverlap',
          `stations[${index}].specs`,
          place,
          { values: overlap.value },
          only(overlap.answers, asked),
        ),
      );
  });
  const lists = [
    ['groups', 'group', kit.groups.map((entry) => ({ ...entry, name: entry.title }))],
    ['steps', 'step', kit.steps.map((entry, index) => ({ ...entry, name: stepName(entry, index) }))],
    ['items', 'line', kit.items.map((entry) => ({ ...entry, name: lineOf(entry) }))],
  ] as const;
  for (const [list, what, entries] of lists) {
    entries.forEach((entry, index) => {
      if (entry.when === undefined) return;
      const all = within([entry.when]);
      if (all.length > 0 && !all.some((answers) => applies(entry.when, answers)))
        found.push(finding('neverApplies', `${list}[${index}].when`, entry.name, { what }));
    });
  }
  const asked = new Set(conditionsOf(kit).flatMap(questionsIn));
  kit.questions.forEach((question, index) => {
    if (!atEachPlace(question).some(({ id }) => asked.has(id)))
      found.push(finding('questionUnused', `questions[${index}]`, question.text));
  });
  return found;
}
