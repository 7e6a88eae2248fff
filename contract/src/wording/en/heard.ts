/** What may be said to the line, in the words a fitter uses. Each utterance is whole: talk of the bay is none of it. */
import { inLanguage } from '../say.ts';
export const HEARD_WORDS = inLanguage({
  done: ['done', 'next', 'finished', 'that is done', "that's done"],
  takeBack: ['take back', 'take it back', 'take that back', 'undo'],
  problem: ['problem', 'trouble', 'a problem'],
  again: ['say again', 'say that again', 'repeat', 'what is next', "what's next"],
  yes: ['yes', 'yes do', 'right', 'that is right', 'confirm'],
  no: ['no', 'leave it', 'never mind', 'cancel', 'not that'],
} as const);

/** Digits and tens as they are said. */
export const HEARD_NUMBERS: Record<string, number> = {
  zero: 0,
  oh: 0,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
  thirteen: 13,
  fourteen: 14,
  fifteen: 15,
  sixteen: 16,
  seventeen: 17,
  eighteen: 18,
  nineteen: 19,
  twenty: 20,
  thirty: 30,
  forty: 40,
  fifty: 50,
  sixty: 60,
  seventy: 70,
  eighty: 80,
  ninety: 90,
};
export const HEARD_POINT = ['point', 'decimal'];
/** What may stand behind a number and says no more: the unit is the screen's. */
export const HEARD_UNIT =
  /\s+(?:newton met(?:re|er)s?|foot pounds?|pound (?:feet|foot)|inch pounds?|pound inch(?:es)?|millimet(?:re|er)s?|degrees?)$/;

/** What is asked back before anything is done. */
export const HEARD_ASKS = inLanguage({
  done: 'Done? Say yes or no.',
  takeBack: 'Take the last one back? Say yes or no.',
  number: '{number}. Say yes or no.',
} as const);
export const HEARD_NOT = 'Not understood.';
export const HEARD_BUSY = 'A sheet is open: that takes hands.';
