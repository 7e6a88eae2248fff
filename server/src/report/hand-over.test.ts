import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';
import { handOverSheet } from '#contract/hand-over.ts';
import type { JobDocument } from '#contract/job.ts';
import { comesOffAgain } from '#core/hand-over/comes-off-again.ts';
import type { CarefulFitter } from '#core/rehearse/careful-fitter.ts';
import type { Vehicle } from '#core/vehicle/vehicle.ts';
import { FRONT_LIFT, TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { DEMO_VEHICLES } from '#demo/shop.ts';
import { guard, NOON, pullOf, untilSnug, WRENCHES, workerOn } from '#demo/try-job.ts';
import { chainHash, FIRST_HASH } from '../store/hash-chain.ts';
import { handOverPdf, handOverSummaryPdf } from './hand-over-pdf.ts';
import { windscreenLabelPdf } from './label-pdf.ts';

const FOLDER = mkdtempSync(join(tmpdir(), 'wm-hand-over-'));
let serial = 0;
/** A PDF as poppler reads it: another program than the one that wrote it. */
function readBack(pdf: Buffer): { text: string; pages: number; tagged: boolean; structure: string } {
  serial += 1;
  const file = join(FOLDER, `${serial}.pdf`);
  writeFileSync(file, pdf);
  const info = execFileSync('pdfinfo', [file]).toString();
  return {
    text: execFileSync('pdftotext', ['-layout', file, '-']).toString().normalize('NFKC').replace(/\s+/g, ' '),
    pages: Number(/Pages:\s+(\d+)/.exec(info)?.[1]),
    tagged: /Tagged:\s+yes/.test(info),
    structure: execFileSync('pdfinfo', ['-struct-text', file]).toString().normalize('NFKC'),
  };
}

const [CARRICK] = DEMO_VEHICLES as [Vehicle];
const LINK = 'https://shop.test/hand-over/abc.def';
function documentOf(worker: CarefulFitter, over: Partial<JobDocument> = {}): JobDocument {
  const { kits, answers, openedWith, vehicle, shop } = worker.log.setup;
  let hash = FIRST_HASH;
  return {
    id: '11111111-1111-4111-8111-111111111111',
    number: '261127-1',
    bay: 2,
    plannedStartMs: NOON,
    odometerKm: 58_000,
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
const done = (worker: CarefulFitter): CarefulFitter => {
  worker.checkIn();
  worker.startAll();
  worker.finishTorque();
  worker.closeOut();
  return worker;
};
const told = (worker: CarefulFitter, over?: Partial<JobDocument>) =>
  handOverSheet(documentOf(worker, over), worker.log.plan, worker.log.state);

describe('what an owner takes away', () => {
  const finished = done(guard());
  it('says of each joint what the sheet wanted and what was pulled, in both units', () => {
    const joints = told(finished).groups.flatMap((group) => group.joints);
    expect(joints).toHaveLength(finished.log.plan.stations.length);
    for (const joint of joints) {
      expect(joint.tight).toBe(true);
      expect(joint.told).toMatch(/N·m|lbf·ft|by hand/);
    }
  });
  it('of a job half done says nothing is tight that has no pull', () => {
    const worker = untilSnug(guard(), TRANSFER_CASE_GUARD.groups[0]?.id ?? '');
    const open = told(worker);
    const pulled = new Set(
      [...worker.log.state.stations].filter(([, { pulls }]) => pulls.length > 0).map(([id]) => id),
    );
    for (const joint of open.groups.flatMap((group) => group.joints))
      if (!pulled.has(joint.station)) {
        expect(joint.tight).toBe(false);
        expect(joint.told).toMatch(/^NOT /);
      }
    expect(open.driver[0]).toContain('not signed');
    expect(open.signed).toBeUndefined();
  });
  it('a pull taken back, or past its band, makes no joint tight', () => {
    const worker = untilSnug(guard(), TRANSFER_CASE_GUARD.groups[0]?.id ?? '');
    worker.give(pullOf('g2', 10.2, { wrench: 'w-1' }));
    worker.give({ type: 'undo' });
    expect(
      told(worker)
        .groups.flatMap(({ joints }) => joints)
        .find(({ station }) => station === 'g2')?.tight,
    ).toBe(false);
  });
  it('counts what is due from the odometer of the visit, and from the day it was signed', () => {
    const { plan } = finished.log;
    const { due } = told(finished);
    plan.aftercare.forEach((entry) => {
      const line = due.find(({ care }) => care === entry.id);
      if (entry.afterKm !== undefined) expect(line?.when).toContain(`at odometer ${58_000 + entry.afterKm} km`);
      if (entry.afterDays !== undefined) expect(line?.when).toMatch(/on \d{4}-\d{2}-\d{2}/);
    });
    expect(due.length).toBeGreaterThan(0);
  });
  it('without an odometer no distance is made up', () => {
    const { odometerKm: _, ...vehicle } = CARRICK;
    const { due } = told(finished, { odometerKm: undefined, vehicle });
    expect(due.some(({ when }) => when.includes('odometer'))).toBe(false);
  });
  it('a limit of the sheet stands under the limits and not among the cautions', () => {
    const kit = structuredClone(TRANSFER_CASE_GUARD);
    kit.cautions = [
      { id: 'load', text: 'At most 40 kg on the shelf.', limits: 'load' },
      { id: 'eye', text: 'Wear eye protection.' },
    ];
    const sheet = told(done(workerOn(kit)));
    expect(sheet.limits).toEqual(['Load: At most 40 kg on the shelf.']);
    expect(sheet.cautions).toEqual(['Wear eye protection.']);
  });
  it('where no sheet names a limit it says so, and sends to the plates', () => {
    expect(told(finished).limits.join(' ')).toMatch(/plates/);
  });
});

describe('how it comes off again', () => {
  const { plan } = done(guard()).log;
  it('is the work from its end, each joint once', () => {
    const groups = comesOffAgain(plan).flatMap((entry) => (entry.what === 'undo' ? [entry.group] : []));
    const put = plan.steps.flatMap(({ actions }) =>
      actions.flatMap((a) => (a.type === 'torque' ? [a.group as string] : [])),
    );
    const last = [...new Set([...put].reverse())];
    expect(groups).toEqual(last);
    expect(new Set(groups).size).toBe(groups.length);
  });
  it('names what is used once, so that new ones are there', () => {
    const kit = structuredClone(TRANSFER_CASE_GUARD);
    for (const item of kit.items) if (item.kind === 'nut') item.locking = 'nylon';
    const bolts = kit.items.filter(({ kind }) => kind === 'bolt');
    for (const item of bolts) item.singleUse = true;
    const again = comesOffAgain(done(workerOn(kit)).log.plan);
    const named = again.flatMap((entry) => (entry.what === 'undo' ? entry.usedOnce : []));
    expect(named.length).toBeGreaterThan(0);
  });
});

describe('the hand-over as PDF, read back by another program', () => {
  it('is tagged: headings, paragraphs, tables and figures with what they show', async () => {
    const { tagged, structure, text } = readBack(
      await handOverPdf(documentOf(done(guard())), { link: LINK, shopKey: 'KEY' }),
    );
    expect(tagged).toBe(true);
    for (const element of ['H1', 'H2', 'Table', 'TR', 'TD', 'Figure', 'LI']) expect(structure).toContain(element);
    expect(text).toContain(LINK);
    expect(text).toContain('The shop’s public key: KEY');
  });
  it('has every joint, every deviation and every thing due', async () => {
    const worker = done(guard());
    const { text } = readBack(await handOverPdf(documentOf(worker)));
    const sheet = told(worker);
    for (const { joints } of sheet.groups)
      for (const { name, label } of joints) {
        expect(text).toContain(label);
        expect(text).toContain(name.split(' ')[0]);
      }
    expect(text).toContain(`${sheet.groups.flatMap(({ joints }) => joints).length} of`);
    for (const { text: line } of sheet.due) expect(text).toContain(line.slice(0, 20));
  });
  it('of work in progress says so at its head, in words', async () => {
    const { text } = readBack(await handOverPdf(documentOf(guard())));
    expect(text).toContain('NOT SIGNED');
    expect(text).toContain('NOT TIGHTENED');
  });
  it('in short is one page, also for a kit of fifty joints', async () => {
    for (const worker of [done(guard()), done(workerOn(FRONT_LIFT))])
      expect(readBack(await handOverSummaryPdf(documentOf(worker), { link: LINK })).pages).toBe(1);
  });
  it('the windscreen’s label is one page with the nearest thing due', async () => {
    const { pages, text } = readBack(await windscreenLabelPdf(documentOf(done(guard())), LINK));
    expect(pages).toBe(1);
    expect(text).toMatch(/odometer|on \d{4}|Nothing is due/);
  });
});
