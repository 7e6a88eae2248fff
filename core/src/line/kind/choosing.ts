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
