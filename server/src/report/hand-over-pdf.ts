import { create } from 'qrcode';
import { type HandOverSheet, handOverSheet } from '#contract/hand-over.ts';
import type { JobDocument } from '#contract/job.ts';
import { deference, HAND_OVER_TITLE as TITLE } from '#contract/wording/en/hand-over.ts';
import { numberOf } from '#contract/wording/number-of.ts';
import { say } from '#contract/wording/say.ts';
import type { StationMark } from '#core/job/station-progress.ts';
import { stationMark } from '#core/job/station-progress.ts';
import type { Plan } from '#core/kit/plan.ts';
import { boltMapHeight, drawBoltMap, drawVehicle } from './bolt-map-pdf.ts';
import { drawCode } from './label-pdf.ts';
import { BAD, INK_2, Sheet } from './pdf-sheet.ts';
import { replay } from './replay.ts';

/** What stands beside the record on what an owner takes away. */
export interface HandOverExtras {
  /** The shop's public key, SPKI in base64. */
  shopKey?: string;
  /** Address of the owner's page, where one was made. */
  link?: string;
  /** Pictures of the job, by their hashes. */
  photos?: ReadonlyArray<{ id: string; sha256: string }>;
}

/** Highest a group's map stands on its page, points: a joint of two bolts needs no third of a page. */
const mapHigh = (stations: number): number => (stations <= 4 ? 100 : stations <= 10 ? 150 : 210);
const HEADING_AND_ROW = 90;
const VEHICLE_HIGH = 150;
const CODE_SIDE = 84;

function headOf(job: JobDocument, told: HandOverSheet, title: string): Sheet {
  const last = job.events.at(-1);
  const sheet = new Sheet(
    `${title} ${told.number}`,
    new Date(last?.event.atMs ?? job.plannedStartMs),
    say('{shop} · job {number}{which}', {
      shop: told.shop,
      number: told.number,
      which: last ? say(' · event {seq}, chain {hash}', { seq: last.seq, hash: last.hash.slice(0, 16) }) : '',
    }),
  );
  sheet.band(
    title,
    say('{shop}, job {number}', { shop: told.shop, number: told.number }),
    told.signed ? say('SIGNED') : say('NOT SIGNED: WORK IN PROGRESS'),
  );
  sheet.text(say('{vehicle}, plate {plate}', { vehicle: told.vehicle, plate: told.plate || say('none') }), {
    bold: true,
    size: 14,
  });
  const facts = [
    told.owner && say('For {owner}.', { owner: told.owner }),
    told.odometer && say('Odometer {odometer}.', { odometer: told.odometer }),
    told.signed && say('Signed by {signed}.', { signed: told.signed }),
  ];
  sheet.text(facts.filter(Boolean).join(' '), { size: 10.5 });
  return sheet;
}

function listed(sheet: Sheet, title: string, lines: readonly string[], bad = false): void {
  if (lines.length === 0) return;
  sheet.plate(title);
  sheet.list(lines, bad ? { color: BAD } : {});
}

const dueLines = ({ due }: HandOverSheet): string[] =>
  due.length === 0
    ? [say('Nothing is due.')]
    : due.map(({ text, when }) => (when ? say('{text} That is {when}.', { text, when }) : text));

function codeFigure(sheet: Sheet, link: string): void {
  // A code that cannot be made says so here, not on the windscreen.
  create(link);
  sheet.figure(say('Code that opens {link}', { link }), CODE_SIDE, ({ left, top }) =>
    drawCode(sheet.doc, link, left, top, CODE_SIDE),
  );
  sheet.text(say('Your page, with this and what is due: {link}', { link }), { size: 9 });
}

/** What an owner takes away, whole: A4, tagged, every joint with its map. */
export function handOverPdf(job: JobDocument, { shopKey, link, photos = [] }: HandOverExtras = {}): Promise<Buffer> {
  const { plan, state } = replay(job);
  const told = handOverSheet(job, plan, state);
  const marks = new Map(plan.stations.map((station) => [station.id as string, stationMark(plan, station, state)]));
  const sheet = headOf(job, told, say('Hand-over'));
  listed(sheet, TITLE.driver, told.driver, true);
  listed(sheet, TITLE.fitted, told.fitted);
  listed(sheet, TITLE.due, dueLines(told));
  listed(sheet, TITLE.watch, told.watch);
  listed(sheet, TITLE.limits, told.limits);
  listed(sheet, TITLE.carries, told.carries);
  listed(sheet, TITLE.measured, told.measured);
  whereAndJoints(sheet, plan, told, marks);
  listed(sheet, TITLE.byFeel, told.byFeel);
  sheet.plate(TITLE.deviations);
  if (told.deviations.length === 0) sheet.text(say('None.'), { size: 10 });
  else sheet.list(told.deviations);
  listed(sheet, TITLE.parts, told.parts);
  listed(sheet, TITLE.keys, told.keys);
  listed(sheet, TITLE.offAgain, told.offAgain);
  listed(sheet, TITLE.cautions, told.cautions);
  sheet.plate(TITLE.proof);
  const last = job.events.at(-1);
  sheet.text(
    say(
      'Everything here comes from the torque record, whose entries are chained to each other. The record file and a small program that checks it are the shop’s to give; that needs nobody’s word.',
    ),
    { size: 9, color: INK_2 },
  );
  if (last)
    sheet.text(say('Chain of {seq} events, last hash {hash}', { seq: last.seq, hash: last.hash }), {
      size: 8,
      color: INK_2,
    });
  if (shopKey) sheet.text(say('The shop’s public key: {shopKey}', { shopKey }), { size: 8, color: INK_2 });
  for (const { id, sha256 } of photos)
    sheet.text(say('Photo {id}: SHA-256 {sha256}', { id, sha256 }), { size: 8, color: INK_2 });
  sheet.text(deference(), { size: 9, color: INK_2 });
  if (link) codeFigure(sheet, link);
  return sheet.finish();
}

function whereAndJoints(sheet: Sheet, plan: Plan, told: HandOverSheet, marks: ReadonlyMap<string, StationMark>): void {
  sheet.plate(TITLE.joints);
  const tight = told.groups.flatMap(({ joints }) => joints).filter((joint) => joint.tight).length;
  const all = told.groups.reduce((sum, { joints }) => sum + joints.length, 0);
  sheet.text(say('{tight} of {all} joints stand at their torque.', { tight, all }), {
    bold: true,
    size: 10.5,
    ...(tight < all ? { color: BAD } : {}),
  });
  if (plan.groups.some(({ spot }) => spot))
    sheet.figure(
      say('The vehicle from above with its {all} joints; nose to the left', { all }),
      VEHICLE_HIGH,
      (frame) => drawVehicle(sheet.doc, frame, plan.groups, plan.stations, marks),
    );
  for (const { id, title, joints } of told.groups) {
    const group = plan.groups.find((entry) => entry.id === id);
    const stations = plan.stations.filter(({ groupId }) => groupId === id);
    const high = group && stations.length > 0 ? boltMapHeight(group, stations, 380, mapHigh(stations.length)) : 0;
    // A heading stays with its map and its first joint.
    sheet.room(high + HEADING_AND_ROW);
    sheet.plate(title, 13);
    if (group && high > 0)
      sheet.figure(
        `${group.map.title}: ${joints.map(({ label, tight: isTight }) => `${label} ${isTight ? say('tight') : say('not tight')}`).join(', ')}`,
        high,
        (frame) => drawBoltMap(sheet.doc, frame, group, stations, marks),
      );
    sheet.table(
      [
        { title: say('No.'), width: 0.07, figures: true },
        { title: say('Joint'), width: 0.35 },
        { title: say('Wanted'), width: 0.2 },
        { title: say('Done'), width: 0.38 },
      ],
      joints.map(({ label, name, wanted, told: done, tight: isTight }) => ({
        cells: [label, name, wanted, done],
        bad: !isTight,
      })),
    );
  }
}

/** The same on one page: what to know before driving, what is due, what limits it. */
export function handOverSummaryPdf(job: JobDocument, { link }: HandOverExtras = {}): Promise<Buffer> {
  const { plan, state } = replay(job);
  const told = handOverSheet(job, plan, state);
  const sheet = headOf(job, told, say('In short'));
  const joints = told.groups.flatMap((group) => group.joints);
  const open = joints.filter(({ tight }) => !tight);
  listed(sheet, TITLE.driver, told.driver.slice(0, 5), true);
  listed(sheet, TITLE.fitted, shortened(told.fitted, 4));
  sheet.text(
    open.length === 0
      ? say('All {all} joints stand at their torque.', { all: joints.length })
      : say('{open} of {all} joints DO NOT stand at their torque.', { open: open.length, all: joints.length }),
    { bold: true, size: 11, ...(open.length > 0 ? { color: BAD } : {}) },
  );
  listed(sheet, TITLE.due, shortened(dueLines(told), 6));
  listed(sheet, TITLE.watch, told.watch);
  listed(sheet, TITLE.limits, shortened(told.limits, 5));
  listed(sheet, TITLE.keys, shortened(told.keys, 3));
  sheet.text(
    told.deviations.length === 0
      ? say('Everything went as planned.')
      : say('{things} went otherwise than planned; the whole hand-over says which.', {
          things: numberOf(told.deviations.length, 'thing'),
        }),
    { size: 10 },
  );
  sheet.text(deference(), { size: 8, color: INK_2 });
  if (link) codeFigure(sheet, link);
  return sheet.finish();
}

/** The first lines, and how many more there are. */
const shortened = (lines: readonly string[], most: number): string[] =>
  lines.length <= most
    ? [...lines]
    : [...lines.slice(0, most - 1), say('and {count} more in the whole hand-over', { count: lines.length - most + 1 })];
