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

/** What is asked back before anything is done. */
export const HEARD_ASKS = inLanguage({
  done: 'Done? Say yes or no.',
  takeBack: 'Take the last one back? Say yes or no.',
  number: '{number}. Say yes or no.',
} as const);
