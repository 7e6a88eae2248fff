import { askedBefore, askedBy } from '../kit/asked.ts';
import type { Answers, AnswerValue } from '../kit/condition.ts';
import { type KitId, type KitPrefix, prefixOf, type QuestionId, scopedId } from '../kit/ids.ts';
import type { KitDocument, Question } from '../kit/kit-document.ts';
import { withVehicleAnswers } from '../kit/resolve.ts';
import type { VehicleFacts } from '../kit/vehicle-facts.ts';
import { plainWord } from '../kit/vehicle-facts.ts';

/** A kit of a visit. Its ids stand in the plan and in the record with `prefix` before them. */
export interface VisitKit {
  document: KitDocument;
  prefix: KitPrefix;
}

/** The prefix of a kit that comes into a visit of these. */
export const kitPrefix = (kits: readonly VisitKit[], kitId: KitId): KitPrefix =>
  prefixOf(
    kits.map(({ document }) => document.id),
    kitId,
  );

/** A question as the visit asks it: once, however many kits ask. */
export interface VisitQuestion {
  /** Scoped id of the first kit's question. */
  id: QuestionId;
  question: Question;
  /** Every question that this answer answers, by scoped id. */
  members: Array<{ kit: string; id: string }>;
}

/** Questions that ask the same thing: the same fact of the vehicle, or the same words with the same answers. */
function sameQuestion(question: Question): string {
  if (question.from !== undefined) return `from ${question.from}`;
  if (question.fitted !== undefined) return `fitted ${plainWord(question.fitted)}`;
  const answers = question.choices?.map(({ value, label }) => `${value}=${plainWord(label)}`).join(',') ?? '';
  return `${question.kind} ${plainWord(question.text)} ${answers} ${question.min ?? ''} ${question.max ?? ''}`;
}

/** The questions of all kits that are asked before the work, each once, in the order the kits ask them. */
export function visitQuestions(kits: readonly VisitKit[]): VisitQuestion[] {
  const found = new Map<string, VisitQuestion>();
  for (const { document, prefix } of kits)
    for (const question of askedBefore(document)) {
      const key = sameQuestion(question);
      const member = { kit: document.id, id: scopedId(prefix, question.id) };
      const known = found.get(key);
      if (!known) {
        found.set(key, { id: member.id, question, members: [member] });
        continue;
      }
      known.members.push(member);
      // The narrower limits hold, since one answer must do for all.
      const min = Math.max(known.question.min ?? -Infinity, question.min ?? -Infinity);
      const max = Math.min(known.question.max ?? Infinity, question.max ?? Infinity);
      known.question = {
        ...known.question,
        ...(Number.isFinite(min) ? { min } : {}),
        ...(Number.isFinite(max) ? { max } : {}),
      };
    }
  return [...found.values()];
}

/** One answer written to every question it answers. */
export const answerAll = (question: VisitQuestion, value: AnswerValue): Record<string, AnswerValue> =>
  Object.fromEntries(question.members.map(({ id }) => [id, value]));

/** The answers of one kit, by its own question ids, what the vehicle knows filled in. */
export function kitAnswers(kit: VisitKit, vehicle: VehicleFacts, answers: Answers): Answers {
  const given = Object.fromEntries(
    askedBy(kit.document).flatMap(({ id }) => {
      const answer = answers[scopedId(kit.prefix, id)];
      return answer === undefined ? [] : [[id, answer] as const];
    }),
  );
  return withVehicleAnswers(kit.document, vehicle, given);
}

/** Answers spread over kits that ask the same: a kit that comes later is not asked again. */
export function spreadAnswers(kits: readonly VisitKit[], answers: Answers): Record<string, AnswerValue> {
  const spread: Record<string, AnswerValue> = { ...answers };
  for (const { members } of visitQuestions(kits)) {
    const known = members.map(({ id }) => answers[id]).find((answer) => answer !== undefined);
    if (known !== undefined) for (const { id } of members) spread[id] ??= known;
  }
  return spread;
}
