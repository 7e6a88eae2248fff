import { type FormEvent, useState } from 'react';
import { midSentence, say } from '#contract/wording/say.ts';
import { TOOL_COMES, type ToolComes } from '#core/job/arranged-tool.ts';
import type { ToolNeed } from '#core/readiness/tool-need.ts';
import { useOpenJob } from '../../job/use-open-job.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';

const COMES_TEXT: Record<ToolComes, string> = {
  owned: say('The shop owns one'),
  borrowed: say('Borrowed'),
  rented: say('Rented'),
};

/** Whether a tool is there: where it hangs, how it was got for this job, or a way to say so. */
export function ToolThere({ need }: { need: ToolNeed }) {
  const { state, give } = useOpenJob();
  const [open, setOpen] = useState(false);
  const [how, setHow] = useState<ToolComes>('borrowed');
  const [from, setFrom] = useState('');
  const { have, arranged } = need;
  if (have) return <>{have.place ?? have.name}</>;
  const whose = from.trim();
  const good = how === 'owned' || whose !== '';
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (good && give({ type: 'arrangeTool', tool: need.key, how, ...(whose === '' ? {} : { from: whose }) }))
      setOpen(false);
  };
  return (
    <>
      {arranged ? (
        <span>
          {midSentence(COMES_TEXT[arranged.how])}
          {arranged.from ? say(' from {from}', { from: arranged.from }) : ''}
        </span>
      ) : (
        <b className="text-bad">{say('none')}</b>
      )}
      {!state.closed && (
        <button type="button" className="block min-h-11 underline" onClick={() => setOpen(true)}>
          {arranged ? say('Otherwise') : say('Get it')}
          <span className="sr-only">: {need.name}</span>
        </button>
      )}
      <Sheet
        open={open}
        onClose={() => setOpen(false)}
        title={need.name}
        description={say('How does it come to this job?')}
      >
        <form onSubmit={submit} className="grid gap-3">
          <div className="grid grid-cols-3 gap-2">
            {TOOL_COMES.map((one) => (
              <Button
                key={one}
                className="px-1!"
                tone={how === one ? 'dark' : 'plain'}
                aria-pressed={how === one}
                onClick={() => setHow(one)}
              >
                {COMES_TEXT[one]}
              </Button>
            ))}
          </div>
          <label className="grid gap-1">
            <span className="font-bold">{how === 'owned' ? say('Where it lies') : say('From whom')}</span>
            <input
              className="min-h-12 border-2 border-ink bg-sheet px-3"
              maxLength={120}
              value={from}
              onChange={(event) => setFrom(event.target.value)}
            />
          </label>
          <Button type="submit" tone="primary" disabled={!good}>
            {say('Reserve it for this job')}
          </Button>
        </form>
      </Sheet>
    </>
  );
}
