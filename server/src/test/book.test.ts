import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { parse } from 'csv-parse/sync';
import type { BookAnswer, BookPull, KitBook, KitCurves, WrenchBook } from '#contract/book.ts';
import type { DueItem } from '#contract/due.ts';
import type { RetorqueChoice } from '#core/hand-over/retorque-kit.ts';
import { packTrace } from '#core/trace/pack-trace.ts';
import { TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { type Device, fitter, guardToClosed, openGuard, startTestServer, type TestServer } from './harness.ts';

let server: TestServer;
let mira: Device;
let lead: Device;
let job: string;
beforeAll(async () => {
  server = await startTestServer();
  mira = await fitter(server);
  lead = await fitter(server, 'u-orrin', '1357');
  job = await openGuard(mira, { odometerKm: 120_400 });
  await mira.send(job, ...guardToClosed.map((command) => mira.input(command)));
});
afterAll(() => server.stop());

const search = async (by: Device, asked: Record<string, string | number> = {}): Promise<BookAnswer> => {
  const query = new URLSearchParams(Object.entries(asked).map(([k, v]) => [k, String(v)])).toString();
  const answer = await by.request('GET', `/api/book?${query}`);
  if (answer.status !== 200) throw new Error(`${answer.status} ${await answer.text()}`);
  return (await answer.json()) as BookAnswer;
};
/** Everything that answers, page after page. */
async function everything(by: Device, asked: Record<string, string | number> = {}): Promise<BookPull[]> {
  const all: BookPull[] = [];
  let more: Record<string, string | number> = {};
  for (let page = 0; page < 50; page++) {
    const answer = await search(by, { ...asked, ...more });
    all.push(...answer.pulls);
    const last = answer.pulls.at(-1);
    if (!answer.more || !last) return all;
    more = { beforeMs: last.atMs, beforeJob: last.job, beforeId: last.id };
  }
  throw new Error('no end of pages');
}
const pullsOf = async (id: string) =>
  (await mira.job(id)).events.flatMap(({ event }) => (event.type === 'pullRecorded' ? [event] : []));

describe('the book', () => {
  it('has every pull of every job, and says when it has them all', async () => {
    let behind = 1;
    for (let round = 0; round < 20 && behind > 0; round++) behind = (await search(lead)).behind;
    expect(behind).toBe(0);
    const mine = (await everything(lead)).filter((pull) => pull.job === job);
    const recorded = await pullsOf(job);
    expect(mine).toHaveLength(recorded.length);
    expect(mine.map(({ torqueNm }) => torqueNm).sort()).toEqual(recorded.map(({ torqueNm }) => torqueNm).sort());
    expect(mine[0]).toMatchObject({
      vehicle: { plate: '14-115' },
      kit: { title: TRANSFER_CASE_GUARD.title },
      person: 'Mira Vane',
    });
  });
  it('pages do not overlap, leave nothing out, and go back in time', async () => {
    const all = await everything(lead);
    expect(new Set(all.map(({ job: of, id }) => `${of} ${id}`)).size).toBe(all.length);
    const times = all.map(({ atMs }) => atMs);
    expect([...times].sort((a, b) => b - a)).toEqual(times);
    const [{ count }] = (await server.source.query('SELECT COUNT(*) AS count FROM book_pull')) as [{ count: string }];
    expect(all).toHaveLength(Number(count));
  });
  it.each([
    ['a plate', '14-115', (pull: BookPull) => pull.vehicle.plate === '14-115'],
    ['a kit', 'guard', (pull: BookPull) => /guard/i.test(`${pull.kit.title} ${pull.station}`)],
    ['a wrench', 'W-1', (pull: BookPull) => /w-1/i.test(pull.wrench)],
    ['two words, each in another place', '14-115 guard', (pull: BookPull) => pull.vehicle.plate === '14-115'],
    ['words in capitals', 'GUARD', (pull: BookPull) => /guard/i.test(`${pull.kit.title} ${pull.station}`)],
  ])('is found in by %s', async (_, words, holds) => {
    const found = await everything(lead, { words });
    expect(found.some((pull) => pull.job === job)).toBe(true);
    expect(found.filter((pull) => !holds(pull))).toEqual([]);
  });
  it('finds nothing for what nothing is called, and no pull of another verdict or time', async () => {
    expect((await search(lead, { words: 'zzzz' })).pulls).toEqual([]);
    expect((await search(lead, { words: '14-115 zzzz' })).pulls).toEqual([]);
    expect((await everything(lead, { verdict: 'accepted' })).every(({ verdict }) => verdict === 'accepted')).toBe(true);
    expect((await search(lead, { from: Date.now() + 1e9 })).pulls).toEqual([]);
    expect((await mira.request('GET', '/api/book?verdict=fine')).status).toBe(422);
  });
  it('is searched by person by that person and by leads alone', async () => {
    const fitterB = await fitter(server, 'u-orrin', '1357');
    expect((await everything(fitterB, { words: 'mira' })).some((pull) => pull.job === job)).toBe(true);
    const own = await everything(mira, { words: 'mira' });
    expect(own.some((pull) => pull.job === job)).toBe(true);
    const others = await search(mira, { words: 'orrin' });
    expect(others.pulls).toEqual([]);
  });
  it('streams as a table with as many lines as there are pulls', async () => {
    const answer = await lead.request('GET', '/api/book/pulls.csv?words=14-115');
    const rows = parse(await answer.text(), { bom: true, columns: true }) as Array<Record<string, string>>;
    const found = await everything(lead, { words: '14-115' });
    expect(rows).toHaveLength(found.length);
    expect(rows.map(({ torque_nm }) => Number(torque_nm))).toEqual(found.map(({ torqueNm }) => torqueNm));
  });
});

describe('what it says of a kit', () => {
  const kitBook = async (query = '') =>
    (await (await lead.request('GET', `/api/book/kit?kit=${TRANSFER_CASE_GUARD.id}${query}`)).json()) as KitBook;
  it('is how the final pulls lie: mean, deviation and parts add up to what was pulled', async () => {
    const book = await kitBook();
    const all = (await everything(lead)).filter(({ kit }) => kit.id === TRANSFER_CASE_GUARD.id);
    expect(book.spread).toHaveLength(6);
    for (const { station, pulls, meanNm, sdNm, bins, lowNm, highNm } of book.spread) {
      const [rows] = (await server.source
        .query('SELECT torque_nm FROM book_pull WHERE station = ? AND final = 1 AND stands = 1 AND kit_id = ?', [
          station,
          TRANSFER_CASE_GUARD.id,
        ])
        .then((list: Array<{ torque_nm: string }>) => [list.map(({ torque_nm }) => Number(torque_nm))])) as [number[]];
      // By the definitions of mean and sample standard deviation (ISO 3534-1), worked out apart from the database.
      const mean = rows.reduce((sum, nm) => sum + nm, 0) / rows.length;
      const sd =
        rows.length > 1 ? Math.sqrt(rows.reduce((sum, nm) => sum + (nm - mean) ** 2, 0) / (rows.length - 1)) : 0;
      expect(pulls).toBe(rows.length);
      expect(meanNm).toBeCloseTo(mean, 6);
      expect(sdNm).toBeCloseTo(sd, 6);
      expect(bins.reduce((sum, count) => sum + count, 0)).toBe(rows.length);
      expect(Math.min(...rows)).toBeGreaterThanOrEqual(lowNm);
      expect(Math.max(...rows)).toBeLessThanOrEqual(highNm);
    }
    expect(all.length).toBeGreaterThan(0);
  });
  it('is what its steps took, none longer than its jobs, and what the sheet says beside it', async () => {
    const { steps, jobs } = await kitBook();
    const planned = TRANSFER_CASE_GUARD.steps.filter(({ minutes }) => minutes !== undefined);
    expect(steps.length).toBeGreaterThan(0);
    for (const step of steps) {
      expect(step.jobs).toBeLessThanOrEqual(jobs);
      expect(step.quarterMin).toBeLessThanOrEqual(step.medianMin);
      expect(step.medianMin).toBeLessThanOrEqual(step.threeQuartersMin);
      const sheet = planned.find(({ id }) => id === step.step);
      expect(step.plannedMin).toBe(sheet?.minutes);
    }
  });
  it('counts a joint that turned at its re-torque against the kit that was fitted', async () => {
    const [due] = ((await (await mira.request('GET', '/api/due')).json()) as DueItem[]).filter(
      (item) => item.job === job,
    );
    const choices = (await (
      await mira.request('GET', `/api/due/retorque?job=${job}&care=${due?.care}`)
    ).json()) as RetorqueChoice[];
    const opened = await mira.request('POST', '/api/due/retorque', {
      job,
      care: due?.care,
      groups: choices.map(({ group }) => group),
      bay: 1,
      plannedStartMs: Date.now(),
    });
    expect(opened.status).toBe(201);
    const { id } = (await opened.json()) as { id: string };
    const order = choices[0]?.stations ?? [];
    const [target] = await pullsOf(job);
    for (const [at, station] of order.entries())
      await mira.send(
        id,
        mira.input({
          type: 'pull',
          station: station as never,
          torqueNm: target?.targetNm ?? 10,
          wrench: 'w-1',
          source: 'typed',
          moved: at === 0,
        }),
      );
    const book = await kitBook();
    expect(book.retorques).toBe(1);
    expect(book.troubles.find(({ kind }) => kind === 'turnedSince')).toMatchObject({
      times: 1,
      jobs: 1,
      place: expect.stringContaining('Guard'),
    });
    // And the pulls of the re-torque are no final pulls of the fitting.
    expect(book.spread.every(({ pulls }) => pulls <= 10)).toBe(true);
    const pdf = await lead.request('GET', `/api/book/kit/maker.pdf?kit=${TRANSFER_CASE_GUARD.id}`);
    expect(pdf.headers.get('content-type')).toBe('application/pdf');
    const csv = await (await lead.request('GET', `/api/book/kit/maker.csv?kit=${TRANSFER_CASE_GUARD.id}`)).text();
    expect(csv).toContain('turnedSince');
    expect(csv).not.toContain('14-115');
  });
  it('of one revision is of that alone, and of an unknown kit there is none', async () => {
    const { spread } = await kitBook(`&revision=${TRANSFER_CASE_GUARD.revision}`);
    expect(spread).toHaveLength(6);
    expect((await lead.request('GET', '/api/book/kit?kit=no-such')).status).toBe(404);
  });
});

describe('a wrench against its use', () => {
  const wrenchBook = async (wrench: string): Promise<WrenchBook> =>
    (await (await lead.request('GET', `/api/book/wrench?wrench=${wrench}`)).json()) as WrenchBook;
  it('counts what it had pulled at each check, and what it pulled since', async () => {
    const { wrench_id, count } = (
      (await server.source.query(
        'SELECT wrench_id, COUNT(*) AS count FROM book_pull GROUP BY wrench_id ORDER BY count DESC',
      )) as Array<{ wrench_id: string; count: string }>
    )[0] as { wrench_id: string; count: string };
    const { points, pullsSince, label } = await wrenchBook(wrench_id);
    expect(label).not.toBe('');
    expect(points.map(({ pulls }) => pulls)).toEqual([...points.map(({ pulls }) => pulls)].sort((a, b) => a - b));
    expect((points.at(-1)?.pulls ?? 0) + pullsSince).toBe(Number(count));
  });
  it('of the year and a half stands in no database without it: nothing was pulled between the demo’s checks', async () => {
    const { points, drift } = await wrenchBook('w-3');
    expect(points.length).toBeGreaterThan(5);
    expect(drift).toBeUndefined();
  });
  it('is refused by name where no such wrench hangs', async () => {
    const answer = await lead.request('GET', '/api/book/wrench?wrench=w-ghost');
    expect(answer.status).toBe(404);
    expect(await answer.json()).toMatchObject({ code: 'unknownWrench' });
  });
});

describe('curves of a kit', () => {
  const curves = async (kit: string, station: string) => {
    const query = new URLSearchParams({ kit, station });
    const answer = await mira.request('GET', `/api/book/kit/curves?${query}`);
    expect(answer.status).toBe(200);
    return (await answer.json()) as KitCurves;
  };
  it('are those of the final pulls that stand, thinned, from where the torque grows', async () => {
    // A free run of 60°, then 1.5 N·m to the degree; packed as a wrench's reading is.
    const samples = Array.from({ length: 400 }, (_, at) => ({
      atMs: at * 2,
      angleDeg: at / 4,
      torqueNm: at < 240 ? 0.2 : 0.2 + ((at - 240) / 4) * 1.5,
    }));
    // The round that verifies pulls each station again; its pulls are no final ones.
    const [pull] = (await server.source.query(
      'SELECT pull_id, station FROM book_pull WHERE job_id = ? AND final = 1 AND stands = 1 LIMIT 1',
      [job],
    )) as [{ pull_id: string; station: string }];
    await server.source.query(
      `UPDATE job_event SET body = JSON_SET(body, '$.trace', ?, '$.curve', JSON_OBJECT('kind', 'good'))
        WHERE job_id = ? AND command_id = ? AND type = 'pullRecorded'`,
      [packTrace(samples), job, pull.pull_id],
    );
    const { curves: found } = await curves(TRANSFER_CASE_GUARD.id, pull.station);
    expect(found).toHaveLength(1);
    expect(found[0]).toMatchObject({ job, revision: TRANSFER_CASE_GUARD.revision, kind: 'good' });
    const points = found[0]?.points ?? [];
    expect(points.length).toBeLessThanOrEqual(90);
    expect(Math.min(...points.map(([deg]) => deg))).toBeGreaterThan(-41);
    expect(Math.max(...points.map(([, nm]) => nm))).toBeCloseTo(59.8, 0);
  });
  it('are none where no wrench gave one, and none of another shop’s or of nothing', async () => {
    expect((await curves(TRANSFER_CASE_GUARD.id, 'no such station')).curves).toEqual([]);
    expect((await curves('no-such-kit', 'x')).curves).toEqual([]);
    expect((await mira.request('GET', '/api/book/kit/curves?kit=x')).status).toBe(422);
  });
});
