import { COUNTER_TOO } from '../role.ts';
import { act, blank, done, refuse, stampOf } from './act.ts';

export interface MakeChoice {
  type: 'makeChoice';
  choice: string;
  option: string;
  chosenBy: string;
}

export interface ChoiceMade {
  type: 'choiceMade';
  choice: string;
  option: string;
  chosenBy: string;
}

export const makeChoice = act<MakeChoice, ChoiceMade>({
  may: COUNTER_TOO,
  replans: true,
  decide({ plan }, { choice: id, option, chosenBy }) {
    const choice = plan.choices.find((entry) => entry.id === id);
    if (!choice?.options.some(({ value }) => value === option)) return refuse({ code: 'choiceUnknown', choice: id });
    if (blank(chosenBy)) return refuse({ code: 'nameMissing' });
    return done({ type: 'choiceMade', choice: id, option, chosenBy });
  },
  fold: {
    choiceMade(draft, fact) {
      const { choice, option, chosenBy } = fact;
      const made = { option, chosenBy, ...stampOf(fact) };
      draft.visit = { ...draft.visit, choices: { ...draft.visit.choices, [choice]: made } };
    },
  },
});
