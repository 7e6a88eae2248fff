import { solveSchedule } from '#core/schedule/solve.ts';
import { scheduleFactText } from '../../wording/schedule-text.ts';
import type { CalcInput } from '../calc-input.ts';
import { must, need } from '../joint-input.ts';

const SECONDS = 1;
const MOST_SECONDS = 600;

export function schedule({
  activities,
  lags = [],
  resources = [],
  seconds = SECONDS,
  seed = 1,
}: CalcInput<'schedule'>) {
  need('seconds', seconds, 0.01, MOST_SECONDS);
  const planned = must(
    solveSchedule(
      {
        activities,
        lags,
        resources: resources.map(({ windows, ...resource }) => ({
          ...resource,
          ...(windows
            ? {
                windows: windows.map((window): readonly [number, number] =>
                  Array.isArray(window) ? window : [window.from, window.to],
                ),
              }
            : {}),
        })),
      },
      { seconds, seed },
    ),
  );
  switch (planned.kind) {
    case 'plan': {
      const { makespan, lowerBound, optimal, starts } = planned;
      return { makespan, lowerBound, optimal, starts };
    }
    case 'infeasible':
      return {
        infeasible: { facts: planned.facts, because: planned.facts.map(scheduleFactText) },
      };
    case 'unknown':
      return { undecided: true, lowerBound: planned.lowerBound };
  }
}
