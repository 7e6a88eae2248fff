import { answerId } from './condition.ts';
import type { KitDocument, Question } from './kit-document.ts';
import type { Choice } from './kit-preparation.ts';

type Asking = Pick<KitDocument, 'questions' | 'choices'>;

/** A question that is asked on the floor, of what is found there; the others are asked before the job is opened. */
export const isFinding = ({ askedAt }: Pick<Question, 'askedAt'>): boolean => askedAt !== undefined;

/** A question asked at several places, as one for each of them. */
export const atEachPlace = (question: Question): Question[] =>
  question.places === undefined
    ? [question]
    : question.places.map((place) => ({
        ...question,
        id: answerId(question.id, place),
        text: `${question.text.replace(/\?$/, '')}, ${place}?`,
      }));

/** A person's choice as conditions ask for it: by the option that was taken. */
const choiceAsQuestion = ({ id, text, options }: Omit<Choice, 'when' | 'by'>): Question => ({
  id,
  text,
  kind: 'choice',
  choices: options.map(({ value, label }) => ({ value, label })),
});

/**
 * All that conditions may ask about, in the kit's order: its questions, each place by itself, and its choices. Kits of
 * before version 5 may call a question and a choice alike: their conditions then mean the question.
 */
export const askedBy = ({ questions, choices }: Asking): Question[] => [
  ...questions.flatMap(atEachPlace),
  ...choices.filter(({ id }) => !questions.some((question) => question.id === id)).map(choiceAsQuestion),
];

/** The questions that are asked before a job is opened. */
export const askedBefore = ({ questions }: Pick<KitDocument, 'questions'>): Question[] =>
  questions.filter((question) => !isFinding(question));

/** What a comparison names for an answer's id: the question or choice, and the place. */
export function askedOf(id: string): { question: string; at?: string } {
  const stroke = id.indexOf('@');
  return stroke < 0 ? { question: id } : { question: id.slice(0, stroke), at: id.slice(stroke + 1) };
}
