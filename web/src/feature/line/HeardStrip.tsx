import { Mic } from 'lucide-react';
import { heardAsks } from '#contract/wording/heard-text.ts';
import { say } from '#contract/wording/say.ts';
import { Button } from '../../ui/Button.tsx';
import { useHeard } from './use-heard.ts';

/** What was understood of what was said, and the question it waits with. */
export default function HeardStrip() {
  const { asked, said, yes, no } = useHeard();
  return (
    <div
      role="status"
      className={`flex min-h-14 flex-wrap items-center gap-3 border-b-2 border-ink px-4 py-1 ${asked ? 'bg-paint text-on-paint' : 'bg-sheet text-ink-2'}`}
    >
      <Mic size={22} aria-hidden="true" className="shrink-0" />
      {asked ? (
        <>
          <p className="plate flex-1 text-2xl">{heardAsks(asked)}</p>
          <Button className="min-h-12!" tone="dark" onClick={yes}>
            {say('Yes')}
          </Button>
          <Button className="min-h-12!" onClick={no}>
            {say('No')}
          </Button>
        </>
      ) : (
        <p className="flex-1">{said ?? say('Listens for: done, take back, problem, say again, or a number.')}</p>
      )}
    </div>
  );
}
