import { Pause, Play, SkipForward } from 'lucide-react';
import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import { DRILL } from '#contract/wording/en/drill.ts';
import { say } from '#contract/wording/say.ts';
import { gapBefore } from '#core/drill/replay.ts';
import { useJobStore } from '../job/job-store.ts';
import { Button } from '../ui/Button.tsx';
import { tell } from '../ui/tell.ts';
import { PRACTICE_JOB } from './practice.ts';
import { useReplay } from './replay-store.ts';

const SPEEDS = [1, 10, 30, 100, 1000];

/** A closed job goes by as it was done, at any speed, with nobody's name in it. */
export default function ReplayBar() {
  const { document, shown, playing, speed, step, goTo, set, end } = useReplay();
  const navigate = useNavigate();
  const open = useJobStore((store) => store.open);
  const listening = useJobStore((store) => store.link === 'live');
  const events = document?.events ?? [];
  useEffect(() => {
    if (!playing || !listening) return;
    const wait = gapBefore(
      events.map(({ event }) => event),
      shown,
      speed,
    );
    const timer = setTimeout(step, Math.max(40, wait));
    return () => clearTimeout(timer);
  }, [events, shown, playing, speed, step, listening]);
  if (!document) return null;
  const show = (count: number) => {
    goTo(count);
    void open(PRACTICE_JOB);
  };
  return (
    <aside
      aria-label={DRILL.replay}
      className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b-4 border-paint bg-bench px-5 py-2 print:hidden"
    >
      <p className="min-w-40 flex-1">
        <b>{DRILL.replay}</b>
        <span className="block text-sm text-ink-2">{DRILL.replayWhy}</span>
      </p>
      <Button
        className="min-h-11!"
        aria-label={playing ? say('Stop') : say('Go on')}
        onClick={() => set({ playing: !playing })}
        disabled={shown >= events.length}
      >
        {playing ? <Pause size={20} aria-hidden="true" /> : <Play size={20} aria-hidden="true" />}
      </Button>
      <Button
        className="min-h-11!"
        aria-label={say('One step')}
        onClick={() => step()}
        disabled={shown >= events.length}
      >
        <SkipForward size={20} aria-hidden="true" />
      </Button>
      <label className="flex items-center gap-2">
        <span className="text-sm">{say('Speed')}</span>
        <select
          className="figures min-h-11 border-2 border-ink bg-sheet px-2"
          value={speed}
          onChange={(event) => set({ speed: Number(event.target.value) })}
        >
          {SPEEDS.map((times) => (
            <option key={times} value={times}>
              {times}×
            </option>
          ))}
        </select>
      </label>
      <label className="flex min-w-40 flex-1 items-center gap-2">
        <span className="sr-only">{say('Where in the job')}</span>
        <input
          type="range"
          min={0}
          max={events.length}
          value={shown}
          className="h-11 w-full accent-ink"
          onChange={(event) => show(Number(event.target.value))}
        />
        <span className="figures text-sm whitespace-nowrap">
          {tell('{shown} of {count}', { shown, count: events.length })}
        </span>
      </label>
      <Button
        className="min-h-11!"
        onClick={() => {
          end();
          navigate('/drill');
        }}
      >
        {DRILL.end}
      </Button>
    </aside>
  );
}
