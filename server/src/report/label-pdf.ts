import PDFDocument from 'pdfkit';
import { create } from 'qrcode';
import type { JobDocument } from '#contract/job.ts';
import { jobCardSheet } from '#contract/job-card.ts';
import { piecePlaces } from '#core/job/piece-places.ts';
import { FONTS } from './pdf-sheet.ts';
import { replay } from './replay.ts';

/** Millimetres to points. */
export const mm = (length: number): number => (length * 72) / 25.4;

/** Labels of the shop's label printer, mm; common sizes of the trade (chosen by us). */
const TRAY = { widthMm: 90, heightMm: 38 };
const BAG = { widthMm: 57, heightMm: 32 };
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
type LabelLine = [font: 'figures' | 'plate' | 'body', size: number, text: string, lines?: number];

/** One label on its one page: the job's code at the left, words beside it, cut where they would leave it. */
function labelPdf(
  job: JobDocument,
  title: string,
  { widthMm, heightMm }: typeof TRAY,
  code: { text: string; sideMm: number },
  lines: readonly LabelLine[],
): Promise<Buffer> {
  const doc = new PDFDocument({
    size: [mm(widthMm), mm(heightMm)],
    margin: mm(EDGE),
    info: { Title: title, Creator: 'Wrenchman', CreationDate: new Date(job.plannedStartMs) },
  });
  for (const [name, file] of Object.entries(FONTS)) doc.registerFont(name, file);
  drawCode(doc, code.text, mm(EDGE), mm(EDGE), mm(code.sideMm));
  const left = mm(2 * EDGE + code.sideMm);
  const width = mm(widthMm - EDGE) - left;
  doc.y = mm(EDGE);
  for (const [font, size, text, most = 1] of lines)
    doc
      .font(font)
      .fontSize(size)
      .fillColor('#000000')
      .text(text, left, doc.y, { width, height: size * 1.25 * most, ellipsis: true });
  return new Promise((resolve, reject) => {
    const chunks: Buffer[] = [];
    doc.on('data', (chunk: Buffer) => chunks.push(chunk));
    doc.on('end', () => resolve(Buffer.concat(chunks)));
    doc.on('error', reject);
    doc.end();
  });
}

/** A label for the parts tray: code, number, vehicle, plate, kits. */
export function jobLabelPdf(job: JobDocument, origin: string): Promise<Buffer> {
  const { plan, state } = replay(job);
  const card = jobCardSheet(job, plan, state);
  const code = { text: `${origin}${card.path}`, sideMm: TRAY.heightMm - 2 * EDGE };
  return labelPdf(job, `Label ${card.number}`, TRAY, code, [
    ['figures', 13, card.number],
    ['plate', 15, card.heading.toUpperCase()],
    ['figures', 12, job.vehicle.plate],
    ['body', 8, plan.kits.map((kit) => kit.title).join(' + '), 3],
  ]);
}

/** Lines of pieces that the bag's label has room for. */
const BAG_LINES = 5;

/** A label for the bag that goes with the owner: code, number, plate, and the pieces in it. */
export function ownersBagPdf(job: JobDocument, origin: string): Promise<Buffer> {
  const { plan, state } = replay(job);
  const card = jobCardSheet(job, plan, state);
  const places = piecePlaces(plan, state);
  const inIt = plan.items.flatMap((item) => {
    const pieces = (places.get(item.id) ?? []).reduce(
      (sum, place) =>
        sum + (place.where === 'ownersBag' || (place.where === 'tray' && state.closed) ? place.pieces : 0),
      0,
    );
    return pieces > 0 ? [`${pieces} × ${item.name}`] : [];
  });
  const more = inIt.length - BAG_LINES;
  const told = more > 0 ? [...inIt.slice(0, BAG_LINES - 1), `and ${more + 1} lines more`] : inIt;
  return labelPdf(job, `Owner’s bag ${card.number}`, BAG, { text: `${origin}${card.path}`, sideMm: 17 }, [
    ['plate', 11, 'OWNER’S BAG'],
    ['figures', 8, card.number],
    ['figures', 8, job.vehicle.plate],
    ...(told.length > 0 ? told : ['Nothing is left over.']).map((text): LabelLine => ['body', 7, text]),
  ]);
}
