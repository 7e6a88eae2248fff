import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';
import { factText } from '#contract/wording/fact-text.ts';
import type { Fact } from '#core/sheet/fact.ts';
import { readSheet } from '#core/sheet/read-sheet.ts';

/** Kinds whose every occurrence is annotated. */
const KINDS = [
  'torque',
  'thread',
  'count',
  'compound',
  'drive',
  'hole',
  'condition',
  'aftercare',
  'duration',
  'pattern',
] as const;
type Kind = (typeof KINDS)[number];
type Annotation = Record<Kind, string[]>;

const FOLDER = 'demo/sheets';
const NAMES = readdirSync(FOLDER)
  .filter((file) => file.endsWith('.txt'))
  .map((file) => file.replace('.txt', ''));

/** A fact as the annotations write it. */
function written({ value }: Fact): [Kind, string] | undefined {
  switch (value.kind) {
    case 'torque':
      return ['torque', `${value.min === value.max ? value.min : `${value.min}-${value.max}`} ${value.unit}`];
    case 'thread':
      return ['thread', value.designation];
    case 'count':
      return ['count', `${value.count} ${value.noun}`];
    case 'compound':
      return ['compound', value.compound];
    case 'drive':
    case 'hole':
    case 'condition':
    case 'aftercare':
    case 'duration':
    case 'pattern':
      return [value.kind, factText(value)];
    default:
      return undefined;
  }
}

const score = Object.fromEntries(KINDS.map((kind) => [kind, { hits: 0, wanted: 0, read: 0 }])) as Record<
  Kind,
  { hits: number; wanted: number; read: number }
>;
const misses: string[] = [];
let wrongUnits = 0;
for (const name of NAMES) {
  const annotation = JSON.parse(readFileSync(join(FOLDER, `${name}.json`), 'utf8')) as Annotation;
  const reading = readSheet(readFileSync(join(FOLDER, `${name}.txt`), 'utf8'));
  for (const kind of KINDS) {
    const left = [...annotation[kind]];
    score[kind].wanted += left.length;
    for (const fact of reading.facts) {
      const [read, text] = written(fact) ?? [];
      if (read !== kind || text === undefined) continue;
      score[kind].read += 1;
      const at = left.indexOf(text);
      if (at >= 0) {
        left.splice(at, 1);
        score[kind].hits += 1;
      } else {
        misses.push(`${name}: ${kind} read and not there: ${text}`);
        const number = text.split(' ')[0];
        if (kind === 'torque' && left.some((wanted) => wanted.split(' ')[0] === number)) wrongUnits += 1;
      }
    }
    for (const missed of left) misses.push(`${name}: ${kind} there and not read: ${missed}`);
  }
}

describe('sixteen invented sheets, every fact of ten kinds annotated', () => {
  it('are sixteen or more', () => expect(NAMES.length).toBeGreaterThanOrEqual(16));
  it.each([
    ['torque', 0.97, 0.98],
    ['thread', 0.93, 0.93],
    ['count', 0.93, 0.93],
    ['compound', 0.93, 0.93],
    ['drive', 0.93, 0.93],
    ['hole', 0.93, 0.93],
    ['condition', 0.93, 0.93],
    ['aftercare', 0.93, 0.93],
    ['duration', 0.93, 0.93],
    ['pattern', 0.93, 0.93],
  ] as const)('%s: recall at least %d, precision at least %d', (kind, recall, precision) => {
    const { hits, wanted, read } = score[kind];
    process.stdout.write(
      `sheet reader, ${kind}: recall ${(hits / wanted).toFixed(3)}, precision ${(hits / read).toFixed(3)}, ${wanted} annotated\n`,
    );
    const told = misses.filter((miss) => miss.includes(`: ${kind} `));
    if (hits / wanted < recall || hits / read < precision) throw new Error(told.join('\n'));
  });
  it('no torque is read in a wrong unit', () => expect(wrongUnits).toBe(0));
});
