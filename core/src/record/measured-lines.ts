import { type BaselineMiss, baselineMisses } from '../job/baseline-verdict.ts';
import type { JobState } from '../job/job-state.ts';
import type { When } from '../job/stamp.ts';
import { QUANTITY_UNIT } from '../kit/baseline-unit.ts';
import type { Baseline, Check } from '../kit/kit-preparation.ts';
import type { Plan } from '../kit/plan.ts';
import { checkRead } from '../kit/step-action.ts';
import type { Answer, Answers } from '../line/ask.ts';
import { checkKey } from '../line/judge-check.ts';
import { lineOf } from '../line/line.ts';
import { limitsInWords } from '../quantity/limits-in-words.ts';

/** What was read at one place, or where somebody else's word stands for it. */
export interface ReadLine {
  place?: string;
  /** At the other end of the travel first, where it is read over one. */
  values: number[];
  elsewhere?: { who: string; what: string };
  met: boolean;
}

/** A check with its readings, as it was tried last. */
export interface CheckLine extends When {
  act: string;
  text: string;
  unit: string;
  /** Absent for a step whose words hold the limit. */
  check?: Check;
  worded?: { min?: number; max?: number };
  instrument?: string;
  read: ReadLine[];
  /** How often it was tried. */
  tries: number;
}

/** A baseline at one place: before and after, and what the result misses. */
export interface BaselineLine {
  baseline: Baseline;
  place: string;
  unit: string;
  before?: { value: number; photo?: string } & When;
  after?: { value: number; photo?: string } & When;
  misses: BaselineMiss[];
}

const readingsOf = (
  places: readonly string[] | undefined,
  travel: boolean,
  answers: Answers,
  failed: readonly string[],
): ReadLine[] =>
  (places ?? [undefined]).flatMap((place): ReadLine[] => {
    const keys = travel ? [checkKey(place, 'from'), checkKey(place, 'to')] : [checkKey(place)];
    const said = keys.map((key): Answer | undefined => answers[key]);
    const values = said.filter((value): value is number => typeof value === 'number');
    const other = said.find((value): value is string[] => Array.isArray(value) && value.length === 2);
    if (values.length === 0 && !other) return [];
    return [
      {
        ...(place === undefined ? {} : { place }),
        values,
        ...(other ? { elsewhere: { who: other[0] ?? '', what: other[1] ?? '' } } : {}),
        met: !keys.some((key) => failed.includes(key)),
      },
    ];
  });

/** Every check that was measured, in the order of the line, with the readings of its last try. */
export function checkLines(plan: Plan, { visit }: JobState): CheckLine[] {
  return lineOf(plan).steps.flatMap((step) =>
    step.acts.flatMap(({ id, action }): CheckLine[] => {
      const tries = visit.acts[id]?.tries ?? [];
      const last = tries.at(-1);
      if (!last) return [];
      const check = plan.checks.find((one) => one.id === checkRead(action));
      const words = check?.text ?? (action.type === 'do' ? action.text : undefined);
      if (words === undefined) return [];
      const worded = check?.unit === undefined ? limitsInWords(words) : undefined;
      const read = readingsOf(check?.places ?? worded?.places, check?.travel !== undefined, last.answers, last.failed);
      if (read.length === 0) return [];
      const { instrument } = last.answers;
      return [
        {
          act: id,
          text: words,
          unit: check?.unit ?? worded?.unit ?? '',
          ...(check ? { check } : {}),
          ...(worded ? { worded } : {}),
          ...(typeof instrument === 'string' ? { instrument } : {}),
          read,
          tries: tries.length,
          atMs: last.atMs,
          by: last.by,
        },
      ];
    }),
  );
}

/** Every baseline at every place that was measured, before or after. */
export function baselineLines(plan: Plan, { visit }: JobState): BaselineLine[] {
  return plan.baselines.flatMap((baseline) => {
    const measured = visit.measurements[baseline.id] ?? {};
    const misses = baselineMisses(baseline, measured);
    return baseline.places.flatMap((place): BaselineLine[] => {
      const { before, after } = measured[place] ?? {};
      if (!before && !after) return [];
      return [
        {
          baseline,
          place,
          unit: QUANTITY_UNIT[baseline.quantity],
          ...(before ? { before } : {}),
          ...(after ? { after } : {}),
          misses: misses.filter((miss) => miss.place === place),
        },
      ];
    });
  });
}
