import { Film } from 'lucide-react';
import { useNavigate } from 'react-router';
import type { JobDocument } from '#contract/job.ts';
import { DRILL } from '#contract/wording/en/drill.ts';
import { PRACTICE_JOB } from '../../practice/practice.ts';
import { useReplay } from '../../practice/replay-store.ts';
import { Button } from '../../ui/Button.tsx';

/** Lets a closed job go by as it was done, to learn from. */
export default function WatchJob({ document }: { document: JobDocument }) {
  const begin = useReplay((state) => state.begin);
  const navigate = useNavigate();
  return (
    <Button
      className="m-4"
      onClick={() => {
        begin(document);
        navigate(`/jobs/${PRACTICE_JOB}/line`);
      }}
    >
      <Film size={20} aria-hidden="true" /> {DRILL.watch}
    </Button>
  );
}
