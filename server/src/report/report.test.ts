import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';
import { parse } from 'csv-parse/sync';
import type { JobDocument } from '#contract/job.ts';
import { careText, careWaivedText } from '#contract/wording/care-text.ts';
import { deviationText } from '#contract/wording/deviation-text.ts';
import { pullShown } from '#contract/wording/joint-text.ts';
import { baselineText, readText, wantedOf } from '#contract/wording/measured-text.ts';
import { pieceLineText } from '#contract/wording/piece-line-text.ts';
import { careList } from '#core/job/care.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { deviations } from '#core/record/deviations.ts';
import { baselineLines, checkLines } from '#core/record/measured-lines.ts';
import { pieceLines } from '#core/record/piece-lines.ts';
import { recordLines } from '#core/record/record-lines.ts';
import { stepLines } from '#core/record/step-lines.ts';
import type { CarefulFitter } from '#core/rehearse/careful-fitter.ts';
import type { Vehicle } from '#core/vehicle/vehicle.ts';
import { FRONT_LIFT, FRONT_RECOVERY_POINTS, TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { DEMO_VEHICLES } from '#demo/shop.ts';
import { guard, MIRA, NOON, plate, pullOf, RAFE, untilSnug, WRENCHES, workerOn } from '#demo/try-job.ts';
import { chainHash, FIRST_HASH } from '../store/hash-chain.ts';
import { boxPdf } from './box-pdf.ts';
import { jobCardPdf } from './job-card-pdf.ts';
import { compartmentLabelsPdf, jobLabelPdf, ownersBagPdf } from './label-pdf.ts';
import { recordCsv } from './record-csv.ts';
import { recordPdf } from './record-pdf.ts';
import { trayMapPdf } from './tray-map-pdf.ts';

const FOLDER = mkdtempSync(join(tmpdir(), 'wm-report-'));
let serial = 0;
/** A PDF as poppler reads it: another program than the one that wrote it. */
function readBack(pdf: Buffer): { text: string; pages: number } {
  serial += 1;
  const file = join(FOLDER, `${serial}.pdf`);
  writeFileSync(file, pdf);
  const text = execFileSync('pdftotext', ['-layout', file, '-']).toString().normalize('NFKC');
  const pages = Number(/Pages:\s+(\d+)/.exec(execFileSync('pdfinfo', [file]).toString())?.[1]);
  return { text, pages };
}
/** Words of a page without its columns. */
const escaped = (text: string): string => text.replace(/[.+*?^${}()|[\]\\]/g, '\\$&');
const flat = (text: string): string => text.replace(/\s+/g, ' ');

const [CARRICK] = DEMO_VEHICLES as [Vehicle];
function documentOf(worker: CarefulFitter, over: Partial<JobDocument> = {}): JobDocument {
  const { kits, answers, openedWith, vehicle, shop } = worker.log.setup;
  let hash = FIRST_HASH;
  return {
    id: '11111111-1111-4111-8111-111111111111',
    number: '261127-1',
    bay: 2,
    plannedStartMs: NOON,
    vehicle: { ...CARRICK, ...(vehicle as Partial<Vehicle>) },
    kits: [...kits],
    openedWith: [...openedWith],
    answers,
    shop: { name: 'Harrow Lane Fitting Shop', ...shop },
    wrenches: WRENCHES,
    integrity: { breaks: [], open: [], sealed: false },
    unheard: [],
    events: worker.events.map((event, index) => {
      hash = chainHash(hash, index + 1, event);
      return { seq: index + 1, hash, event };
    }),
    ...over,
  };
}
const record = async (worker: CarefulFitter, over: Partial<JobDocument> = {}) =>
  readBack(await recordPdf(documentOf(worker, over)));
const allRows = (worker: CarefulFitter) =>
  parse(recordCsv(documentOf(worker)), { bom: true, columns: true }) as Array<Record<string, string>>;
const rows = (worker: CarefulFitter) => allRows(worker).filter(({ kind }) => kind === 'pull');
const GROUP = TRANSFER_CASE_GUARD.groups[0]?.id ?? '';
const done = (worker: CarefulFitter): CarefulFitter => {
  worker.checkIn();
  worker.startAll();
  worker.finishTorque();
  worker.closeOut();
  return worker;
};

describe('the record as PDF, read back by another program', () => {
  it('of a job not begun says that nothing was done, and does not look signed', async () => {
    const { text } = await record(guard());
    expect(text).toContain('NOT CLOSED: WORK IN PROGRESS');
    expect(flat(text)).toContain('Not signed: the job is not closed.');
    expect(flat(text)).not.toContain('Chain of');
  });
  it('has a line for every pull that was made, with its figure in both units', async () => {
    const worker = done(guard());
    const { text } = await record(worker);
    const { plan, state } = worker.log;
    // The same figures as on the screen, in the unit of the sheet first.
    for (const { station, pulls } of recordLines(plan, state).flatMap(({ joints }) => joints))
      for (const line of pulls) {
        const { aimed, pulled, inOther } = pullShown(station, line);
        expect(flat(text)).toMatch(new RegExp([aimed, pulled, inOther].map(escaped).join('\\s+')));
      }
    expect(flat(text)).toContain(`SIGNED ${MIRA.name},`);
    expect(text).toContain('CLOSED');
    expect(text).not.toContain('NOT CLOSED');
  });
  it('a pull past its band, one taken back and one loosened since are in it, and said to be', async () => {
    const worker = untilSnug(guard(), GROUP);
    worker.give(pullOf('g2', 10.2, { wrench: 'w-1' }));
    worker.give({ type: 'loosen', station: 'g2', to: 'started', reason: 'washer upside down' });
    worker.give({ type: 'snug', station: 'g2', tool: 'hand' });
    worker.give(pullOf('g2', 14.4, { wrench: 'w-1', confirmed: true }));
    worker.give({ type: 'undo' });
    const text = flat((await record(worker)).text);
    expect(text).toContain('loosened since');
    expect(text).toContain('taken back');
    expect(text).toContain('14.4');
    expect(text).toContain('washer upside down');
    expect(rows(worker).map(({ stands }) => stands)).toEqual(['loosened since', 'taken back']);
  });
  it('every deviation stands with its name and reason, the lead’s under the lead’s', async () => {
    const worker = guard();
    worker.checkIn();
    worker.give({ type: 'startByHand', station: 'g1' });
    worker.give({ type: 'override', refusal: 'groupNotAllStarted', station: 'g1', reason: 'bracket in the way' }, RAFE);
    worker.give({ type: 'raiseProblem', station: 'g2', text: 'Will not start' });
    const text = flat((await record(worker)).text);
    expect(text).toContain('bracket in the way');
    expect(text).toContain(RAFE.name);
    expect(text).toContain('Will not start');
    expect(text).not.toContain('Deviations None.');
  });
  it('the hardware adds up to what was supplied', async () => {
    const worker = done(guard());
    const { text } = await record(worker);
    for (const item of worker.log.plan.items) expect(flat(text)).toContain(item.name);
    expect(flat(text)).toContain('Spare pieces go to the owner with the vehicle.');
  });
  it('a long name is broken over lines, never cut off', async () => {
    const model = 'Tussock Long Wheelbase Expedition Dual Cab with the Very Long Name of the Year';
    const name = 'Upper rear cross-member brace bolt, left hand side, beneath the fuel line bracket';
    const kit: KitDocument = {
      ...TRANSFER_CASE_GUARD,
      stations: TRANSFER_CASE_GUARD.stations.map((station) => (station.id === 'g1' ? { ...station, name } : station)),
    };
    const { text } = await record(workerOn(kit), { vehicle: { ...CARRICK, modelYear: 2021, model } });
    // A line may end at a hyphen.
    for (const word of [...model.split(' '), ...name.split(/[ ,-]+/)]) expect(text).toContain(word);
  });
  it('more than a page of joints goes on to the next, and every page says whose it is', async () => {
    const worker = done(plate(true));
    const { text, pages } = await record(worker);
    expect(pages).toBeGreaterThan(1);
    expect(
      text
        .split('\f')
        .slice(0, pages)
        .every((page) => page.includes('261127-1')),
    ).toBe(true);
    for (const station of worker.log.plan.stations) expect(flat(text)).toContain(station.label);
  });
  it('letters and signs of the trade survive: ·, ×, °, –, ö', async () => {
    const { text } = await record(guard(), { vehicle: { ...CARRICK, modelYear: 2021, owner: 'Jörg Ångström' } });
    expect(text).toContain('Jörg Ångström');
    expect(text).toContain('80–100 lbf·in');
  });
  it('the same job gives the same words twice: nothing in it depends on when it is printed', async () => {
    const worker = done(guard());
    expect((await record(worker)).text).toBe((await record(worker)).text);
  });
});

describe('the record as CSV', () => {
  it('has no line for a job without a pull', () => expect(rows(guard())).toEqual([]));
  it('says what screen and PDF say of every measurement, act, waiver, deviation and aftercare line', async () => {
    const worker = workerOn(FRONT_LIFT);
    worker.checkIn();
    worker.while(() => true);
    const [first] = careList(worker.log.plan, worker.log.state);
    worker.give({ type: 'waiveCare', care: first?.key ?? '', reason: 'Done here' }, RAFE);
    const { plan, state } = worker.log;
    const { text } = await record(worker);
    const said = allRows(worker);
    // Lines break where the page ends; what is told is the same, letter for letter.
    const letters = (words: string) => words.replace(/\s+/g, '').normalize('NFKC');
    const pdf = letters(text);
    const told = [
      ...checkLines(plan, state).map((line) => [line.text, readText(line), wantedOf(line) ?? '']),
      ...baselineLines(plan, state).map((line) => {
        const { before, after, change } = baselineText(line);
        return [`${line.baseline.name}, ${line.place}`, `${before} before, ${after} after`, change];
      }),
    ];
    expect(told.length).toBeGreaterThan(6);
    for (const [name, read = '', wanted = ''] of told) {
      for (const words of [name, read, wanted]) expect(pdf).toContain(letters(words ?? ''));
      // A figure that begins with its sign is kept from being a formula.
      const cell = wanted.replace(/^(?=[-+=@])/, "'");
      expect(said).toContainEqual(expect.objectContaining({ kind: 'measured', name, said: read, wanted: cell }));
    }
    const due = careList(plan, state);
    expect(due.some(({ waived }) => waived)).toBe(true);
    for (const care of due) {
      const waived = careWaivedText(care);
      for (const words of [careText(care), waived ?? '']) expect(pdf).toContain(letters(words));
      const cell = [careText(care), waived].filter(Boolean).join(' ');
      expect(said).toContainEqual(expect.objectContaining({ kind: 'aftercare', said: cell }));
    }
    const acts = stepLines(plan, state).flatMap((step) => step.acts);
    expect(said.filter(({ kind }) => kind === 'step')).toHaveLength(acts.length);
    for (const deviation of deviations(plan, state))
      expect(said.map((line) => line.said)).toContain(deviationText(deviation, plan, plan));
  });
  it('what a spreadsheet would take for a formula is none', () => {
    const title = '=HYPERLINK("x")';
    const kit: KitDocument = {
      ...TRANSFER_CASE_GUARD,
      groups: TRANSFER_CASE_GUARD.groups.map((group) => ({ ...group, title })),
    };
    const worker = done(workerOn(kit));
    const [line] = rows(worker);
    expect(line?.group?.startsWith('=')).toBe(false);
    expect(line?.group).toContain('HYPERLINK');
  });
  it('a correction keeps what it was before', () => {
    const worker = untilSnug(guard(), GROUP);
    worker.give(pullOf('g2', 10.2, { wrench: 'w-1' }));
    const pull = worker.log.state.stations.get('g2')?.pulls.at(-1)?.id ?? '';
    worker.give({ type: 'correctPull', station: 'g2', pull, torqueNm: 10.6, reason: 'misread' });
    expect(rows(worker)[0]).toMatchObject({ torque_nm: '10.6', corrected_from_nm: '10.2' });
  });
  it('times are UTC with their zone, figures to a hundredth', () => {
    for (const row of rows(done(guard()))) {
      expect(row.at_utc).toMatch(/^\d{4}-\d\d-\d\dT[\d:.]+Z$/);
      expect(row.torque_nm).toMatch(/^\d+(\.\d{1,2})?$/);
      expect(Number(row.min_nm)).toBeLessThanOrEqual(Number(row.torque_nm));
    }
  });
});

describe('the card and the label', () => {
  it('the card says what applies and why, and that it is an aid', async () => {
    const { text } = readBack(await jobCardPdf(documentOf(plate(true)), 'http://shop.test'));
    expect(text).toContain('JOB 261127-1');
    expect(flat(text)).toContain(FRONT_RECOVERY_POINTS.title);
    expect(flat(text)).toContain('an aid, not an approval'.replace('an aid', 'An aid'));
  });
  it('the label has number, vehicle and plate on one small page, and no owner', async () => {
    const { text, pages } = readBack(await jobLabelPdf(documentOf(guard()), 'http://shop.test'));
    expect(pages).toBe(1);
    expect(text).toContain('261127-1');
    expect(text).toContain(CARRICK.plate);
    expect(text).not.toContain(CARRICK.owner);
  });
  it('the owner’s bag has its pieces on a label of 57 by 32 mm, the rest counted', async () => {
    const worker = guard();
    worker.checkIn();
    worker.closeOut();
    const { text, pages } = readBack(await ownersBagPdf(documentOf(worker), 'http://shop.test'));
    expect(pages).toBe(1);
    expect(text).toContain('OWNER’S BAG');
    expect(text).toContain(CARRICK.plate);
    expect(flat(text)).toContain('2 × Washer 8');
    const many = structuredClone(TRANSFER_CASE_GUARD);
    for (let index = 0; index < 9; index += 1)
      many.items.push({
        id: `x${index}`,
        line: `X${index}`,
        bag: 'X',
        kind: 'clip',
        name: `Spare clip number ${index} of a very long name indeed`,
        quantity: 1,
        source: 'kit',
      });
    const full = workerOn(many);
    full.checkIn();
    full.closeOut();
    const long = readBack(await ownersBagPdf(documentOf(full), 'http://shop.test'));
    expect(long.pages).toBe(1);
    expect(long.text).toContain('and 6 lines more');
  });
  it('each compartment of the tray has its label, and the map shows what lies where', async () => {
    const worker = guard();
    worker.checkIn();
    const labels = readBack(await compartmentLabelsPdf(documentOf(worker), 'http://shop.test'));
    // Bolts, washers and rubber rings; the guard itself lies in no tray.
    expect(labels.pages).toBe(3);
    expect(flat(labels.text)).toContain('Bolt M8');
    expect(flat(labels.text)).not.toContain('4 · 1 ×');
    const map = readBack(await trayMapPdf(documentOf(worker)));
    expect(flat(map.text)).toMatch(/A1.*A2.*A3/);
    expect(flat(map.text)).toContain('Stepped rubber washer');
    const none = structuredClone(TRANSFER_CASE_GUARD);
    none.items = none.items.map((item) => ({ ...item, source: 'shop' as const }));
    const empty = workerOn(none);
    expect(readBack(await compartmentLabelsPdf(documentOf(empty), 'http://shop.test')).text).toContain('Nothing lies');
  });
  it('the maker is told what was missing, too many and unfit, with the reasons', async () => {
    const worker = guard();
    worker.checkIn();
    const told = readBack(await boxPdf(documentOf(worker)));
    expect(flat(told.text)).toContain('Every line that was counted agrees');
    worker.give({ type: 'countLine', item: 'm1', found: 5, damaged: 0 });
    worker.give({ type: 'setApart', item: 'm2', quantity: 1, reason: 'Cracked at the bore' });
    const { text } = readBack(await boxPdf(documentOf(worker)));
    expect(flat(text)).toContain('To Lowmoor Fabrication');
    expect(flat(text)).toContain('1 missing');
    expect(flat(text)).toContain('1 not fit for use: Cracked at the bore');
  });
  it('numbers, second counts and keys stand on the record, as on the screen', async () => {
    const kit = structuredClone(TRANSFER_CASE_GUARD);
    kit.items.push({
      id: 'key',
      line: 'K',
      bag: 'B',
      kind: 'part',
      form: 'key',
      name: 'Lock key',
      quantity: 1,
      source: 'kit',
    });
    const guardItem = kit.items.find(({ id }) => id === 'm4');
    if (guardItem) guardItem.serial = true;
    const worker = workerOn(kit);
    worker.checkIn();
    worker.closeOut();
    const lines = pieceLines(worker.log.plan, worker.log.state).map(pieceLineText);
    expect(lines).toEqual(['4 Guard: number 4-1', 'Lock key: handed to the owner, the owner']);
    const { text } = readBack(await recordPdf(documentOf(worker)));
    for (const line of lines) expect(flat(text)).toContain(line);
    const rows = parse(recordCsv(documentOf(worker)), { bom: true, columns: true }) as Array<Record<string, string>>;
    expect(rows.filter(({ kind }) => kind === 'piece').map(({ said }) => said)).toEqual(lines);
  });
  it('a long vehicle keeps the label on its one page', async () => {
    const vehicle = { ...CARRICK, modelYear: 2021, model: 'Expedition '.repeat(12), plate: 'ABCDEFG 12345' };
    const { text, pages } = readBack(await jobLabelPdf(documentOf(guard(), { vehicle }), 'http://shop.test'));
    expect(pages).toBe(1);
    expect(text).toContain('ABCDEFG');
  });
});
