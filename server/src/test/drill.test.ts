import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { AssignmentCard, AttemptAnswer, AttemptCard, DrillCard, LearnerCard } from '#contract/drill.ts';
import type { Drill } from '#core/drill/drill.ts';
import { meantLog } from '#core/drill/drill-run.ts';
import { FELT } from '#core/drill/mastery.ts';
import { placesOf } from '#core/drill/place-faults.ts';
import { playDrill, STYLES } from '#core/drill/scripted-learner.ts';
import { demoDrills } from '#demo/drills.ts';
import { type Device, fitter, startTestServer, type TestServer } from './harness.ts';

let server: TestServer;
let lead: Device;
let mira: Device;
let hob: Device;
const folder = mkdtempSync(join(tmpdir(), 'wm-drill-'));
beforeAll(async () => {
  server = await startTestServer();
  lead = await fitter(server, 'u-orrin', '1357');
  mira = await fitter(server);
  hob = await fitter(server, 'u-hob', '1122');
});
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true });
  await server.stop();
});

const read = async <T>(device: Device, path: string): Promise<T> =>
  (await device.request('GET', path)).json() as Promise<T>;
const shelf = () => read<DrillCard[]>(mira, '/api/drills');
const jobsAndEvents = async () => {
  const jobs = (await (await mira.request('GET', '/api/jobs?from=0&to=9999999999999')).json()) as unknown;
  const book = (await (await mira.request('GET', '/api/book')).json()) as unknown;
  return JSON.stringify([jobs, book]);
};

describe('the shelf of drills', () => {
  it('has the demo’s four, each at least as hard as the one before', async () => {
    const drills = await shelf();
    expect(drills.map(({ title }) => title)).toEqual(demoDrills().map(({ title }) => title));
    const levels = drills.map(({ level }) => level);
    expect(levels).toEqual([...levels].sort((a, b) => a - b));
    expect(await read<Drill>(hob, `/api/drills/${drills[0]?.id}`)).toMatchObject({ seed: 101, mode: 'guided' });
  });
  it('takes a drill from a lead alone, and one that cannot be worked from nobody', async () => {
    const [drill] = demoDrills() as [Drill];
    expect((await mira.request('POST', '/api/drills', drill)).status).toBe(403);
    const faulty = { ...drill, faults: [{ kind: 'short', target: 'no-such-line' }] };
    const refused = await lead.request('POST', '/api/drills', faulty);
    expect(refused.status).toBe(422);
    expect(JSON.stringify(await refused.json())).toContain('no-such-line');
    expect((await lead.request('POST', '/api/drills', { ...drill, seed: -1 })).status).toBe(422);
    const made = await lead.request('POST', '/api/drills', { ...drill, title: 'Another one' });
    expect(made.status).toBe(201);
    const { id } = (await made.json()) as { id: string };
    expect((await shelf()).at(-1)).toMatchObject({ id, title: 'Another one', madeBy: 'Rafe Orrin' });
    expect((await mira.request('DELETE', `/api/drills/${id}`)).status).toBe(403);
    expect((await lead.request('DELETE', `/api/drills/${id}`)).status).toBe(200);
    expect((await lead.request('DELETE', `/api/drills/${id}`)).status).toBe(404);
    expect((await shelf()).some((card) => card.id === id)).toBe(false);
  });
});

describe('an attempt', () => {
  it('is judged by the server, and stands in no list of the shop', async () => {
    const before = await jobsAndEvents();
    const [drill] = demoDrills() as [Drill];
    const { attempt, verdict } = playDrill(drill, STYLES.careful, 1);
    // Whatever a page says of itself: only what was done counts.
    const boast = { ...attempt, calls: [], events: [] };
    const empty = (await (await mira.request('POST', '/api/drills/attempts', boast)).json()) as AttemptAnswer;
    expect(empty.verdict).toMatchObject({ score: 0, closed: false });
    const kept = await mira.request('POST', '/api/drills/attempts', attempt);
    expect(kept.status).toBe(201);
    const answer = (await kept.json()) as AttemptAnswer;
    expect(answer.verdict).toEqual(JSON.parse(JSON.stringify(verdict)));
    expect(await jobsAndEvents()).toBe(before);
    const [newest] = await read<AttemptCard[]>(mira, '/api/drills/attempts');
    expect(newest).toMatchObject({ id: answer.id, score: 1, caught: drill.faults.length, missed: 0 });
  });
  it('that makes no sense is refused whole', async () => {
    const [drill] = demoDrills() as [Drill];
    const { attempt } = playDrill(drill, STYLES.careful, 1);
    for (const wrong of [{ ...attempt, events: [{ type: 'nothing' }] }, { ...attempt, beganMs: 'then' }, {}])
      expect((await mira.request('POST', '/api/drills/attempts', wrong)).status).toBe(422);
  });
  it('is its learner’s: to look at, to take along, to delete, and nobody else’s', async () => {
    const [own] = await read<AttemptCard[]>(mira, '/api/drills/attempts');
    expect((await mira.request('GET', `/api/drills/attempts/${own?.id}`)).status).toBe(200);
    expect((await hob.request('GET', `/api/drills/attempts/${own?.id}`)).status).toBe(404);
    expect((await lead.request('GET', `/api/drills/attempts/${own?.id}`)).status).toBe(404);
    const taken = await read<unknown[]>(mira, '/api/drills/attempts.json');
    expect(taken).toHaveLength((await read<AttemptCard[]>(mira, '/api/drills/attempts')).length);
    expect(await (await mira.request('DELETE', '/api/drills/attempts')).json()).toEqual({ deleted: taken.length });
    expect(await read<AttemptCard[]>(mira, '/api/drills/attempts')).toEqual([]);
    expect((await read<AttemptCard[]>(hob, '/api/drills/attempts')).length).toBeGreaterThan(0);
  });
});

describe('a mentor', () => {
  it('sees what each tells by kind of fault, an apprentice only their own', async () => {
    expect((await hob.request('GET', '/api/drills/learners')).status).toBe(403);
    const learners = await read<LearnerCard[]>(lead, '/api/drills/learners');
    const apprentice = learners.find(({ person }) => person === 'u-hob');
    expect(apprentice?.attempts).toBeGreaterThan(3);
    const told = apprentice?.mastery.filter(({ mastered }) => mastered).length ?? 0;
    expect(told).toBeGreaterThan(0);
    expect(told).toBeLessThan(apprentice?.mastery.length ?? 0);
    expect(JSON.stringify(learners)).not.toContain('stationStarted');
    expect(await read<LearnerCard>(hob, '/api/drills/mastery')).toMatchObject({ person: 'u-hob' });
    expect(learners.some(({ person }) => person === 'u-ismay')).toBe(false);
  });
  it('asks for a drill, sees it done, and signs it off once', async () => {
    const [drill] = await shelf();
    const ask = { person: 'u-tamsin', drill: drill?.id, comment: 'By Friday.' };
    expect((await hob.request('POST', '/api/drills/assignments', ask)).status).toBe(403);
    expect((await lead.request('POST', '/api/drills/assignments', { ...ask, person: 'u-nobody' })).status).toBe(422);
    const { id } = (await (await lead.request('POST', '/api/drills/assignments', ask)).json()) as { id: string };
    const tamsin = await fitter(server, 'u-tamsin', '3690');
    const of = async (device: Device) =>
      (await read<AssignmentCard[]>(device, '/api/drills/assignments')).find((entry) => entry.id === id);
    expect(await of(tamsin)).toMatchObject({ title: drill?.title, by: 'Rafe Orrin', comment: 'By Friday.' });
    expect((await of(tamsin))?.attempt).toBeUndefined();
    expect(await of(hob)).toBeUndefined();
    const body = await read<Drill>(tamsin, `/api/drills/${drill?.id}`);
    const done = playDrill(body, STYLES.careful, 2).attempt;
    for (const device of [mira, hob]) await device.request('POST', '/api/drills/attempts', done);
    const answer = (await (await tamsin.request('POST', '/api/drills/attempts', done)).json()) as AttemptAnswer;
    expect(answer.pace).toEqual({ others: { minutes: expect.any(Number), people: 2 } });
    const again = (await (await tamsin.request('POST', '/api/drills/attempts', done)).json()) as AttemptAnswer;
    expect(again.pace.own).toEqual({ minutes: answer.verdict.minutes, times: 1 });
    expect((await of(lead))?.attempt).toMatchObject({ score: 1 });
    const sign = () => lead.request('POST', `/api/drills/assignments/${id}/sign`, { comment: 'Clean.' });
    expect((await sign()).status).toBe(200);
    expect((await sign()).status).toBe(404);
    expect(await of(tamsin)).toMatchObject({ signed: { by: 'Rafe Orrin', comment: 'Clean.' } });
  });
  it('gives a certificate that another program can read', async () => {
    expect((await hob.request('GET', '/api/drills/learners/u-tamsin/certificate.pdf')).status).toBe(422);
    const answer = await lead.request('GET', '/api/drills/learners/u-hob/certificate.pdf');
    expect(answer.headers.get('content-type')).toBe('application/pdf');
    const file = join(folder, 'certificate.pdf');
    writeFileSync(file, Buffer.from(await answer.arrayBuffer()));
    const text = spawnSync('pdftotext', ['-layout', file, '-']).stdout.toString();
    expect(text).toContain('Hob Larkmoor');
    expect(text).toContain('First bag: what is there and what is not');
    expect(text).toContain('101');
    expect(text).toContain('no approval');
  });
});

describe('a house that asks apprentices to practise first', () => {
  const unpractised = async (id: string) => (await mira.job(id)).unpractised;
  const open = async (vehicle: string, rules: object | null) => {
    await server.source.query('UPDATE shop SET house_rules = ?', [rules && JSON.stringify(rules)]);
    const asked = { vehicle, kits: ['transfer-case-guard'], answers: {}, bay: 2, plannedStartMs: Date.now() };
    const opened = await mira.request('POST', '/api/jobs', asked);
    await server.source.query('UPDATE shop SET house_rules = NULL');
    return ((await opened.json()) as { id: string }).id;
  };
  it('sends a job the apprentices who have not, until they have spotted twice what each bad pull feels like', async () => {
    const id = await open('v-carrick', { apprenticePulls: 'practised' });
    expect(await unpractised(id)).toEqual(['u-hob']);
    for (const kind of FELT) {
      const [drill] = demoDrills().flatMap((one): Drill[] => {
        const meant = meantLog(one);
        const [place] = meant.ok ? placesOf(meant.value.plan, kind) : [];
        return place ? [{ ...one, faults: [place] }] : [];
      });
      for (const seed of [1, 2]) {
        const { attempt } = playDrill(drill as Drill, STYLES.careful, seed);
        expect((await hob.request('POST', '/api/drills/attempts', attempt)).status).toBe(201);
      }
    }
    expect(await unpractised(id)).toEqual([]);
  });
  it('says nothing of it where the house does not ask', async () => {
    expect(await unpractised(await open('v-carrick', null))).toBeUndefined();
  });
});
