import { COUNTER_TOO } from '../role.ts';
import { act, blank, done, refuse, stampOf } from './act.ts';

export interface AnswerPrerequisite {
  type: 'answerPrerequisite';
  prerequisite: string;
  met: boolean;
  value?: number;
  note?: string;
}

export interface PrerequisiteAnswered {
  type: 'prerequisiteAnswered';
  prerequisite: string;
  met: boolean;
  value?: number;
  note?: string;
}

export const answerPrerequisite = act<AnswerPrerequisite, PrerequisiteAnswered>({
  may: COUNTER_TOO,
  decide({ plan }, command) {
    const prerequisite = plan.prerequisites.find((entry) => entry.id === command.prerequisite);
    if (!prerequisite) return refuse({ code: 'unknownPrerequisite', prerequisite: command.prerequisite });
    const { min = -Infinity, max = Infinity } = prerequisite;
    const { value, note } = command;
    if (value !== undefined && !Number.isFinite(value)) return refuse({ code: 'valueInvalid', value });
    // A figure outside the limits cannot meet them, whatever was ticked.
    const met = command.met && (value === undefined || (value >= min && value <= max));
    if (command.met && !met)
      return refuse({ code: 'outsideLimits', value: value ?? 0, min: prerequisite.min, max: prerequisite.max });
    const needsValue = prerequisite.min !== undefined || prerequisite.max !== undefined;
    if (met && needsValue && value === undefined) return refuse({ code: 'valueInvalid', value: Number.NaN });
    return done({
      type: 'prerequisiteAnswered',
      prerequisite: prerequisite.id,
      met,
      ...(value === undefined ? {} : { value }),
      ...(blank(note) ? {} : { note }),
    });
  },
  fold: {
    prerequisiteAnswered(draft, fact) {
      const { prerequisite, met, value, note } = fact;
      const answer = { met, value, note, ...stampOf(fact) };
      draft.visit = { ...draft.visit, prerequisites: { ...draft.visit.prerequisites, [prerequisite]: answer } };
    },
  },
});
