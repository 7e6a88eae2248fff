import { readdirSync, readFileSync } from 'node:fs';
import { draftKit } from '#core/kit/draft/draft-kit.ts';
import { readSheet } from '#core/sheet/read-sheet.ts';
import { milliseconds } from './milliseconds.ts';

/** Characters of one printed page. */
const PAGE = 3_000;

/** A text of some pages, made of the demo's sheets one after the other. */
function textOf(pages: number): string {
  const all = readdirSync('demo/sheets')
    .filter((file) => file.endsWith('.txt'))
    .map((file) => readFileSync(`demo/sheets/${file}`, 'utf8'))
    .join('\n\n');
  return all.repeat(Math.ceil((pages * PAGE) / all.length)).slice(0, pages * PAGE);
}

/** Reading of a sheet of `pages` pages, ms. */
export function measureSheet(pages: number): number {
  const text = textOf(pages);
  return milliseconds(() => {
    if (readSheet(text).facts.length === 0) throw new Error('nothing was read');
  });
}

/** The same without a single line end, ms. */
export function measureOneLine(characters: number): number {
  const text = textOf(Math.ceil(characters / PAGE))
    .replaceAll('\n', ' ')
    .slice(0, characters);
  return milliseconds(() => {
    if (readSheet(text).facts.length === 0) throw new Error('nothing was read');
  });
}

/** Drafting of a kit from such a sheet, which is read beforehand, ms. */
export function measureDraft(pages: number): number {
  const reading = readSheet(textOf(pages));
  return milliseconds(() => {
    // Fresh steps each time: what is kept by them is part of the work.
    const steps = reading.steps.map((step) => ({ ...step }));
    draftKit({ steps }, reading.facts, { id: 'draft', title: 'Draft', maker: 'Pennant Works' });
  });
}
