import type { Question } from '../../kit/kit-document.ts';
import { spacerRange } from '../../kit/owner-spacer.ts';
import type { Ask } from '../ask.ts';
import { type ActionOf, kindOf, words } from '../line-kind.ts';

/** A choice that belongs to a person, with what each option brings. */
export const choose = kindOf<ActionOf<'choose'>>({
  picture: 'list',
  again: true,
  asks({ plan, action }) {
    const choice = plan.choices.find(({ id }) => id === action.choice);
    return [
      {
        kind: 'oneOf',
        key: 'option',
        about: 'option',
        what: choice?.text,
        options: (choice?.options ?? []).map(({ value, label, consequence }) => ({
          value,
          label,
          is: 'right' as const,
          why: consequence,
        })),
      },
      words('chosenBy', 'chosenBy', choice?.by),
    ];
  },
});

const YES_NO = [
  { value: 'yes', is: 'right' as const },
  { value: 'no', is: 'right' as const },
];

/** The key of what is found at a place, or of the one thing that is asked. */
export const findingKey = (place?: string): string => (place === undefined ? 'found' : `at ${place}`);

function findingAsk({ kind, choices = [], spacer, text, ...question }: Question, place?: string): Ask {
  // A spacer is bounded by the stud it goes on.
  const range = spacer && spacerRange(spacer);
  const min = range ? Math.max(range.leastMm, question.min ?? 0) : question.min;
  const max = range ? Math.min(range.mostMm, question.max ?? Number.POSITIVE_INFINITY) : question.max;
  const asked = { key: findingKey(place), about: 'finding' as const, what: place ?? text };
  if (kind === 'number')
    return {
      ...asked,
      kind: 'number',
      unit: '',
      outside: 'refused',
      ...(min === undefined ? {} : { min }),
      ...(max === undefined ? {} : { max }),
    };
  const options =
    kind === 'yesNo' ? YES_NO : choices.map(({ value, label }) => ({ value, label, is: 'right' as const }));
  return { ...asked, kind: 'oneOf', options };
}

/** What is found there, each hole or side by itself. Said again it replaces what was said. */
export const find = kindOf<ActionOf<'find'>>({
  picture: 'list',
  again: true,
  asks({ plan, action }) {
    const question = plan.findings.find(({ id }) => id === action.question);
    if (!question) return [];
    return (question.places ?? [undefined]).map((place) => findingAsk(question, place));
  },
});
