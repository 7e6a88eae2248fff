import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';

type Row = { wanted: number; found: number; right: number; wrong: number };
interface Scores {
  score: Record<string, Row>;
  danger: { wrongUnit: unknown[] };
}

function scoresOf(folder: string): Scores {
  const kept = mkdtempSync(join(tmpdir(), 'scores-'));
  const file = join(kept, 'scores.json');
  // The scorer ends with 1 where a goal is missed; the floors below are what must not get worse.
  const { stderr } = spawnSync(
    process.execPath,
    ['sheets/score.mjs', '--sheets', `sheets/${folder}`, '--worst', '0', '--json', file],
    { encoding: 'utf8' },
  );
  try {
    return JSON.parse(readFileSync(file, 'utf8')) as Scores;
  } catch (error) {
    throw new Error(`sheets/score.mjs gave no scores of ${folder}: ${stderr}`, { cause: error });
  } finally {
    rmSync(kept, { recursive: true, force: true });
  }
}

/** Least recall and precision that a change may leave, by folder; the goals stand in the scorer. */
const FLOORS = {
  known: {
    torque: [0.97, 0.985],
    thread: [0.965, 0.975],
    count: [0.93, 0.955],
    compound: [0.94, 0.92],
    'packing quantity': [0.93, 0],
    condition: [0.8, 0.92],
  },
  blind: {
    torque: [0.92, 0.91],
    thread: [0.97, 0.96],
    count: [0.87, 0.93],
    compound: [0.85, 0.86],
    condition: [0.75, 0.7],
  },
} as const;

describe.each(['known', 'blind'] as const)('the reader on the %s sheets', (folder) => {
  const { score, danger } = scoresOf(folder);
  it.each(Object.entries(FLOORS[folder]))('%s', (kind, [recall, precision]) => {
    const row = score[kind];
    if (!row) throw new Error(`no score of ${kind}`);
    const found = row.found / row.wanted;
    const right = row.right / Math.max(1, row.right + row.wrong);
    process.stdout.write(
      `sheet reader, ${folder} sheets, ${kind}: recall ${found.toFixed(3)}${row.right > 0 ? `, precision ${right.toFixed(3)}` : ''}, ${row.wanted} annotated\n`,
    );
    expect(found).toBeGreaterThanOrEqual(recall);
    expect(precision === 0 || right >= precision).toBe(true);
  });
  it('reads no torque in a wrong unit', () => expect(danger.wrongUnit).toEqual([]));
});
