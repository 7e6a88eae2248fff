import { answerSpace, conditionsOf } from '../kit/answer-space.ts';
import { type Answers, type AnswerValue, type Condition, evaluate, questionsIn } from '../kit/condition.ts';
import { scopedId } from '../kit/ids.ts';
import type { VehicleFacts } from '../kit/vehicle-facts.ts';
import { kitAnswers, type VisitKit, type VisitQuestion, visitQuestions } from './visit.ts';

/** A question that can still change the plan, with how much it settles. */
export interface OpenQuestion extends VisitQuestion {
  /** Conditions that one answer settles, on the average of its answers. */
  settles: number;
  /** Whether a kit fits at all still hangs on it. */
  decidesFit: boolean;
}

const isBought = ({ question }: VisitQuestion): boolean => question.bought !== undefined;

/**
 * Questions whose answer can still change the plan or the fit: what was bought first, then those the fit hangs on, then those that settle most;
 * among equals in the order the kits ask them. Answering the first until none is left asks the fewest.
 */
export function questionsToAsk(kits: readonly VisitKit[], vehicle: VehicleFacts, answers: Answers): OpenQuestion[] {
  const settled = new Map<string, number>();
  const open = new Set<string>();
  const fit = new Set<string>();
  for (const kit of kits) {
    const known = kitAnswers(kit, vehicle, answers);
    const waiting = conditionsOf(kit.document).filter((condition) => evaluate(condition, known).truth === 'unknown');
    for (const { when } of kit.document.fits)
      for (const id of evaluate(when, known).waitsFor) fit.add(scopedId(kit.prefix, id));
    const asked = new Set(waiting.flatMap((condition) => evaluate(condition, known).waitsFor));
    const axes = new Map(answerSpace(kit.document).map(({ question, values }) => [question.id, values]));
    const asking = byQuestion(waiting);
    for (const id of asked) {
      open.add(scopedId(kit.prefix, id));
      const values = axes.get(id) ?? [];
      settled.set(scopedId(kit.prefix, id), settles(asking.get(id) ?? [], id, values, known));
    }
  }
  return visitQuestions(kits)
    .filter(({ members }) => members.some(({ id }) => open.has(id)))
    .map((entry) => ({
      ...entry,
      settles: entry.members.reduce((sum, { id }) => sum + (settled.get(id) ?? 0), 0),
      decidesFit: entry.members.some(({ id }) => fit.has(id)),
    }))
    .sort(
      (a, b) =>
        Number(isBought(b)) - Number(isBought(a)) ||
        Number(b.decidesFit) - Number(a.decidesFit) ||
        b.settles - a.settles,
    );
}

function byQuestion(conditions: readonly Condition[]): Map<string, Condition[]> {
  const found = new Map<string, Condition[]>();
  for (const condition of conditions)
    for (const id of new Set(questionsIn(condition))) found.set(id, [...(found.get(id) ?? []), condition]);
  return found;
}

/** Conditions one question settles on the average over its answers. */
function settles(
  conditions: readonly Condition[],
  id: string,
  values: readonly AnswerValue[],
  answers: Answers,
): number {
  if (values.length === 0) return 0;
  const total = values.reduce<number>(
    (sum, value) =>
      sum + conditions.filter((one) => evaluate(one, { ...answers, [id]: value }).truth !== 'unknown').length,
    0,
  );
  return total / values.length;
}
