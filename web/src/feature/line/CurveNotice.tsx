import { lazy, Suspense, useEffect, useState } from 'react';
import { TRACE_WORDS } from '#contract/wording/en/trace.ts';
import { midSentence, say } from '#contract/wording/say.ts';
import { stationState } from '#core/job/job-state.ts';
import { curveWarns, isChecking } from '#core/job/pull-curve.ts';
import { warn } from '../../shop/chime.ts';
import { useSettings } from '../../shop/settings.ts';
import { speak } from '../../shop/speech.ts';
import { Button } from '../../ui/Button.tsx';
import { tell } from '../../ui/tell.ts';
import type { LineInHand } from './use-line.ts';

const PullCurveSheet = lazy(() => import('../../job/curve/PullCurveSheet.tsx'));

/** What the curve of your last pull says against the joint; it stays until it is read, or the joint is loosened. */
export function CurveNotice({ line }: { line: LineInHand }) {
  const { state, index, person } = line;
  const [read, setRead] = useState<string>();
  const [open, setOpen] = useState(false);
  const last = state.undoable[person];
  const station = last?.act === 'pull' ? index.stations.get(last.station) : undefined;
  const entry = station && stationState(state, station.id);
  const pull = last?.act === 'pull' ? entry?.pulls.find(({ id }) => id === last.pull) : undefined;
  const checking = station !== undefined && isChecking(index.groups.get(station.groupId), pull?.pass ?? 0);
  const warned = pull && pull.id !== read && curveWarns(pull.curve, checking) ? pull.curve.kind : undefined;
  const label = station?.label;
  const voice = useSettings((settings) => settings.voice);
  const sound = useSettings((settings) => settings.sound);
  useEffect(() => {
    if (sound && warned) warn();
  }, [sound, warned]);
  useEffect(() => {
    if (voice && warned) speak(say('Station {label}. {name}.', { label, name: TRACE_WORDS[warned].name }));
  }, [voice, warned, label]);
  if (!station || !pull || pull.id === read || state.closed || !curveWarns(pull.curve, checking)) return null;
  const words = TRACE_WORDS[pull.curve.kind];
  return (
    <section
      aria-label={say('What the curve says')}
      className="flex flex-wrap items-center gap-x-6 gap-y-2 border-b-2 border-ink bg-sheet px-5 py-2"
    >
      <p role="alert" className="min-w-60 flex-1">
        <b className="text-xl text-bad">
          {tell('Station {label}: {name}', { label: station.label, name: midSentence(words.name) })}
        </b>{' '}
        <span className="figures text-sm whitespace-nowrap text-ink-2">
          {tell('{value} % sure', { value: Math.round(100 * pull.curve.confidence) })}
        </span>
        <span className="block">{words.now}</span>
      </p>
      <Button onClick={() => setOpen(true)}>{say('See the curve')}</Button>
      <Button tone="dark" onClick={() => setRead(pull.id)}>
        {say('Seen')}
      </Button>
      {open && (
        <Suspense fallback={null}>
          <PullCurveSheet station={station} pull={pull} onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </section>
  );
}
