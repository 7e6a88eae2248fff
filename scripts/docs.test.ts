import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { describe, expect, it } from '@jest/globals';

/** Every page of the product's own documentation. */
const PAGES = [
  'README.md',
  ...readdirSync('docs', { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.md'))
    .map((file) => join('docs', file)),
];

describe('documentation', () => {
  it.each(PAGES)('%s leads to files that are there', (page) => {
    const links = [...readFileSync(page, 'utf8').matchAll(/\]\((?!https?:|#)([^)#\s]+)/g)].map(([, to = '']) => to);
    const missing = links.filter((to) => !existsSync(join(dirname(page), to)));
    expect(missing).toEqual([]);
  });
});
