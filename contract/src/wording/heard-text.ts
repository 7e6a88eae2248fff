import { HEARD_ASKS, HEARD_WORDS } from './en/heard.ts';
import { say } from './say.ts';
import { numberSaid } from './spoken-number.ts';

/** Something said to the line. */
export type Heard = { word: keyof typeof HEARD_WORDS } | { word: 'number'; number: string };

/** What is done only after a yes. */
export type AskedHeard = Extract<Heard, { word: 'number' }> | { word: 'done' | 'takeBack' };

/**
 * What an utterance asks for, where all of it is one of the words; undefined for anything else, so that nothing is taken
 * from talk that only holds such a word.
 */
export function heardOf(said: string): Heard | undefined {
  const text = said
    .trim()
    .toLowerCase()
    .replace(/[.,!?]+$/, '')
    .replace(/\s+/g, ' ');
  for (const [word, ways] of Object.entries(HEARD_WORDS))
    if ((ways as readonly string[]).includes(text)) return { word: word as keyof typeof HEARD_WORDS };
  const number = numberSaid(text);
  return number === undefined ? undefined : { word: 'number', number };
}

/** What is asked back, for the eye and the ear. */
export const heardAsks = (heard: AskedHeard): string =>
  say(HEARD_ASKS[heard.word], { number: 'number' in heard ? Number(heard.number) : undefined });
