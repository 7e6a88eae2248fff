import { useState } from 'react';
import { TRACE_WORDS } from '#contract/wording/en/trace.ts';
import { numberOf } from '#contract/wording/number-of.ts';
import { midSentence, say } from '#contract/wording/say.ts';
import { written } from '#core/quantity/display.ts';
import { curveSpreads } from '#core/record/curve-spread.ts';
import { Curve, type CurveSeries } from '../../drawing/Curve.tsx';
import { useKitCurves } from '../../shop/queries.ts';
import { tell } from '../../ui/tell.ts';

/** What the curves of a kit's joints were in each of its revisions: another bolt or coating shows in them. */
export function CurvePages({ kit, stations }: { kit: string; stations: readonly string[] }) {
  const [station, setStation] = useState(stations[0] ?? '');
  if (stations.length === 0) return null;
  return (
    <section aria-label={say('Its curves over the revisions')} className="lg:col-span-2">
      <h2 className="plate border-b-2 border-ink pb-2 text-2xl">{say('Its curves over the revisions')}</h2>
      <label className="mt-3 block max-w-xl">
        <span className="text-sm text-ink-2">{say('Station')}</span>
        <select
          className="min-h-14 w-full border-2 border-ink bg-sheet px-3"
          value={station}
          onChange={(event) => setStation(event.target.value)}
        >
          {stations.map((name) => (
            <option key={name}>{name}</option>
          ))}
        </select>
      </label>
      <StationCurves key={station} kit={kit} station={station} />
    </section>
  );
}

function StationCurves({ kit, station }: { kit: string; station: string }) {
  const { data, failure } = useKitCurves(kit, station);
  if (failure)
    return (
      <p role="alert" className="mt-3 font-bold text-bad">
        {failure}
      </p>
    );
  if (!data) return <p className="mt-3 text-ink-2">{say('Looking them up.')}</p>;
  const spreads = curveSpreads(data.curves);
  const [newest] = spreads;
  if (!newest) return <p className="py-2 text-ink-2">{say('No wrench has given a curve of it yet.')}</p>;
  const series = data.curves
    .map(
      ({ revision, job, atMs, points }): CurveSeries => ({
        key: `${job} ${atMs}`,
        label: say('revision {revision}', { revision }),
        points,
        tone: revision === newest.revision ? 'ink' : 'faint',
        // Curves of earlier revisions are told apart without colour too.
        dashed: revision !== newest.revision,
      }),
    )
    // The newest are drawn last, over the others.
    .reverse();
  return (
    <div className="mt-3 grid gap-4 lg:grid-cols-[minmax(0,1fr)_minmax(0,24rem)]">
      <Curve
        label={say('Torque over angle of {station}, {numberOf}', {
          station,
          numberOf: numberOf(data.curves.length, 'pull'),
        })}
        xLabel={say('degrees since the torque began to grow')}
        yLabel="N·m"
        series={series}
      />
      <div>
        <table className="w-full text-left">
          <caption className="pb-1 text-left text-sm text-ink-2">
            {tell('Solid: revision {revision}. Dashed: earlier ones.', { revision: newest.revision })}
          </caption>
          <thead>
            <tr className="border-b-2 border-ink">
              <th scope="col" className="py-1">
                {say('Revision')}
              </th>
              <th scope="col">{say('Curves')}</th>
              <th scope="col">{say('N·m per degree')}</th>
            </tr>
          </thead>
          <tbody>
            {spreads.map(({ revision, curves, slope, kinds }) => (
              <tr key={revision} className="border-b border-hair align-top">
                <th scope="row" className="figures py-2">
                  {revision}
                </th>
                <td className="figures py-2">{curves}</td>
                <td className="py-2">
                  {slope ? (
                    <span className="figures">
                      {written(slope.median, 2)}{' '}
                      <span className="text-sm text-ink-2">
                        {tell('{low} to {high}', { low: written(slope.low, 2), high: written(slope.high, 2) })}
                      </span>
                    </span>
                  ) : (
                    say('no straight part')
                  )}
                  <span className="block text-sm">
                    {kinds.map(({ kind, times }) => `${midSentence(TRACE_WORDS[kind].name)} ${times}`).join(', ')}
                  </span>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        <p className="mt-2 text-sm text-ink-2">
          {say(
            'The middle of all, and the middle half. A steeper revision is stiffer or drier, a flatter one softer or slipperier; which of both, torque and angle alone do not tell.',
          )}
        </p>
      </div>
    </div>
  );
}
