import type { Catalogue, Language } from './say.ts';

/** The messages of each further language; a page fetches the one it speaks. */
const MESSAGES: Record<Exclude<Language, 'en'>, () => Promise<{ default: Record<string, string> }>> = {
  de: () => import('./de.json', { with: { type: 'json' } }),
};

/** What each language calls itself. */
export const LANGUAGE_NAMES: Record<Language, string> = { en: 'English', de: 'Deutsch' };

/** The catalogue of a language, fetched. */
export async function catalogueOf(language: Exclude<Language, 'en'>): Promise<Catalogue> {
  const { default: messages } = await MESSAGES[language]();
  return { language, messages: new Map(Object.entries(messages)) };
}
