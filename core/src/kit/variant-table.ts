import { answerSpace, combinationCount, combinations, fitsWith } from './answer-space.ts';
import { sidesAsConditions } from './bought-sides.ts';
import { type Answers, type Condition, evaluate } from './condition.ts';
import type { KitDocument } from './kit-document.ts';

/** One combination of answers, and what is different with it from the first that fits. */
export interface VariantRow {
  answers: Answers;
  fits: boolean;
  /** Stations, steps and lines that are there. */
  stations: number;
  steps: number;
  lines: number;
  /** Against the first row that fits: what comes, what goes, what gets another value. */
  changes: string[];
}

/** More rows than this are no table anyone reads. */
export const MOST_ROWS = 512;

const applies = (when: Condition | undefined, answers: Answers): boolean => evaluate(when, answers).truth === 'true';

/** What a kit is with these answers, as words that can be compared. */
function contents(kit: KitDocument, answers: Answers): { things: Set<string>; values: Map<string, string> } {
  const things = new Set<string>();
  const values = new Map<string, string>();
  for (const item of kit.items) if (applies(item.when, answers)) things.add(`line ${item.line} ${item.name}`);
  for (const group of kit.groups) {
    if (!applies(group.when, answers)) continue;
    for (const id of group.stations) {
      const station = kit.stations.find((entry) => entry.id === id);
      if (!station || !applies(station.when, answers)) continue;
      things.add(`station ${station.label}`);
      values.set(
        `station ${station.label}`,
        station.specs.find((spec) => applies(spec.when, answers))?.printed ?? 'no value',
      );
    }
  }
  kit.steps.forEach((step, index) => {
    if (applies(step.when, answers)) things.add(`step ${step.number ?? index + 1}`);
  });
  return { things, values };
}

/**
 * Every combination of answers that can make a difference, and what each changes.
 * @returns undefined when there are more than {@link MOST_ROWS}
 */
export function variantTable(document: KitDocument): VariantRow[] | undefined {
  const kit = sidesAsConditions(document);
  const axes = answerSpace(kit);
  if (combinationCount(axes) > MOST_ROWS) return undefined;
  const combos = combinations(axes);
  const base = combos.find((answers) => fitsWith(kit, answers));
  const plain = base && contents(kit, base);
  return combos.map((answers) => {
    const { things, values } = contents(kit, answers);
    const changes: string[] = [];
    for (const thing of plain?.things ?? []) if (!things.has(thing)) changes.push(`without ${thing}`);
    for (const thing of things) if (plain && !plain.things.has(thing)) changes.push(`with ${thing}`);
    const byValue = new Map<string, string[]>();
    for (const [station, value] of values) {
      const usual = plain?.values.get(station);
      if (usual !== undefined && usual !== value)
        byValue.set(value, [...(byValue.get(value) ?? []), station.replace('station ', '')]);
    }
    for (const [value, stations] of byValue) changes.push(`${value} at ${stations.join(', ')}`);
    const count = (prefix: string) => [...things].filter((thing) => thing.startsWith(prefix)).length;
    return {
      answers,
      fits: fitsWith(kit, answers),
      stations: count('station '),
      steps: count('step '),
      lines: count('line '),
      changes,
    };
  });
}
