import { say } from '#contract/wording/say.ts';
import { planActionText } from '#contract/wording/step-text.ts';
import type { JobState } from '#core/job/job-state.ts';
import { jointNext } from '#core/job/line-next.ts';
import { lineProgress } from '#core/job/line-progress.ts';
import { threadHasSet } from '#core/job/locker-window.ts';
import { pullBand } from '#core/job/next-station.ts';
import { stageBand } from '#core/job/procedure-stage.ts';
import type { Plan } from '#core/kit/plan.ts';
import { indexOf } from '#core/kit/plan.ts';
import { type LineAct, lineOf } from '#core/line/line.ts';
import { showTorqueIn } from '#core/quantity/display.ts';
import { printedTorqueUnit } from '#core/quantity/parse-printed.ts';
import { serverNowMs } from '../../shop/clock.ts';
import { useSettings } from '../../shop/settings.ts';
import { tell } from '../../ui/tell.ts';
import { farLettersPx } from './far-letters.ts';

/** How far off the large letters are read, m. */
export const FAR_M = 6;

/** What is next in letters that are read across the bay: the figure, then where. */
export function FarPanel({ plan, state, act }: { plan: Plan; state: JobState; act: LineAct | undefined }) {
  const system = useSettings((settings) => settings.system);
  const pxPerMm = useSettings((settings) => settings.pxPerMm);
  const largest = farLettersPx(FAR_M, pxPerMm);
  // Never wider than the panel: a short word fills it, a long one is read from nearer.
  const letters = (share: number, wide: number) => ({ fontSize: `min(${Math.round(largest * share)}px, ${wide}cqw)` });
  const next = act && jointNext(plan, state, act);
  const station = next && 'station' in next ? indexOf(plan).stations.get(next.station) : undefined;
  const verifies =
    station && next?.kind === 'pull'
      ? indexOf(plan).groups.get(station.groupId)?.passes[next.pass]?.kind === 'verify'
      : false;
  // Its locker has set: no figure is pulled any more, the mark is looked at.
  const atMark = station !== undefined && verifies && threadHasSet(plan, state, station, serverNowMs());
  const band = atMark
    ? undefined
    : station && next?.kind === 'pull'
      ? pullBand(plan, station, next.pass)
      : station && next?.kind === 'stage'
        ? stageBand(station, next.stage)
        : undefined;
  const unit = (station && printedTorqueUnit(station.printed)) ?? (system === 'metric' ? 'N·m' : 'lbf·ft');
  const shown = band && showTorqueIn(band.targetNm, unit);
  const done = lineProgress(plan, state).steps.size;
  const all = lineOf(plan).steps.length;
  return (
    <section
      aria-label={say('What is next, in large letters')}
      className="flex min-h-0 flex-1 flex-col justify-center overflow-hidden bg-sheet px-6 py-4"
      style={{ containerType: 'inline-size' }}
    >
      {station ? (
        <>
          <p className="figures leading-none font-bold" style={letters(1, shown ? 24 : 16)}>
            {shown ? shown.number : atMark ? say('Mark', {}, 'stripe') : stageWord(next?.kind)}
            {shown && <span style={letters(0.5, 12)}> {shown.unit}</span>}
            {band?.angle && <span style={letters(0.5, 12)}> + {Math.round(band.angle.targetDeg)}°</span>}
          </p>
          <p className="plate mt-2 leading-none font-bold" style={letters(0.7, 16)}>
            <span style={letters(0.4, 9)}>{say('Station')} </span>
            {station.label}
          </p>
          <p className="mt-2 leading-tight text-balance" style={letters(0.3, 7)}>
            {station.name}
          </p>
        </>
      ) : (
        <p className="plate leading-none text-balance" style={letters(0.5, 11)}>
          {act ? planActionText(plan, act.action) : done === all ? say('The line is done') : say('Waits')}
        </p>
      )}
      <p className="figures mt-4 text-ink-2" style={letters(0.2, 5)}>
        {tell('{done} of {all} steps', { done, all })}
      </p>
    </section>
  );
}

/** What is done at a station that has no figure yet. */
const stageWord = (kind: string | undefined): string =>
  ({
    start: say('By hand'),
    compound: say('Bead'),
    snug: say('Snug'),
    loosen: say('Loosen'),
    confirmStop: say('To its stop'),
    stage: say('Stage'),
  })[kind ?? ''] ?? '';
