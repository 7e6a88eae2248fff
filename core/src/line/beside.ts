import type { BesideWhat } from '../kit/piece-kind.ts';
import type { PlanItem } from '../kit/plan.ts';
import type { Answers, Ask } from './ask.ts';

/** What is read off with a rule or a protractor, and how near two are that are the same to it (chosen by us). */
const MEASURED = {
  length: { unit: 'mm', most: 5000, same: 2, about: 'besideLength' },
  height: { unit: 'mm', most: 2000, same: 2, about: 'besideHeight' },
  thickness: { unit: 'mm', most: 500, same: 0.5, about: 'besideThickness' },
  angle: { unit: '°', most: 360, same: 1, about: 'besideAngle' },
} as const;

const isMeasured = (what: BesideWhat): what is keyof typeof MEASURED => what in MEASURED;

/**
 * The old part laid beside the new one: the old is measured first, then the new against it, as the sheet says it differs
 * or the same; holes and hand are seen.
 */
export function besideAsks({ beside = [], name }: Pick<PlanItem, 'beside' | 'name'>, answers: Answers): Ask[] {
  return beside.flatMap(({ what, min, max }): Ask[] => {
    if (!isMeasured(what))
      return [
        {
          kind: 'oneOf',
          key: `beside-${what}`,
          about: what === 'holes' ? 'besideHoles' : 'besideHand',
          what: name,
          options: [
            { value: 'same', is: 'right' },
            { value: 'differs', is: 'refused' },
          ],
        },
      ];
    const { unit, most, same, about } = MEASURED[what];
    const common = { kind: 'number' as const, about, unit };
    const old: Ask = { ...common, key: `old-${what}`, what: 'old', min: 0, max: most, outside: 'refused' };
    const read = answers[old.key];
    if (typeof read !== 'number') return [old];
    const told = min !== undefined || max !== undefined;
    const limit = (by: number) => Math.max(0, Math.round((read + by) * 1000) / 1000);
    return [
      old,
      {
        ...common,
        key: `new-${what}`,
        what: 'new',
        ...(told && min === undefined ? {} : { min: limit(min ?? -same) }),
        ...(told && max === undefined ? {} : { max: limit(max ?? same) }),
        outside: 'fails',
      },
    ];
  });
}
