import { useEffect, useRef, useState } from 'react';
import { pullShown } from '#contract/wording/joint-text.ts';
import { stationState } from '#core/job/job-state.ts';
import { click, warn } from '../../../shop/chime.ts';
import { useSession } from '../../../shop/session.ts';
import { useSettings } from '../../../shop/settings.ts';
import { tell } from '../../../ui/tell.ts';
import type { TorqueStep } from './use-torque-step.ts';

/** How long an accepted reading is held before the eye, ms: the next may be pulled meanwhile. */
const HOLD_MS = 1200;

/**
 * The reading that was taken last, held for about a second where the next target stands: the screen moves on, and nobody
 * wonders what was read.
 */
export function Accepted({ torque }: { torque: TorqueStep }) {
  const { plan, state, index } = torque;
  const person = useSession((session) => session.session?.person.id ?? '');
  const last = state.undoable[person];
  const pulled =
    last?.act === 'pull' ? stationState(state, last.station).pulls.find(({ id }) => id === last.pull) : undefined;
  const sound = useSettings((settings) => settings.sound);
  const [held, setHeld] = useState<string>();
  const [seen, setSeen] = useState(pulled?.id);
  const id = pulled?.verdict === 'accepted' ? pulled.id : undefined;
  if (id !== undefined && id !== seen) {
    setSeen(id);
    setHeld(id);
  }
  useEffect(() => {
    if (held === undefined) return undefined;
    if (sound) click();
    const timer = setTimeout(() => setHeld(undefined), HOLD_MS);
    return () => clearTimeout(timer);
  }, [held, sound]);
  // What missed its band is heard as well: the eyes are on the bolt.
  const missed = pulled !== undefined && pulled.verdict !== 'accepted' ? pulled.id : undefined;
  const heard = useRef(missed);
  useEffect(() => {
    if (missed === heard.current) return;
    heard.current = missed;
    if (missed !== undefined && sound) warn();
  }, [missed, sound]);
  const station = index.stations.get(pulled?.station ?? '');
  if (!pulled || held !== pulled.id || !station) return null;
  const group = plan.groups.find(({ id: of }) => of === station.groupId);
  const { pulled: figure } = pullShown(station, {
    pull: pulled,
    pass: group?.passes[pulled.pass],
    stands: 'stands',
    stroke: false,
  });
  return (
    <div className="pointer-events-none relative z-10 h-0">
      <p
        role="status"
        className="absolute inset-x-0 top-0 flex items-baseline justify-between gap-3 border-2 border-ink bg-paint px-4 py-2 text-on-paint"
      >
        <span>{tell('Station {label} accepted', { label: <b>{station.label}</b> })}</span>
        <b className="figures text-3xl whitespace-nowrap">{figure}</b>
      </p>
    </div>
  );
}
