import { Route } from 'react-router';
import type { JobDocument } from '#contract/job.ts';
import type { JobCommand } from '#core/job/acts.ts';
import { type JobLog, takeCommand } from '#core/job/job-log.ts';
import type { Role } from '#core/job/role.ts';
import type { Vehicle } from '#core/vehicle/vehicle.ts';
import { DEMO_VEHICLES } from '#demo/shop.ts';
import { NOON, WRENCHES } from '#demo/try-job.ts';
import JobShell from '../job/JobShell.tsx';
import { useJobStore } from '../job/job-store.ts';
import { FITTER, Shop, stage } from './stage.tsx';

export const JOB = '11111111-1111-4111-8111-111111111111';

/** A job as a device has it, with what its log was opened from. */
export function documentOf(log: JobLog, over: Partial<JobDocument> = {}): JobDocument {
  const { kits, vehicle, answers, shop } = log.setup;
  const [stored] = DEMO_VEHICLES;
  return {
    id: JOB,
    number: '261127-1',
    bay: 2,
    plannedStartMs: NOON,
    vehicle: { ...(stored as Vehicle), ...(vehicle as Partial<Vehicle>) },
    kits: [...kits],
    openedWith: [...log.setup.openedWith],
    answers,
    shop: { name: 'Harrow Lane', ...shop },
    wrenches: WRENCHES,
    integrity: { breaks: [], open: [], sealed: true },
    unheard: [],
    events: [],
    ...over,
  };
}

interface StagedJob extends ReturnType<typeof stage> {
  /** Commands given on the screen, whether taken or not. */
  given: JobCommand[];
  log: () => JobLog;
}

/**
 * Shows a screen of a job inside its shell. What is given is decided here by the core, as on a device; nothing is sent.
 *
 * @param screen - `<Route>` of the screen, its path as in the application
 */
export function stageJob(
  screen: React.ReactNode,
  path: string,
  log: JobLog,
  { role = 'fitter' as Role, over = {} as Partial<JobDocument>, shop = new Shop() } = {},
): StagedJob {
  const given: JobCommand[] = [];
  const person = { ...FITTER.person, role };
  let serial = 0;
  useJobStore.setState({
    jobId: JOB,
    document: documentOf(log, over),
    failure: undefined,
    log,
    confirmed: log,
    confirmedSeq: 0,
    pending: [],
    refused: undefined,
    refusedLater: [],
    link: 'live',
    open: async () => undefined,
    close: () => undefined,
    dismissRefusal: () => useJobStore.setState({ refused: undefined }),
    give(command) {
      given.push(command);
      serial += 1;
      const now = useJobStore.getState().log as JobLog;
      const envelope = { id: `s-${serial}`, atMs: NOON + serial * 60_000, by: person, command };
      const outcome = takeCommand(now, WRENCHES, envelope);
      if (outcome.ok)
        useJobStore.setState({
          log: outcome.log,
          refused: undefined,
          ...(command.type === 'undo' ? {} : { lastGiven: command }),
        });
      else useJobStore.setState({ refused: { refusal: outcome.refusal, command } });
      return outcome.ok;
    },
  });
  useJobStore.setState({
    // A browser that keeps no keys: proof is leave of the shop.
    async giveProven(command, prove) {
      await prove('the command', `p-${serial}`);
      return useJobStore.getState().give(command);
    },
  });
  if (!shop.answers('POST /session/leave')) shop.on('POST /session/leave', { body: { leave: 'leave' } });
  const staged = stage(
    <Route path="/jobs/:jobId" element={<JobShell />}>
      {screen}
    </Route>,
    `/jobs/${JOB}/${path}`,
    shop,
    { ...FITTER, person },
  );
  return { ...staged, given, log: () => useJobStore.getState().log as JobLog };
}
