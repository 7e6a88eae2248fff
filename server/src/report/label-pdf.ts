import PDFDocument from 'pdfkit';
import { create } from 'qrcode';
import { handOverSheet } from '#contract/hand-over.ts';
import type { JobDocument } from '#contract/job.ts';
import { jobCardSheet } from '#contract/job-card.ts';
import { ownersBagLines } from '#contract/owners-bag.ts';
import { say } from '#contract/wording/say.ts';
import { traysOf } from '#core/job/trays.ts';
import { indexOf } from '#core/kit/plan.ts';
import { placeName } from '#core/kit/tray-layout.ts';
import { FONTS } from './pdf-sheet.ts';
import { replay } from './replay.ts';

/** Millimetres to points. */
export const mm = (length: number): number => (length * 72) / 25.4;

/** Labels of the shop's label printer, mm; common sizes of the trade (chosen by us). */
const TRAY = { widthMm: 90, heightMm: 38 };
const BAG = { widthMm: 57, heightMm: 32 };
const WINDSCREEN = { widthMm: 80, heightMm: 40 };
/** Left free at every edge, mm. */
const EDGE = 3;

/** Draws a code as squares: sharp at any size, and no picture to embed. */
export function drawCode(doc: PDFKit.PDFDocument, text: string, left: number, top: number, side: number): void {
  const { size, data } = create(text, { errorCorrectionLevel: 'M' }).modules;
  const step = side / size;
  data.forEach((dark, at) => {
    if (dark) doc.rect(left + (at % size) * step, top + Math.floor(at / size) * step, step + 0.05, step + 0.05);
  });
  doc.fill('#000000');
}

/** A line of a label: its font, its size in points, and how many lines of the label it may take. */
type LabelLine = [font: 'figures' | 'plate' | 'body' | 'bold', size: number, text: string, lines?: number];

/** An empty roll of labels; each label is a page. */
function labelRoll(job: JobDocument, title: string, { widthMm, heightMm }: typeof TRAY): PDFKit.PDFDocument {
  const doc = new PDFDocument({
    size: [mm(widthMm), mm(heightMm)],
    margin: mm(EDGE),
    autoFirstPage: false,
    info: { Title: title, Creator: say('Wrenchman'), CreationDate: new Date(job.plannedStartMs) },
  });
  for (const [name, file] of Object.entries(FONTS)) doc.registerFont(name, file);
  return doc;
}

/** One label on its one page: a code at the left, words beside it, cut where they would leave it. */
function drawLabel(
  doc: PDFKit.PDFDocument,
  { widthMm }: typeof TRAY,
  code: { text: string; sideMm: number },
  lines: readonly LabelLine[],
): void {
  doc.addPage();
  drawCode(doc, code.text, mm(EDGE), mm(EDGE), mm(code.sideMm));
  const left = mm(2 * EDGE + code.sideMm);
  const width = mm(widthMm - EDGE) - left;
  doc.y = mm(EDGE);
  for (const [font, size, text, most = 1] of lines)
    doc
      .font(font)
      .fontSize(size)
      .fillColor('#000000')
      .text(text, left, doc.y, { width, height: size * 1.35 * most, ellipsis: true });
}

function bytesOf(doc: PDFKit.PDFDocument): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    const chunks: Buffer[] = [];
    doc.on('data', (chunk: Buffer) => chunks.push(chunk));
    doc.on('end', () => resolve(Buffer.concat(chunks)));
    doc.on('error', reject);
    doc.end();
  });
}

function labelPdf(
  job: JobDocument,
  title: string,
  size: typeof TRAY,
  code: { text: string; sideMm: number },
  lines: readonly LabelLine[],
): Promise<Buffer> {
  const doc = labelRoll(job, title, size);
  drawLabel(doc, size, code, lines);
  return bytesOf(doc);
}

/**
 * A label for each compartment of the trays that holds something: where it is, what lies in it, and a code that opens
 * the job at that line.
 */
export function compartmentLabelsPdf(job: JobDocument, origin: string): Promise<Buffer> {
  const { plan, state } = replay(job);
  const { places } = traysOf(plan, state);
  const doc = labelRoll(job, say('Compartments {number}', { number: job.number }), BAG);
  for (const [id, place] of places) {
    const item = indexOf(plan).items.get(id);
    if (!item) continue;
    const code = { text: `${origin}/jobs/${job.id}/check-in?line=${encodeURIComponent(id)}`, sideMm: 19 };
    drawLabel(doc, BAG, code, [
      ['plate', 15, placeName(place)],
      ['figures', 7, `${place.tray} · ${job.number}`],
      ['bold', 8, `${item.line} · ${item.quantity} ×`],
      ['body', 7, item.name, 3],
    ]);
  }
  // A roll without a label is a file no printer takes.
  if (places.size === 0)
    drawLabel(doc, BAG, { text: job.number, sideMm: 19 }, [['body', 8, say('Nothing lies in trays.'), 2]]);
  return bytesOf(doc);
}

/** A label for the parts tray: code, number, vehicle, plate, kits. */
export function jobLabelPdf(job: JobDocument, origin: string): Promise<Buffer> {
  const { plan, state } = replay(job);
  const card = jobCardSheet(job, plan, state);
  const code = { text: `${origin}${card.path}`, sideMm: TRAY.heightMm - 2 * EDGE };
  return labelPdf(job, say('Label {number}', { number: card.number }), TRAY, code, [
    ['figures', 13, card.number],
    ['plate', 15, card.heading.toUpperCase()],
    ['figures', 12, job.vehicle.plate],
    ['body', 8, plan.kits.map((kit) => kit.title).join(' + '), 3],
  ]);
}

/** What stands on a windscreen: the nearest thing due first, and the code of the owner's page. */
export function windscreenLabelPdf(job: JobDocument, link: string): Promise<Buffer> {
  const { plan, state } = replay(job);
  const { due, plate, shop, number } = handOverSheet(job, plan, state);
  const dated = due.filter(({ when }) => when !== '').slice(0, 2);
  return labelPdf(job, say('Windscreen {number}', { number }), WINDSCREEN, { text: link, sideMm: 28 }, [
    ['plate', 13, shop.toUpperCase(), 2],
    ['figures', 9, plate || number],
    ...dated.flatMap(({ text, when }): LabelLine[] => [
      ['bold', 7.5, text.replace(/\s*Due [^.]*\.$/, ''), 2],
      ['body', 8, when, 2],
    ]),
    ...(dated.length === 0 ? ([['bold', 8, say('Nothing is due by date or distance.'), 2]] satisfies LabelLine[]) : []),
  ]);
}

/** A label for the bag that goes with the owner: code, number, plate, and the pieces in it. */
export function ownersBagPdf(job: JobDocument, origin: string): Promise<Buffer> {
  const { plan, state } = replay(job);
  const card = jobCardSheet(job, plan, state);
  return labelPdf(
    job,
    say('Owner’s bag {number}', { number: card.number }),
    BAG,
    { text: `${origin}${card.path}`, sideMm: 17 },
    [
      ['plate', 11, say('OWNER’S BAG')],
      ['figures', 8, card.number],
      ['figures', 8, job.vehicle.plate],
      ...ownersBagLines(plan, state).map((text): LabelLine => ['body', 7, text]),
    ],
  );
}
