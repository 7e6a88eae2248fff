import { CloudOff, RefreshCw } from 'lucide-react';
import { lazy, Suspense, useEffect } from 'react';
import { Link, Outlet, useParams } from 'react-router';
import { say } from '#contract/wording/say.ts';
import { phaseProgress } from '#core/job/job-progress.ts';
import { HelpSheet } from '../app/HelpSheet.tsx';
import { PersonMenu } from '../app/PersonMenu.tsx';
import { WaitingBadge } from '../app/WaitingBadge.tsx';
import { PhaseRule, rulePhases } from '../drawing/PhaseRule.tsx';
import { isPractice } from '../practice/practice.ts';
import { Notice } from '../ui/Notice.tsx';
import { tell } from '../ui/tell.ts';
import { CalledOffNotice } from './CalledOffNotice.tsx';
import { ClockBar } from './ClockBar.tsx';
import { useJobStore } from './job-store.ts';
import { useShortcuts } from './shortcuts.ts';
import { useNoteClocks } from './use-note-clocks.ts';
import { useOpenJob } from './use-open-job.ts';

/** Fetched by those who practise. */
const PracticeBar = lazy(() => import('../practice/PracticeBar.tsx'));

/** The words of all refusals, fetched with the first one: most jobs have none. */
const Refusals = lazy(() => import('./Refusals.tsx'));

/** A job with its phases; opens it, and says when it cannot. */
export default function JobShell() {
  const { jobId = '' } = useParams();
  const open = useJobStore((store) => store.open);
  const close = useJobStore((store) => store.close);
  const failure = useJobStore((store) => store.failure);
  const ready = useJobStore((store) => store.log !== undefined && store.jobId === jobId);
  useEffect(() => {
    void open(jobId);
    return close;
  }, [jobId, open, close]);
  const home = { to: '/', label: say('To the bays') };
  if (failure === 'unknownJob')
    return <Notice title={say('No such job')} detail={say('This shop has no job at this address.')} secondary={home} />;
  if (failure === 'broken')
    return (
      <Notice
        title={say('Job cannot be shown')}
        detail={say('Its kit no longer resolves for its answers. The record is safe on the server.')}
        secondary={home}
      />
    );
  if (failure === 'outdated')
    return (
      <Notice
        title={say('A newer Wrenchman is on the server')}
        detail={say(
          'It has recorded what this version cannot read. Reload to get the new one; what you have entered here is kept and sent then.',
        )}
        action={say('Reload')}
        onAction={() => location.reload()}
        secondary={home}
      />
    );
  if (failure === 'unreachable') {
    return (
      <Notice
        title={say('Not reachable')}
        detail={say(
          'The server does not answer, and this job was never opened on this device. Trying again by itself.',
        )}
        action={say('Try now')}
        onAction={() => void open(jobId)}
        secondary={home}
      />
    );
  }
  if (!ready) return <Notice title={say('One moment')} detail={say('Opening the job.')} busy />;
  return <OpenedJob />;
}

function OpenedJob() {
  const { document, plan, state } = useOpenJob();
  const phases = phaseProgress(plan, state);
  useNoteClocks();
  const pictures = plan.figures.flatMap(({ picture, page }) => [picture, ...(page ? [page] : [])]).join(' ');
  useEffect(() => {
    if (pictures) void import('../shop/kit-pictures.ts').then(({ fetchAhead }) => fetchAhead(pictures.split(' ')));
  }, [pictures]);
  const shortcuts = useShortcuts();
  const anyRefused = useJobStore((store) => store.refused !== undefined || store.refusedLater.length > 0);
  const { vehicle } = document;
  return (
    <div className="flex min-h-dvh flex-col lg:h-dvh">
      <header className="flex flex-wrap items-stretch bg-plate text-on-plate lg:h-16 lg:flex-nowrap print:hidden">
        <Link to="/" className="flex min-w-0 flex-1 flex-col justify-center px-4 py-2 lg:w-64 lg:flex-none">
          <span className="plate truncate text-2xl" title={`${vehicle.plate} · ${vehicle.make} ${vehicle.model}`}>
            {vehicle.plate} · {vehicle.model}
          </span>
          <span className="truncate text-sm text-on-plate-2" title={`${document.number} · ${plan.title}`}>
            {document.number} · {plan.title}
          </span>
          <span className="sr-only">{say(', back to the bays')}</span>
        </Link>
        <div className="order-last w-full min-w-0 border-t border-plate-2 lg:order-none lg:w-auto lg:flex-1 lg:border-t-0 lg:border-l">
          <PhaseRule
            phases={[
              ...rulePhases(phases),
              { to: 'record', title: say('Record', {}, 'noun'), done: state.closed ? 1 : 0, of: 1 },
            ]}
          />
        </div>
        <div className="flex shrink-0 items-center gap-1 px-3 lg:border-l lg:border-plate-2">
          <span className="flex min-w-6 justify-end">
            <LinkState />
          </span>
          <HelpSheet shortcuts={shortcuts} />
          <WaitingBadge />
          <PersonMenu />
        </div>
      </header>
      {isPractice(document.id) && (
        <Suspense fallback={null}>
          <PracticeBar />
        </Suspense>
      )}
      <ClockBar job={document.id} />
      {document.calledOff && <CalledOffNotice calledOff={document.calledOff} />}
      {anyRefused && (
        <Suspense fallback={null}>
          <Refusals />
        </Suspense>
      )}
      {state.closed && (
        <p className="border-b-2 border-ink bg-sheet px-5 py-2 print:hidden">
          {tell('Closed and signed by {signature}. The record stands; nothing more can be changed.', {
            signature: <b>{state.closed.signature}</b>,
          })}
        </p>
      )}
      <div className="flex flex-1 flex-col lg:min-h-0">
        <Outlet />
      </div>
    </div>
  );
}

/** How this device stands with the server; quiet while all is well. */
function LinkState() {
  const link = useJobStore((store) => store.link);
  const pending = useJobStore((store) => store.pending.length);
  if (link === 'live' && pending === 0) return <span className="sr-only">{say('Saved on the server')}</span>;
  if (link === 'offline') {
    return (
      <span role="status" className="flex items-center gap-2 bg-sheet px-2 py-1 text-sm text-ink">
        <CloudOff size={18} aria-hidden="true" />
        <span>
          {tell('Offline{which}', {
            which: (
              <span className="hidden xl:inline">
                , {pending === 0 ? say('nothing waiting') : say('{pending} kept here', { pending })}
              </span>
            ),
          })}
        </span>
      </span>
    );
  }
  return (
    <span role="status" className="text-on-plate-2">
      <RefreshCw size={16} aria-hidden="true" />
      <span className="sr-only">{pending > 0 ? say('Sending {pending}', { pending }) : say('Connecting')}</span>
    </span>
  );
}
