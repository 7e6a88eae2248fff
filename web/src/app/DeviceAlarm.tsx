import { useBacklog } from '../job/backlog.ts';
import { useStorage } from '../shop/storage-watch.ts';

/** What threatens the entries this device keeps, over every screen; nothing while all is well. */
export function DeviceAlarm() {
  const fails = useBacklog((state) => state.storeFails);
  const { low, left } = useStorage();
  if (fails)
    return (
      <p role="alert" className="bg-bad px-5 py-3 text-sheet">
        <b>This device’s store does not answer.</b> What is entered here cannot be kept: work on another device, and
        restart this one.
      </p>
    );
  if (!low) return null;
  return (
    <p role="alert" className="border-b-2 border-bad bg-sheet px-5 py-2">
      <b className="text-bad">Little room on this device:</b> {Math.floor((left ?? 0) / 1e6)} MB left for what is
      entered without the network. Make room on it.
    </p>
  );
}
