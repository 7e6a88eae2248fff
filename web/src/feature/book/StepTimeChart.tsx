import { scaleLinear } from 'd3-scale';
import { minutesText } from '#contract/wording/minutes-text.ts';
import { say } from '#contract/wording/say.ts';
import type { StepSpread } from '#core/record/step-times.ts';

const WIDTH = 420;
const HEIGHT = 34;
const BAR = { y: 8, height: 18 };
const EDGE = 6;

/** Minutes of a step; a single act may take none. */
export const tookText = (minutes: number): string => (minutes < 1 ? say('under a minute') : minutesText(minutes));

/** What a step took: the middle half of the jobs as a bar, half of them as a line, the sheet's own minutes as a frame from nothing. */
export function StepTimeChart({ spread, longestMin }: { spread: StepSpread; longestMin: number }) {
  const { text, plannedMin, quarterMin, medianMin, threeQuartersMin, jobs } = spread;
  const x = scaleLinear()
    .domain([0, Math.max(1, longestMin)])
    .range([EDGE, WIDTH - EDGE]);
  const late = plannedMin !== undefined && medianMin > plannedMin;
  const words = say(
    '{text}: half of {jobs} jobs took {tookText} or less, the middle half {tookText2} to {tookText3}{which}',
    {
      text,
      jobs,
      tookText: tookText(medianMin),
      tookText2: tookText(quarterMin),
      tookText3: tookText(threeQuartersMin),
      which:
        plannedMin === undefined ? '' : say(', the sheet says {minutesText}', { minutesText: minutesText(plannedMin) }),
    },
  );
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="img" aria-label={words} className="w-full max-w-md bg-sheet">
      {plannedMin !== undefined && (
        <rect
          data-part="planned"
          x={x(0)}
          y={3}
          width={x(plannedMin) - x(0)}
          height={HEIGHT - 6}
          fill="var(--band)"
          stroke="var(--ink-2)"
        />
      )}
      <rect
        data-part="took"
        x={x(quarterMin)}
        y={BAR.y}
        width={Math.max(2, x(threeQuartersMin) - x(quarterMin))}
        height={BAR.height}
        fill={late ? 'var(--bad)' : 'var(--ink)'}
      />
      <line x1={x(medianMin)} x2={x(medianMin)} y1={2} y2={HEIGHT - 2} stroke="#ffd21f" strokeWidth={4} />
    </svg>
  );
}
