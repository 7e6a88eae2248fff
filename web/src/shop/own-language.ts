import type { Locale } from 'date-fns';
import { catalogueOf } from '#contract/wording/catalogues.ts';
import { LANGUAGES, type Language, speak } from '#contract/wording/say.ts';
import { writeDatesIn } from './shop-time.ts';

/** Read by the server too: what it prints is in the language of the tablet that asks. */
const COOKIE = 'language';
const YEAR_S = 365 * 24 * 3600;

/** How each further language writes days and months. */
const DATES: Record<Exclude<Language, 'en'>, () => Promise<Locale>> = {
  de: async () => (await import('date-fns/locale/de')).de,
};

const isLanguage = (text: string | undefined): text is Language => LANGUAGES.some((language) => language === text);

/** The language of this device: the one chosen on it, else the first of its browser's that the product speaks, else English. */
export function ownLanguage(): Language {
  const chosen = new RegExp(`(?:^|; )${COOKIE}=(\\w+)`).exec(document.cookie)?.[1];
  if (isLanguage(chosen)) return chosen;
  return (navigator.languages.map((language) => language.slice(0, 2)).find((language) => isLanguage(language)) ??
    'en') as Language;
}

/** Chooses the language of this device. The page is loaded anew: words are read as screens are loaded. */
export function chooseLanguage(language: Language): void {
  // biome-ignore lint/suspicious/noDocumentCookie: the server reads it with each request, and there is no other way to send it with a link.
  document.cookie = `${COOKIE}=${language}; path=/; max-age=${YEAR_S}; samesite=strict`;
  location.reload();
}

/** Fetches the words of this device's language before anything is shown; where they cannot be had, English is spoken. */
export async function speakOwnLanguage(): Promise<void> {
  const language = ownLanguage();
  if (language !== 'en')
    try {
      const [catalogue, dates] = await Promise.all([catalogueOf(language), DATES[language]()]);
      speak(() => catalogue);
      writeDatesIn(dates);
    } catch (error) {
      // A tablet without the network and without these words still has to work.
      reportError(error);
      return;
    }
  document.documentElement.lang = language;
}
