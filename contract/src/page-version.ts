/** The header in which every answer of the API says which page the server gives out: the name of its script, which bears its hash. */
export const PAGE_HEADER = 'x-wrenchman-page';

/** The script a built page begins with; undefined for a page that was not built. */
export const pageScript = (html: string): string | undefined =>
  /<script[^>]+src="(\/assets\/[^"]+\.js)"/.exec(html)?.[1];
