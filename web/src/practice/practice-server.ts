import type { CommandBatchAnswer, CommandResult, JobDocument, RecordCheck, StoredEvent } from '#contract/job.ts';
import type { JobCommand } from '#core/job/acts.ts';
import { type JobLog, openLog, takeCommand } from '#core/job/job-log.ts';
import { OPENED_NOW } from '#core/kit/house-rules.ts';
import type { Vehicle } from '#core/vehicle/vehicle.ts';
import { dayOf } from '#core/wrench/suitable-wrench.ts';
import type { Wrench } from '#core/wrench/wrench.ts';
import { useSession } from '../shop/session.ts';
import { PRACTICE_JOB } from './practice.ts';
import { PRACTICE_KIT } from './practice-kit.ts';

const YEAR_MS = 365 * 86_400_000;

const VEHICLE: Vehicle = {
  id: 'practice',
  make: 'Tolvan',
  model: 'Carrick 3.0',
  plate: 'PRACTICE',
  owner: 'Nobody',
  modelYear: 2019,
};

/** Two wrenches that hang nowhere. */
const wrenches = (nowMs: number): Wrench[] => [
  {
    id: 'practice-click',
    label: 'P-1',
    kind: 'click',
    squareDrive: '3/8 in',
    fullScaleNm: 60,
    lowestNm: 10,
    scaleUnit: 'N·m',
    divisionNm: 0.5,
    calibrationDueOn: dayOf(nowMs + YEAR_MS),
    live: false,
  },
];

/** The practice job: it lives on this page and goes with it. */
let job: { document: JobDocument; log: JobLog } | undefined;

function begun(): { document: JobDocument; log: JobLog } {
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
    wrenches: wrenches(nowMs),
    bottles: [],
    events: [],
    integrity: { breaks: [], open: [], sealed: false },
    unheard: [],
  };
  job = { document, log: opened.value };
  return job;
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
  const { document } = begun();
  const person = useSession.getState().session?.person;
  const by = { id: person?.id ?? '', name: person?.name ?? '', role: person?.role ?? ('fitter' as const) };
  const events: StoredEvent[] = [];
  const results = commands.map((sent): CommandResult => {
    const said = sent.text === undefined ? sent : (JSON.parse(sent.text) as SentHere);
    const { log } = begun();
    const envelope = { id: sent.id, atMs: said.atMs ?? Date.now(), by, command: said.command as JobCommand };
    const outcome = takeCommand(log, document.wrenches, envelope, { bottles: [] });
    if (!outcome.ok) return { id: sent.id, ok: false, refusal: outcome.refusal };
    for (const event of outcome.events)
      events.push({ seq: document.events.length + events.length + 1, hash: '', event });
    job = { document, log: outcome.log };
    return { id: sent.id, ok: true, repeated: outcome.repeated };
  });
  document.events = [...document.events, ...events];
  return { results, events, seq: document.events.length };
}

/** Answers what the job's screens ask, as the shop's server would. */
export async function practiceAnswer(address: string, init: RequestInit | undefined): Promise<Response> {
  const part = new URL(address, window.location.origin).pathname.split(`${PRACTICE_JOB}`)[1] ?? '';
  if (part === '' || part === '/') return Response.json(begun().document);
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
    { type: '/problems/notFound', title: 'Not in the practice job', status: 404, code: 'notFound' },
    { status: 404 },
  );
}
