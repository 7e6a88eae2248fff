import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';
import { type Drill, soundDrill } from '#core/drill/drill.ts';
import { meantLog } from '#core/drill/drill-run.ts';
import { FAULT_KINDS } from '#core/drill/fault-kind.ts';
import { drawFaults } from '#core/drill/place-faults.ts';
import { playDrill, STYLES } from '#core/drill/scripted-learner.ts';
import { draftKit } from '#core/kit/draft/draft-kit.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { combinationsToPlay } from '#core/rehearse/rehearse-all.ts';
import { readSheet } from '#core/sheet/read-sheet.ts';

const FOLDER = 'sheets/known';
/** Every eighth sheet: kits nobody drew up for a drill. */
const SHEETS = readdirSync(FOLDER)
  .filter((name) => name.endsWith('.txt'))
  .filter((_, at) => at % 8 === 0);

function drafted(name: string): KitDocument {
  const reading = readSheet(readFileSync(join(FOLDER, name), 'utf8'));
  const id = name.replace(/\.txt$/, '');
  return draftKit({ steps: reading.steps }, reading.facts, { id, title: id, maker: 'Pennant Works' }).kit;
}

/** The drill without a fault, where the draft as it stands can be worked to its end at all. */
function sound(kit: KitDocument): Drill | undefined {
  const drill = soundDrill(kit, combinationsToPlay(kit).play[0] ?? {}, { id: kit.id.slice(0, 64), title: kit.title });
  return meantLog(drill).ok && playDrill(drill, STYLES.careful, 1).verdict.closed ? drill : undefined;
}

describe('kits drafted from paper', () => {
  const drills = SHEETS.map((name) => sound(drafted(name))).filter((drill) => drill !== undefined);
  it('can be drilled, most of them as they stand', () => {
    expect(drills.length).toBeGreaterThan(SHEETS.length / 2);
  });
  it.each(drills.map((drill) => [drill.kit.id, drill] as const))(
    '%s: a careful learner finds what is wrong, and calls nothing sound wrong',
    (_, drill) => {
      const meant = meantLog(drill);
      if (!meant.ok) throw new Error(meant.error.code);
      for (const seed of [1, 2, 3]) {
        const kinds = FAULT_KINDS.map((_kind, at) => FAULT_KINDS[(at * 7 + seed) % FAULT_KINDS.length]).filter(
          (kind) => kind !== undefined,
        );
        const faults = drawFaults(meant.value.plan, seed, kinds, 5);
        expect(faults.length).toBeGreaterThan(0);
        const { verdict } = playDrill({ ...drill, seed, faults }, STYLES.careful, seed);
        expect(verdict.faults).toHaveLength(faults.length);
        expect(verdict).toMatchObject({ closed: true, score: 1, falseAlarms: [] });
      }
    },
  );
});
