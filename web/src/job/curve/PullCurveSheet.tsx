import { useMemo } from 'react';
import { TRACE_WORDS } from '#contract/wording/en/trace.ts';
import { pullShown } from '#contract/wording/joint-text.ts';
import { midSentence, say } from '#contract/wording/say.ts';
import { evidenceText } from '#contract/wording/trace-text.ts';
import type { Pull } from '#core/job/job-state.ts';
import { stationState } from '#core/job/job-state.ts';
import { pullBand } from '#core/job/next-station.ts';
import { traceJointOf } from '#core/job/pull-curve.ts';
import type { PlanStation } from '#core/kit/plan.ts';
import { showTorqueIn } from '#core/quantity/display.ts';
import { printedTorqueUnit } from '#core/quantity/parse-printed.ts';
import { fromBase } from '#core/quantity/unit.ts';
import { fromContact } from '#core/trace/from-contact.ts';
import { judgeTrace } from '#core/trace/judge-trace.ts';
import { unpackTrace } from '#core/trace/pack-trace.ts';
import type { TraceSample } from '#core/trace/pull-trace.ts';
import { Curve, type CurveSeries } from '../../drawing/Curve.tsx';
import { useSettings } from '../../shop/settings.ts';
import { Sheet } from '../../ui/Sheet.tsx';
import { tell } from '../../ui/tell.ts';
import { useOpenJob } from '../use-open-job.ts';

/** The curve of one pull, over those of its neighbours, with what it was taken for, why, and what to do. */
export default function PullCurveSheet({
  station,
  pull,
  onClose,
}: {
  station: PlanStation;
  pull: Pull;
  onClose: () => void;
}) {
  const { plan, state, index } = useOpenJob();
  const system = useSettings((settings) => settings.system);
  const unit = printedTorqueUnit(station.printed) ?? (system === 'metric' ? 'N·m' : 'lbf·ft');
  const inUnit = (torqueNm: number) => fromBase(torqueNm, unit);
  const written = (torqueNm: number) => `${showTorqueIn(torqueNm, unit).number} ${unit}`;
  const group = index.groups.get(station.groupId);
  const samples = useMemo(() => unpackTrace(pull.trace ?? '') ?? [], [pull.trace]);
  const verdict = useMemo(() => {
    const band = pullBand(plan, station, pull.pass);
    const joint = band && traceJointOf(plan, station, band);
    const judged = joint && samples.length > 0 ? judgeTrace(samples, joint) : undefined;
    return judged?.ok ? judged.value : undefined;
  }, [plan, station, pull.pass, samples]);
  const drawn = (of: readonly TraceSample[]) =>
    fromContact(of).map(({ angleDeg, torqueNm }) => [angleDeg, inUnit(torqueNm)] as const);
  const others: CurveSeries[] = (group?.stations ?? []).flatMap((id) => {
    const same = stationState(state, id).pulls.find(
      (other) => other.id !== pull.id && other.pass === pull.pass && other.trace !== undefined && !other.withdrawn,
    );
    const read = same?.trace === undefined ? undefined : unpackTrace(same.trace);
    return read && read.length > 0
      ? [
          {
            key: id,
            label: say('station {label}', { label: index.stations.get(id)?.label }),
            points: drawn(read),
            tone: 'faint' as const,
          },
        ]
      : [];
  });
  const everyDeg = [...others.flatMap(({ points }) => points), ...drawn(samples)].map(([deg]) => deg);
  const [low, high] = [inUnit(pull.minNm), inUnit(pull.maxNm ?? pull.minNm)];
  const window =
    pull.maxNm === undefined
      ? undefined
      : {
          label: say('{number} to {written}', {
            number: showTorqueIn(pull.minNm, unit).number,
            written: written(pull.maxNm),
          }),
          points: [Math.min(...everyDeg), Math.max(...everyDeg)].map((deg) => [deg, low, high] as const),
        };
  const words = TRACE_WORDS[pull.curve?.kind ?? 'cannotTell'];
  const warns = pull.curve !== undefined && pull.curve.kind !== 'good' && pull.curve.kind !== 'cannotTell';
  const shown = pullShown(station, { pull, stands: 'stands', stroke: false });
  return (
    <Sheet
      open
      wide
      onClose={onClose}
      title={words.name}
      description={say('Station {label}, {pulled}', { label: station.label, pulled: shown.pulled })}
    >
      {samples.length > 0 && (
        <Curve
          label={say('Torque over angle of station {label}: {name}', { label: station.label, name: words.name })}
          xLabel={say('degrees since the torque began to grow')}
          yLabel={unit}
          series={[
            ...others,
            {
              key: pull.id,
              label: say('station {label}', { label: station.label }),
              points: drawn(samples),
              tone: warns ? 'bad' : 'ink',
            },
          ]}
          band={window}
          limits={[
            {
              y: inUnit(pull.maxNm ?? pull.minNm),
              text: window
                ? say('window {label}', { label: window.label })
                : say('least {written}', { written: written(pull.minNm) }),
            },
          ]}
        />
      )}
      {others.length > 0 && (
        <p className="text-sm text-ink-2">
          {tell('Thin: the other joints of {title}, same pass.', { title: group?.title })}
        </p>
      )}
      {pull.curve && (
        <p className="mt-2">
          {tell('{value} sure{count}.', {
            value: <b className="figures">{Math.round(100 * pull.curve.confidence)} %</b>,
            count:
              pull.curve.also.length > 0 &&
              tell('. It could also be: {also}', {
                also: pull.curve.also.map((kind) => midSentence(TRACE_WORDS[kind].name)).join(', '),
              }),
          })}
        </p>
      )}
      {verdict && verdict.evidence.length > 0 && (
        <ul className="mt-1 list-disc pl-6">
          {verdict.evidence.map((entry) => (
            <li key={entry.sign}>{evidenceText(entry, written)}</li>
          ))}
        </ul>
      )}
      <dl className="mt-3 grid grid-cols-[6rem_1fr] gap-y-2 border-t-2 border-ink pt-3">
        <dt className="text-ink-2">{say('Now')}</dt>
        <dd className="text-xl">{words.now}</dd>
        <dt className="text-ink-2">{say('Beside it')}</dt>
        <dd>{words.beside}</dd>
      </dl>
      <p className="mt-3 text-sm text-ink-2">
        {say(
          'An aid from torque and angle alone. The kit’s sheet, the vehicle maker’s manual and your own eyes come first.',
        )}
      </p>
    </Sheet>
  );
}
