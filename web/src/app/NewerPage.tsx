import { say } from '#contract/wording/say.ts';
import { counted, useBacklog } from '../job/backlog.ts';
import { loadNewer, useNewerPage } from '../shop/newer-page.ts';
import { Button } from '../ui/Button.tsx';

/** A newer Wrenchman is on the server: this page goes on working, and is loaded anew once nothing waits on it. */
export function NewerPage() {
  const newer = useNewerPage((state) => state.newer);
  const waiting = useBacklog((state) => counted(state.entries).waiting);
  if (!newer) return null;
  return (
    <div
      role="status"
      className="flex flex-wrap items-center justify-between gap-3 border-b-2 border-ink bg-sheet px-5 py-2 print:hidden"
    >
      <p className="min-w-60 flex-1">
        <b>{say('A newer Wrenchman is on the server.')}</b>{' '}
        {waiting > 0
          ? say('This one goes on until what waits here is sent: {waiting}.', { waiting })
          : say('This one goes on working; load the new one when it suits.')}
      </p>
      <Button className="min-h-11!" disabled={waiting > 0} onClick={() => void loadNewer()}>
        {say('Load it')}
      </Button>
    </div>
  );
}
