import { readdirSync, readFileSync } from 'node:fs';
import { readSheet } from '#core/sheet/read-sheet.ts';
import { milliseconds } from './milliseconds.ts';

/** Characters of one printed page. */
const PAGE = 3_000;

/** Reading of a sheet of `pages` pages, made of the demo's sheets one after the other. */
export function measureSheet(pages: number): number {
  const all = readdirSync('demo/sheets')
    .filter((file) => file.endsWith('.txt'))
    .map((file) => readFileSync(`demo/sheets/${file}`, 'utf8'))
    .join('\n\n');
  const text = all.repeat(Math.ceil((pages * PAGE) / all.length)).slice(0, pages * PAGE);
  return milliseconds(() => {
    if (readSheet(text).facts.length === 0) throw new Error('nothing was read');
  });
}
