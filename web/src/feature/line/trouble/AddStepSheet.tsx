import { say } from '#contract/wording/say.ts';
import type { LineStep } from '#core/line/line.ts';
import { useOpenJob } from '../../../job/use-open-job.ts';
import { ReasonSheet } from '../../../ui/ReasonSheet.tsx';

/** What no sheet foresaw: a lead says how the line goes on, in a step of its own. */
export default function AddStepSheet({ before, onClose }: { before: LineStep; onClose: () => void }) {
  const { state, give } = useOpenJob();
  const open = Object.entries(state.problems).filter(([, { cleared }]) => cleared === undefined);
  const answers = new Map(open.map(([problem, { text }]) => [say('Put right: {text}', { text }), problem]));
  return (
    <ReasonSheet
      open
      onClose={onClose}
      title={say('A step before step {number}', { number: before.number })}
      label={say('What is to be done? It stands in the line and on the record.')}
      confirm={say('Put it in')}
      usual={[...answers.keys()]}
      onReason={(text) => {
        const problem = answers.get(text);
        give({ type: 'addStep', text, before: before.id, ...(problem === undefined ? {} : { problem }) });
        onClose();
      }}
    />
  );
}
