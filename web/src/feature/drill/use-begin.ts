import { useState } from 'react';
import { useNavigate } from 'react-router';
import { say } from '#contract/wording/say.ts';
import type { Drill } from '#core/drill/drill.ts';
import { useDrill } from '../../practice/drill-store.ts';
import { PRACTICE_JOB } from '../../practice/practice.ts';
import { useReplay } from '../../practice/replay-store.ts';

/** Begins a drill and goes to its first screen; says what is wrong with one that cannot be begun. */
export function useBegin(): { begin: (drill: Drill) => void; fault?: string } {
  const navigate = useNavigate();
  const start = useDrill((state) => state.begin);
  const [fault, setFault] = useState<string>();
  return {
    begin: (drill) => {
      useReplay.getState().end();
      const wrong = start(drill);
      setFault(
        wrong &&
          say('“{title}” cannot be begun: its kit has no plan for its answers ({wrong}).', {
            title: drill.title,
            wrong,
          }),
      );
      if (!wrong) navigate(drill.mode === 'blank' ? '/drill/lay-out' : `/jobs/${PRACTICE_JOB}/check-in`);
    },
    fault,
  };
}
