import { lazy, Suspense } from 'react';
import { say } from '#contract/wording/say.ts';
import { useBacklog } from '../job/backlog.ts';
import { useUnkept } from '../job/unkept.ts';
import { useStorage } from '../shop/storage-watch.ts';
import { tell } from '../ui/tell.ts';

const UnkeptAlarm = lazy(() => import('./UnkeptAlarm.tsx'));

/** What threatens the entries this device keeps, over every screen; nothing while all is well. */
export function DeviceAlarm() {
  const anyUnkept = useUnkept((state) => state.entries.length > 0);
  return (
    <>
      {anyUnkept && (
        <Suspense fallback={<p role="alert">{say('Something you did is not kept on this device.')}</p>}>
          <UnkeptAlarm />
        </Suspense>
      )}
      <StoreAlarm />
    </>
  );
}

function StoreAlarm() {
  const fails = useBacklog((state) => state.storeFails);
  const { low, left } = useStorage();
  if (fails)
    return (
      <p role="alert" className="bg-bad px-5 py-3 text-sheet">
        {tell('{b} What is entered here cannot be kept: work on another device, and restart this one.', {
          b: <b>{say('This device’s store does not answer.')}</b>,
        })}
      </p>
    );
  if (!low) return null;
  return (
    <p role="alert" className="border-b-2 border-bad bg-sheet px-5 py-2">
      {tell('{b}  {left} MB left for what is entered without the network. Make room on it.', {
        b: <b className="text-bad">{say('Little room on this device:')}</b>,
        left: Math.floor((left ?? 0) / 1e6),
      })}
    </p>
  );
}
