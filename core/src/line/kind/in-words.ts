import { limitsInWords } from '../../quantity/limits-in-words.ts';
import { checkKey } from '../judge-check.ts';
import { type ActionOf, kindOf } from '../line-kind.ts';

/** What no other act says; a press is all there is to it, unless its words hold a limit: then it is measured. */
export const inWords = kindOf<ActionOf<'do'>>({
  picture: 'list',
  asks({ action }) {
    const limit = limitsInWords(action.text);
    return (limit ? (limit.places ?? [undefined]) : []).map((place) => ({
      kind: 'number' as const,
      key: checkKey(place),
      about: 'value' as const,
      what: place ?? action.text,
      unit: limit?.unit ?? 'mm',
      min: limit?.min,
      max: limit?.max,
      outside: 'fails' as const,
      elsewhere: true as const,
      measured: {},
    }));
  },
});
export const undoWords = kindOf<ActionOf<'undo'>>({ picture: 'list' });
export const followKit = kindOf<ActionOf<'followKit'>>({ picture: 'list' });
