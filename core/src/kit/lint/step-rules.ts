import { atEachPlace, isFinding } from '../asked.ts';
import { type Answers, questionsIn } from '../condition.ts';
import type { KitDocument } from '../kit-document.ts';
import type { Step } from '../kit-step.ts';
import type { StepAction } from '../step-action.ts';
import { checkRead } from '../step-action.ts';
import { applies, lineOf, stepName } from './combination.ts';
import { type Finding, finding } from './finding.ts';

/** Steps in an order that can be worked; those of a circle are left out and returned. */
function workable(kit: KitDocument): { order: Array<{ step: Step; index: number }>; circle: Step[] } {
  const order: Array<{ step: Step; index: number }> = [];
  const done = new Set<string>();
  let rest = kit.steps.map((step, index) => ({ step, index }));
  const known = new Set(kit.steps.map((step) => step.id));
  for (;;) {
    const next = rest.find(({ step, index }) =>
      (step.after ?? (index > 0 ? [kit.steps[index - 1]?.id ?? ''] : [])).every((id) => done.has(id) || !known.has(id)),
    );
    if (!next) return { order, circle: rest.map(({ step }) => step) };
    done.add(next.step.id);
    order.push(next);
    rest = rest.filter((entry) => entry !== next);
  }
}

/** Rules 12 and 16: the order the steps can be worked in. */
export function stepGraph(kit: KitDocument, combos: readonly Answers[]): Finding[] {
  if (kit.steps.length === 0) return [];
  const found: Finding[] = [];
  const { order, circle } = workable(kit);
  for (const step of circle) {
    const index = kit.steps.indexOf(step);
    found.push(finding('stepsInCircle', `steps[${index}].after`, stepName(step, index)));
  }
  // A step that waits for one that is never there with it.
  kit.steps.forEach((step, index) => {
    for (const id of step.after ?? []) {
      const other = kit.steps.find((entry) => entry.id === id);
      const together = combos.some((answers) => applies(step.when, answers) && applies(other?.when, answers));
      const alone = combos.some((answers) => applies(step.when, answers));
      if (other && alone && !together)
        found.push(
          finding('stepUnreachable', `steps[${index}].after`, stepName(step, index), {
            waitsFor: stepName(other, kit.steps.indexOf(other)),
          }),
        );
    }
  });
  // What is found decides what comes after it, not what came before.
  const asked = kit.questions.filter(isFinding);
  for (const { step, index } of order) {
    const hangsOn = new Set(questionsIn(step.when));
    for (const question of asked) {
      const at = order.findIndex((entry) => entry.step.id === question.askedAt);
      const askedStep = order[at];
      if (!askedStep || order.findIndex((entry) => entry.index === index) > at) continue;
      if (atEachPlace(question).some(({ id }) => hangsOn.has(id)))
        found.push(
          finding('foundTooLate', `steps[${index}].when`, stepName(step, index), {
            question: question.text,
            askedAt: stepName(askedStep.step, askedStep.index),
          }),
        );
    }
  }
  const startsAnywhere = new Set(
    kit.steps.flatMap((step) => step.actions.flatMap((action) => (action.type === 'start' ? [action.group] : []))),
  );
  const told = new Set<string>();
  for (const answers of combos) {
    const started = new Set<string>();
    const fitted = new Set<string>();
    let lifted = false;
    for (const { step, index } of order) {
      if (!applies(step.when, answers)) continue;
      step.actions.forEach((action, place) => {
        const path = `steps[${index}].actions[${place}]`;
        const tell = (entry: Finding) => {
          if (!told.has(`${entry.code} ${path}`)) found.push(entry);
          told.add(`${entry.code} ${path}`);
        };
        if (action.type === 'lift') lifted = true;
        if (action.type === 'lower') lifted = false;
        if (action.type === 'start') started.add(action.group);
        if (action.type === 'torque') {
          const group = kit.groups.find((entry) => entry.id === action.group);
          if (startsAnywhere.size > 0 && !started.has(action.group))
            tell(
              finding(
                'torqueBeforeStart',
                path,
                stepName(step, index),
                { group: group?.title ?? action.group },
                answers,
              ),
            );
          const needsLift = step.needs?.includes('lift') === true;
          if (group?.atRideHeight && (lifted || needsLift))
            tell(finding('torquedWhileLifted', path, stepName(step, index), { group: group.title }, answers));
        }
        if (action.type === 'fit') {
          const item = kit.items.find((entry) => entry.id === action.item);
          const under = item?.sitsOn;
          const underFitted = under === undefined || fitted.has(under);
          const underPlanned = kit.steps.some((entry) =>
            entry.actions.some((other) => other.type === 'fit' && other.item === under),
          );
          if (!underFitted && underPlanned)
            tell(
              finding(
                'partBeforeSupport',
                path,
                stepName(step, index),
                {
                  part: item ? lineOf(item) : action.item,
                  under: kit.items.find((entry) => entry.id === under)?.name ?? '',
                },
                answers,
              ),
            );
          fitted.add(action.item);
        }
      });
    }
  }
  const torqued = new Set(
    kit.steps.flatMap((step) => step.actions.flatMap((action) => (action.type === 'torque' ? [action.group] : []))),
  );
  kit.groups.forEach((group, index) => {
    if (torqued.size > 0 && !torqued.has(group.id))
      found.push(finding('groupNotInSteps', `groups[${index}]`, group.title));
  });
  return found;
}

/** Rule 12: a group or a check that must come first, and a sheet that writes it later: the line would lead nowhere. */
export function gateOrder(kit: KitDocument): Finding[] {
  const { order } = workable(kit);
  const acts = order.flatMap(({ step }) => step.actions);
  const first = (matches: (action: StepAction) => boolean) => acts.findIndex(matches);
  const last = (matches: (action: StepAction) => boolean) => acts.findLastIndex(matches);
  const joint =
    (group: string, ...types: string[]) =>
    (action: StepAction) =>
      'group' in action && action.group === group && types.includes(action.type);
  const titleOf = (id: string) => kit.groups.find((group) => group.id === id)?.title ?? id;
  const late = (before: number, after: number): boolean => before >= 0 && after >= 0 && before > after;
  return kit.groups.flatMap((group, index): Finding[] => {
    const own = {
      start: first(joint(group.id, 'start')),
      snug: first(joint(group.id, 'snug', 'torque')),
      torque: first(joint(group.id, 'torque')),
    };
    const found: Finding[] = [];
    const tell = (waitsFor: string) =>
      found.push(finding('gateAgainstSteps', `groups[${index}]`, group.title, { waitsFor }));
    for (const { group: other, holds } of group.after ?? [])
      if (late(last(joint(other, 'torque', 'verify')), own[holds])) tell(titleOf(other));
    for (const other of group.looseWith ?? []) if (late(last(joint(other, 'start')), own.snug)) tell(titleOf(other));
    for (const check of kit.checks)
      if (
        check.gates?.includes(group.id) &&
        late(
          first((action) => checkRead(action) === check.id),
          own.torque,
        )
      )
        tell(check.text);
    return found;
  });
}

/** Rule 19: what must follow: an alignment, a wheel torque, a re-torque. */
export function followUps(kit: KitDocument): Finding[] {
  const found: Finding[] = [];
  const geometry = kit.stations.filter((station) => station.tags?.includes('changesGeometry'));
  const due = (about: 'alignment' | 'wheels', words: RegExp) =>
    kit.aftercare.some((entry) => entry.about === about || words.test(entry.text));
  if (geometry.length > 0 && !due('alignment', /align|toe|camber/i))
    found.push(finding('noAlignment', 'aftercare', kit.title, { stations: geometry.map((station) => station.label) }));
  const wheelsOff =
    kit.steps.some((step) => step.needs?.includes('wheelsOff')) ||
    kit.removed.some((thing) => /\b(road )?wheels?\b(?! (arch|well|liner))/i.test(thing.name));
  if (wheelsOff) {
    const wheelNuts =
      kit.stations.some((station) => station.tags?.includes('wheel')) ||
      kit.neighbours.some((entry) => /wheel (nut|bolt)/i.test(entry.name) && entry.spec) ||
      kit.removed.some((entry) => /wheel (nut|bolt)/i.test(entry.name) && entry.specs);
    if (!wheelNuts) found.push(finding('noWheelTorque', 'stations', kit.title));
    if (!due('wheels', /wheel|lug/i)) found.push(finding('noWheelRetorque', 'aftercare', kit.title));
  }
  return found;
}
