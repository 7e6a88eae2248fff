import type { OwnSettings } from '#contract/own-settings.ts';
import { api, call } from './api.ts';
import { useSession } from './session.ts';
import { type Settings, useSettings } from './settings.ts';

const OWN = ['system', 'hand', 'textSize', 'pedalKey'] as const satisfies ReadonlyArray<keyof OwnSettings>;

const ownOf = (settings: Settings): OwnSettings => {
  const { system, hand, textSize, pedalKey } = settings;
  return { system, hand, textSize, pedalKey };
};

const USUAL: OwnSettings = { system: 'metric', hand: 'right', textSize: 'normal', pedalKey: '' };

/** How long after a change it is kept, ms: a slide through the choices is one. */
const KEEP_AFTER_MS = 500;

/**
 * Lets what a person likes go with them: put on when they take over this device, and kept at the server when they change
 * it here.
 *
 * @returns how to stop
 */
export function followOwnSettings(): () => void {
  let putOn: OwnSettings | undefined;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const take = () => {
    const { session } = useSession.getState();
    if (!session || session.own === putOn) return;
    // Somebody who never said what they like does not get what the one before them liked.
    const own = session.own ?? { ...USUAL, system: session.shop.rules?.units ?? USUAL.system };
    putOn = session.own;
    useSettings.getState().set(own);
  };
  take();
  const stopSession = useSession.subscribe(take);
  const stopSettings = useSettings.subscribe((after, before) => {
    if (OWN.every((field) => after[field] === before[field])) return;
    if (putOn && OWN.every((field) => after[field] === putOn?.[field])) return;
    if (useSession.getState().status !== 'signedIn') return;
    clearTimeout(timer);
    timer = setTimeout(() => {
      // Without the server it holds on this device, and is not carried on to others.
      void call(api.session.own.$put({ json: ownOf(useSettings.getState()) })).catch(() => undefined);
    }, KEEP_AFTER_MS);
  });
  return () => {
    stopSession();
    stopSettings();
    clearTimeout(timer);
  };
}
