import { AsyncLocalStorage } from 'node:async_hooks';
import type { MiddlewareHandler } from 'hono';
import { every } from 'hono/combine';
import { languageDetector } from 'hono/language';
import { catalogueOf } from '#contract/wording/catalogues.ts';
import { type Catalogue, ENGLISH, LANGUAGES, type Language, speak } from '#contract/wording/say.ts';

const spoken = new AsyncLocalStorage<Catalogue>();
const known = new Map<Language, Catalogue>([['en', ENGLISH]]);

/** The catalogue of a language, read once. */
async function catalogueFor(language: Language): Promise<Catalogue> {
  const catalogue = known.get(language) ?? (language === 'en' ? ENGLISH : await catalogueOf(language));
  known.set(language, catalogue);
  return catalogue;
}

/**
 * Answers each request in the language of the tablet that asks: the one chosen on it (a cookie, sent with links too), else
 * its browser's. What the server does by itself, to nobody's request, it says in English.
 */
export function speakLanguage(): MiddlewareHandler {
  speak(() => spoken.getStore() ?? ENGLISH);
  return every(
    languageDetector({
      order: ['cookie', 'header'],
      lookupCookie: 'language',
      supportedLanguages: [...LANGUAGES],
      fallbackLanguage: 'en',
      caches: false,
    }),
    async (c, next) => spoken.run(await catalogueFor(c.get('language') as Language), next),
  );
}
