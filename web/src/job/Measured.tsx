import { baselineText, readText, wantedOf } from '#contract/wording/measured-text.ts';
import { say } from '#contract/wording/say.ts';
import type { JobState } from '#core/job/job-state.ts';
import type { Plan } from '#core/kit/plan.ts';
import { baselineLines, checkLines } from '#core/record/measured-lines.ts';
import { shopFormat } from '../shop/shop-time.ts';
import { tell } from '../ui/tell.ts';

/** Every figure that was measured: checks with what they want, and what stood before against what stands after. */
export function Measured({ plan, state }: { plan: Plan; state: JobState }) {
  const checks = checkLines(plan, state);
  const baselines = baselineLines(plan, state);
  if (checks.length + baselines.length === 0) return null;
  return (
    <section className="mt-6">
      <h2 className="plate text-3xl">{say('Measured')}</h2>
      <div className="overflow-x-auto">
        <table className="w-full min-w-160 border-t-2 border-ink text-left">
          <thead className="text-sm text-ink-2">
            <tr>
              <th className="py-1 font-normal">{say('What')}</th>
              <th className="font-normal">{say('Read')}</th>
              <th className="font-normal">{say('Wanted')}</th>
              <th className="font-normal">{say('Who, when')}</th>
            </tr>
          </thead>
          <tbody>
            {baselines.map((line) => {
              const { before, after, change, missed } = baselineText(line);
              const last = line.after ?? line.before;
              return (
                <tr key={`${line.baseline.id} ${line.place}`} className="border-t border-rule align-top">
                  <td className="py-1 pr-4">
                    {line.baseline.name}, {line.place}
                  </td>
                  <td className="figures py-1 pr-4">{tell('{before} before, {after} after', { before, after })}</td>
                  <td className={`py-1 pr-4 ${missed ? 'font-bold text-bad' : ''}`}>{change}</td>
                  <td className="py-1 text-sm">{last && `${last.by.name}, ${shopFormat(last.atMs, 'd MMM HH:mm')}`}</td>
                </tr>
              );
            })}
            {checks.map((line) => {
              const missed = line.read.some(({ met }) => !met);
              return (
                <tr key={line.act} className="border-t border-rule align-top">
                  <td className="py-1 pr-4">
                    {line.text}
                    {line.instrument && (
                      <span className="block text-sm text-ink-2">
                        {tell('with {instrument}', { instrument: line.instrument })}
                      </span>
                    )}
                  </td>
                  <td className={`figures py-1 pr-4 ${missed ? 'font-bold text-bad' : ''}`}>{readText(line)}</td>
                  <td className="py-1 pr-4">
                    {wantedOf(line)}
                    {line.tries > 1 && (
                      <span className="block text-sm text-ink-2">
                        {tell('tried {tries} times', { tries: line.tries })}
                      </span>
                    )}
                  </td>
                  <td className="py-1 text-sm">
                    {line.by.name}, {shopFormat(line.atMs, 'd MMM HH:mm')}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </section>
  );
}
