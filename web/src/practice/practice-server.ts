import type { CommandBatchAnswer, CommandResult, JobDocument, RecordCheck, StoredEvent } from '#contract/job.ts';
import { say } from '#contract/wording/say.ts';
import { type DrillRun, drillCommand } from '#core/drill/drill-run.ts';
import type { JobCommand, JobEvent } from '#core/job/acts.ts';
import type { CommandEnvelope } from '#core/job/command-envelope.ts';
import { type JobLog, openLog, takeCommand } from '#core/job/job-log.ts';
import type { Refusal } from '#core/job/refusal.ts';
import { OPENED_NOW } from '#core/kit/house-rules.ts';
import type { Vehicle } from '#core/vehicle/vehicle.ts';
import { roleInDrill } from '../job/in-drill.ts';
import { useSession } from '../shop/session.ts';
import { useDrill } from './drill-store.ts';
import { PRACTICE_JOB } from './practice.ts';
import { PRACTICE_KIT } from './practice-kit.ts';
import { practiceWrenches } from './practice-wrenches.ts';
import { useReplay } from './replay-store.ts';

const VEHICLE: Vehicle = {
  id: 'practice',
  make: 'Tolvan',
  model: 'Carrick 3.0',
  plate: 'PRACTICE',
  owner: say('Nobody'),
  modelYear: 2019,
};

/** A vehicle that answers nothing: the drill's own answers hold. */
const DRILLED_VEHICLE: Vehicle = {
  id: 'drill',
  make: 'Tolvan',
  model: 'Carrick',
  plate: 'DRILL',
  owner: say('Nobody'),
  fitted: [],
};

/** The practice job: it lives on this page and goes with it. */
let job: { document: JobDocument; log: JobLog } | undefined;

function begun(): { document: JobDocument; log: JobLog } {
  const { run } = useDrill.getState();
  if (run) return drilled(run);
  if (job) return job;
  const nowMs = Date.now();
  const shop = { name: useSession.getState().session?.shop.name ?? '', ...OPENED_NOW };
  const kits = [{ document: PRACTICE_KIT, prefix: '' }];
  const opened = openLog({ kits, openedWith: [''], vehicle: VEHICLE, answers: {}, shop });
  if (!opened.ok) throw new Error('The practice kit does not resolve');
  const document: JobDocument = {
    id: PRACTICE_JOB,
    number: 'practice',
    bay: 1,
    plannedStartMs: nowMs,
    vehicle: VEHICLE,
    kits,
    openedWith: [''],
    answers: {},
    shop,
    wrenches: practiceWrenches(nowMs),
    bottles: [],
    events: [],
    integrity: { breaks: [], open: [], sealed: false },
    unheard: [],
  };
  job = { document, log: opened.value };
  return job;
}

/** A drill as the job's screens read one. */
function drilled(run: DrillRun): { document: JobDocument; log: JobLog } {
  const { setup } = run.log;
  const nowMs = useDrill.getState().beganMs;
  const document: JobDocument = {
    id: PRACTICE_JOB,
    number: 'drill',
    bay: 1,
    plannedStartMs: nowMs,
    vehicle: DRILLED_VEHICLE,
    kits: setup.kits,
    openedWith: setup.openedWith,
    answers: setup.answers,
    shop: { name: useSession.getState().session?.shop.name ?? '', ...setup.shop },
    wrenches: practiceWrenches(nowMs),
    bottles: [],
    events: run.events.map((event, at) => ({ seq: at + 1, hash: '', event })),
    integrity: { breaks: [], open: [], sealed: false },
    unheard: [],
  };
  return { document, log: run.log };
}

/** Begins it anew, with nothing done. */
export function practiceAgain(): void {
  job = undefined;
}

interface SentHere {
  id: string;
  text?: string;
  atMs?: number;
  command?: JobCommand;
}

/** Takes commands as the shop's server does, and keeps nothing. */
function take(commands: readonly SentHere[]): CommandBatchAnswer {
  const person = useSession.getState().session?.person;
  const own = person?.role ?? 'fitter';
  const role = useDrill.getState().run ? roleInDrill(own) : own;
  const by = { id: person?.id ?? '', name: person?.name ?? '', role };
  const events: StoredEvent[] = [];
  const results = commands.map((sent): CommandResult => {
    const said = sent.text === undefined ? sent : (JSON.parse(sent.text) as SentHere);
    const envelope = { id: sent.id, atMs: said.atMs ?? Date.now(), by, command: said.command as JobCommand };
    const before = begun().document.events.length;
    const taken = takeOne(envelope);
    if (taken.refusal) return { id: sent.id, ok: false, refusal: taken.refusal };
    for (const [at, event] of taken.events.entries()) events.push({ seq: before + at + 1, hash: '', event });
    return { id: sent.id, ok: true, repeated: taken.repeated };
  });
  return { results, events, seq: begun().document.events.length };
}

/** One command, of the drill where one is on, of the tour otherwise. */
function takeOne(envelope: CommandEnvelope): { events: JobEvent[]; refusal?: Refusal; repeated: boolean } {
  const { document, log } = begun();
  const { run, take: takes } = useDrill.getState();
  if (run) {
    const taken = drillCommand(run, document.wrenches, envelope);
    takes(taken.run);
    return taken;
  }
  const outcome = takeCommand(log, document.wrenches, envelope, { bottles: [] });
  if (!outcome.ok) return { events: [], refusal: outcome.refusal, repeated: false };
  const stored = outcome.events.map((event, at) => ({ seq: document.events.length + at + 1, hash: '', event }));
  job = { document: { ...document, events: [...document.events, ...stored] }, log: outcome.log };
  return { events: outcome.events, repeated: outcome.repeated };
}

/** The job that is watched, as far as it has gone. */
function watchedJob(): JobDocument | undefined {
  const { document, shown } = useReplay.getState();
  return document && { ...document, events: document.events.slice(0, shown) };
}

/** What is watched is over: nothing can be done to it. */
function refusedAll(body: string, { events }: JobDocument): CommandBatchAnswer {
  const { commands } = JSON.parse(body) as { commands: SentHere[] };
  return {
    results: commands.map(({ id }) => ({ id, ok: false, refusal: { code: 'jobClosed' } })),
    events: [],
    seq: events.length,
  };
}

/** Answers what the job's screens ask, as the shop's server would. */
export async function practiceAnswer(address: string, init: RequestInit | undefined): Promise<Response> {
  const part = new URL(address, window.location.origin).pathname.split(`${PRACTICE_JOB}`)[1] ?? '';
  const watched = watchedJob();
  if (part === '' || part === '/') return Response.json(watched ?? begun().document);
  if (part === '/commands' && watched) return Response.json(refusedAll(String(init?.body), watched));
  if (part === '/commands')
    return Response.json(take((JSON.parse(String(init?.body)) as { commands: SentHere[] }).commands));
  if (part === '/device') return new Response(null, { status: 204 });
  if (part === '/tools-out') return Response.json([]);
  if (part === '/record')
    return Response.json({
      breaks: [],
      open: [],
      sealed: false,
      unheard: [],
      anchorFaults: [],
      publicKey: '',
      lastHash: null,
    } satisfies RecordCheck);
  return Response.json(
    { type: '/problems/notFound', title: say('Not in the practice job'), status: 404, code: 'notFound' },
    { status: 404 },
  );
}
