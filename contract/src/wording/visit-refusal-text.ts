import type { Refusal } from '#core/job/refusal.ts';
import { indexOf, type Plan } from '#core/kit/plan.ts';

type Words = { title: string; why: string; lift: string };

const shown = (names: readonly string[]): string =>
  names.length > 5 ? `${names.slice(0, 5).join('; ')} and ${names.length - 5} more` : names.join('; ');

/** Words for refusals about the visit as a whole; undefined for others. */
export function visitRefusalText(refusal: Refusal, plan: Plan): Words | undefined {
  const { steps } = indexOf(plan);
  const stepName = (id: string) => {
    const step = steps.get(id);
    return step ? `${step.number ? `${step.number} ` : ''}${step.text || id}` : id;
  };
  const named = (list: ReadonlyArray<{ id: string; text?: string; name?: string }>, ids: readonly string[]) =>
    shown(
      ids.map((id) => {
        const entry = list.find((one) => one.id === id);
        return entry?.text ?? entry?.name ?? id;
      }),
    );
  const debt = (id: string) =>
    named([...plan.removed, ...plan.disconnects, ...plan.neighbours, ...plan.temporary], [id]);
  switch (refusal.code) {
    case 'workContradicts':
      return {
        title: 'Work already done stands against it',
        why: `${refusal.stations.length > 0 ? `${refusal.stations.length} stations were started that would be otherwise or gone. ` : ''}${refusal.steps.length > 0 ? `Off the vehicle, and no step would put it back: ${shown(refusal.steps)}.` : ''}`,
        lift: 'Loosen them out, or put back what is off; then change it.',
      };
    case 'questionsOpen':
      return {
        title: 'It opens another question',
        why: `${shown(refusal.questions)}`,
        lift: 'Answer that first, or choose otherwise.',
      };
    case 'planImpossible':
      return {
        title: 'No plan comes of it',
        why: 'The sheet gives no torque for a station of this vehicle.',
        lift: 'Look at the kit in the library.',
      };
    case 'answeredMeanwhile':
      return {
        title: 'Somebody else answered meanwhile',
        why: `“${refusal.question}” is now ${String(refusal.answer)}.`,
        lift: 'Look at the plan as it is, then answer again.',
      };
    case 'unknownPrerequisite':
    case 'unknownBaseline':
    case 'unknownStep':
    case 'unknownDebt':
    case 'unknownConflict':
    case 'unknownFigureTarget':
    case 'choiceUnknown':
    case 'choiceNotAllowed':
    case 'notShared':
    case 'kitNotIn':
      return { title: 'Not in this plan', why: 'The plan has changed since.', lift: 'Reload the job.' };
    case 'valueInvalid':
      return { title: 'A number is needed', why: 'What was entered is no usable number.', lift: 'Enter the figure.' };
    case 'outsideLimits': {
      const limits = [
        refusal.min === undefined ? '' : `at least ${refusal.min}`,
        refusal.max === undefined ? '' : `at most ${refusal.max}`,
      ].filter(Boolean);
      return {
        title: 'Outside the limits',
        why: `${refusal.value}; it must be ${limits.join(' and ')}.`,
        lift: 'Say that it is not met, or measure again.',
      };
    }
    case 'nameMissing':
      return { title: 'A name is needed', why: 'Somebody answers for it.', lift: 'Enter it.' };
    case 'prerequisitesOpen':
      return {
        title: 'Not yet: something must be true first',
        why: named(plan.prerequisites, refusal.prerequisites),
        lift: 'Answer it under Receive. A lead may let it be.',
      };
    case 'baselinesMissing':
      return {
        title: 'Measure first',
        why: `Once it is apart it cannot be measured: ${named(plan.baselines, refusal.baselines)}.`,
        lift: 'Enter it under Receive. A lead may let it be.',
      };
    case 'choicesOpen':
      return {
        title: 'Not chosen yet',
        why: named(plan.choices, refusal.choices),
        lift: 'Choose under Receive. A lead may let it be.',
      };
    case 'conflictOpen':
      return {
        title: 'Two kits are at odds here',
        why: plan.conflicts.find(({ id }) => id === refusal.conflict)?.place ?? refusal.conflict,
        lift: 'A lead chooses under Conflicts.',
      };
    case 'stripOpen':
      return {
        title: 'Still to be stripped',
        why: shown(refusal.steps.map(stepName)),
        lift: 'Tick it under Strip. A lead may let it be.',
      };
    case 'stepWaitsFor':
      return {
        title: 'Another step comes first',
        why: shown(refusal.waitsFor.map(stepName)),
        lift: 'Do that first. A lead may let it be.',
      };
    case 'stepDoneAlready':
      return { title: 'Done already', why: 'This step is ticked.', lift: 'Nothing to do.' };
    case 'helperNeeded':
      return {
        title: 'Not alone',
        why: `This step takes ${refusal.people} people.`,
        lift: 'Get your helper, then say who helps.',
      };
    case 'chocksNotSaid':
      return {
        title: 'Where are the chocks?',
        why: 'They stand at the end that stays on the floor.',
        lift: 'Set them, then say where.',
      };
    case 'chocksAtRaisedEnd':
      return {
        title: 'The chocks are at the end that goes up',
        why: `Lifting the ${refusal.end} takes them off the floor.`,
        lift: 'Put them at the other end.',
      };
    case 'debtOpenAlready':
      return { title: 'Open already', why: `${debt(refusal.debt)} is off already.`, lift: 'Nothing to do.' };
    case 'debtNotOpen':
      return { title: 'Not open', why: `${debt(refusal.debt)} is not off, or is back.`, lift: 'Nothing to do.' };
    case 'debtCount':
      return {
        title: 'The count is wrong',
        why: `${refusal.count} of ${debt(refusal.debt)}; ${refusal.left} are owed.`,
        lift: 'Count again.',
      };
    case 'fateContradicts':
      return {
        title: 'It was not to come back',
        why: `${debt(refusal.debt)}: the plan says ${refusal.planned === 'scrap' ? 'scrap' : 'keep for the owner'}.`,
        lift: 'A lead may put it back, with a reason.',
      };
    case 'figureMissing':
      return {
        title: 'No torque for it',
        why: `${debt(refusal.debt)} goes back with the vehicle maker’s figure, and nobody gave it.`,
        lift: 'Give the figure and where it stands, or say that it is done by feel.',
      };
    case 'newPieceAsked':
      return {
        title: 'Used once only',
        why: `${debt(refusal.debt)} must not go back as it came off.`,
        lift: 'Say that a new one goes in.',
      };
    case 'figureUnreadable':
      return {
        title: 'No torque can be read from it',
        why: refusal.printed === '' ? 'Nothing was entered.' : `“${refusal.printed}”`,
        lift: 'Enter it with its unit: 46 lbf·ft.',
      };
    case 'figureGivenAlready':
      return { title: 'The sheet gives a figure', why: 'It stands; it is not replaced.', lift: 'Nothing to do.' };
    case 'kitAlreadyIn':
      return { title: 'The kit is in already', why: 'A kit is fitted once in a visit.', lift: 'Nothing to do.' };
    case 'lastKit':
      return { title: 'The only kit', why: 'A visit has at least one kit.', lift: 'Add another first.' };
    default:
      return undefined;
  }
}
