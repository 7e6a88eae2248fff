import { type FormEvent, useState } from 'react';
import { TOOL_COMES, type ToolComes } from '#core/job/arranged-tool.ts';
import type { ToolNeed } from '#core/readiness/tool-need.ts';
import { useOpenJob } from '../../job/use-open-job.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';

const COMES_TEXT: Record<ToolComes, string> = { owned: 'The shop owns one', borrowed: 'Borrowed', rented: 'Rented' };

/** Whether a tool is there: where it hangs, how it was got for this job, or a way to say so. */
export function ToolThere({ need }: { need: ToolNeed }) {
  const { state, give } = useOpenJob();
  const [how, setHow] = useState<ToolComes>();
  const [from, setFrom] = useState('');
  const { have, arranged } = need;
  if (have) return <>{have.place ?? have.name}</>;
  const say = (chosen: ToolComes, whose?: string) => {
    if (give({ type: 'arrangeTool', tool: need.key, how: chosen, ...(whose ? { from: whose } : {}) })) {
      setHow(undefined);
      setFrom('');
    }
  };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (how && from.trim() !== '') say(how, from.trim());
  };
  return (
    <>
      {arranged ? (
        <span>
          {COMES_TEXT[arranged.how].toLowerCase()}
          {arranged.from ? ` from ${arranged.from}` : ''}
        </span>
      ) : (
        <b className="text-bad">none</b>
      )}
      {!state.closed && (
        <span className="mt-1 flex flex-wrap gap-1">
          {TOOL_COMES.map((one) => (
            <Button
              key={one}
              className="min-h-11! px-2! text-sm"
              aria-pressed={arranged?.how === one}
              onClick={() => (one === 'owned' ? say(one) : setHow(one))}
            >
              {COMES_TEXT[one]}
              <span className="sr-only">: {need.name}</span>
            </Button>
          ))}
        </span>
      )}
      <Sheet
        open={how !== undefined}
        onClose={() => setHow(undefined)}
        title={`${how ? COMES_TEXT[how] : ''}: ${need.name}`}
      >
        <form onSubmit={submit} className="grid gap-3">
          <label className="grid gap-1">
            <span className="font-bold">From whom</span>
            <input
              className="min-h-12 border-2 border-ink bg-sheet px-3"
              maxLength={120}
              value={from}
              onChange={(event) => setFrom(event.target.value)}
            />
          </label>
          <Button type="submit" tone="primary" disabled={from.trim() === ''}>
            Reserve it for this job
          </Button>
        </form>
      </Sheet>
    </>
  );
}
