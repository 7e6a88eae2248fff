import { useEffect } from 'react';
import { Link, useLocation, useNavigate } from 'react-router';
import { PRACTICE, PRACTICE_HINTS } from '#contract/wording/en/practice.ts';
import { say } from '#contract/wording/say.ts';
import { useJobStore } from '../job/job-store.ts';
import { Button } from '../ui/Button.tsx';
import DrillBar from './DrillBar.tsx';
import { useDrill } from './drill-store.ts';
import { PRACTICE_JOB, TOUR } from './practice.ts';
import { practiceAgain } from './practice-server.ts';
import ReplayBar from './ReplayBar.tsx';
import { useReplay } from './replay-store.ts';

/** The bar over the practice job: of the drill where one is on, of the tour otherwise. */
export default function PracticeBar() {
  const run = useDrill((state) => state.run);
  const watched = useReplay((state) => state.document !== undefined);
  const { search, pathname } = useLocation();
  const navigate = useNavigate();
  const open = useJobStore((store) => store.open);
  // Whoever asks for the tour leaves the drill that is on.
  useEffect(() => {
    if (search !== TOUR) return;
    if (useDrill.getState().run) {
      useDrill.setState({ run: undefined, said: undefined });
      void open(PRACTICE_JOB);
    }
    navigate(pathname, { replace: true });
  }, [search, pathname, navigate, open]);
  if (watched) return <ReplayBar />;
  return run ? <DrillBar run={run} /> : <TourBar />;
}

/** What the tour says on its screens: what to do here, and the way out. */
function TourBar() {
  const screen = useLocation().pathname.split('/').at(-1) ?? '';
  const navigate = useNavigate();
  const open = useJobStore((store) => store.open);
  const said = PRACTICE_HINTS[screen];
  return (
    <aside
      aria-label={say('Practice')}
      className="flex flex-wrap items-center gap-x-5 gap-y-2 border-b-4 border-paint bg-sheet px-5 py-2 print:hidden"
    >
      <div className="min-w-64 flex-1">
        <p className="text-sm font-bold text-ink-2">{PRACTICE.nothing}</p>
        {said && (
          <p>
            <b>{said.title}.</b> {said.hint}
          </p>
        )}
      </div>
      <div className="flex gap-2">
        <Button
          className="min-h-11!"
          onClick={() => {
            practiceAgain();
            navigate(`/jobs/${PRACTICE_JOB}/check-in`);
            void open(PRACTICE_JOB);
          }}
        >
          {PRACTICE.again}
        </Button>
        <Link to="/" className="flex min-h-11 items-center border-2 border-ink bg-sheet px-4 font-bold">
          {PRACTICE.end}
        </Link>
      </div>
    </aside>
  );
}
