import PDFDocument from 'pdfkit';
import { create } from 'qrcode';
import type { JobDocument } from '#contract/job.ts';
import { jobCardSheet } from '#contract/job-card.ts';
import { BAD, FONTS, INK_2, MARGIN, Sheet } from './pdf-sheet.ts';
import { replay } from './record-file.ts';

/** Millimetres to points. */
const mm = (length: number): number => (length * 72) / 25.4;
/** A label of the shop's label printer, mm: 90 by 38, a common size of the trade (chosen by us). */
const LABEL = { widthMm: 90, heightMm: 38 };

/** Draws a code as squares: sharp at any size, and no picture to embed. */
function drawCode(doc: PDFKit.PDFDocument, text: string, left: number, top: number, side: number): void {
  const { size, data } = create(text, { errorCorrectionLevel: 'M' }).modules;
  const step = side / size;
  data.forEach((dark, at) => {
    if (dark) doc.rect(left + (at % size) * step, top + Math.floor(at / size) * step, step + 0.05, step + 0.05);
  });
  doc.fill('#000000');
}

/** The job's card on A4: code, vehicle, kits, what applies and why, what was decided, cautions. */
export function jobCardPdf(job: JobDocument, origin: string): Promise<Buffer> {
  const { plan, state } = replay(job);
  const card = jobCardSheet(job, plan, state);
  const sheet = new Sheet(
    `Job card ${card.number}`,
    new Date(job.plannedStartMs),
    `${job.shop.name} · job ${card.number}`,
  );
  const { doc } = sheet;
  const side = mm(30);
  drawCode(doc, `${origin}${card.path}`, doc.page.width - MARGIN - side, MARGIN, side);
  doc.font('plate').fontSize(34).fillColor('#000000').text(`JOB ${card.number}`, MARGIN, MARGIN);
  doc.fontSize(24).text(card.heading.toUpperCase(), { width: doc.page.width - 2 * MARGIN - side - 12 });
  doc.y = Math.max(doc.y, MARGIN + side + 8);
  sheet.table(
    [
      { title: '', width: 0.2 },
      { title: '', width: 0.8, figures: true },
    ],
    card.facts.map(([name, text]) => ({ cells: [name, text] })),
  );
  sheet.plate('Kits');
  for (const kit of card.kits) sheet.text(kit, { bold: true });
  sheet.text(card.totals.map(([name, text]) => `${name}: ${text}`).join('   '));
  sheet.plate('What applies');
  if (card.applies.length === 0) sheet.text('Nothing depends on an answer.');
  for (const line of card.applies) sheet.text(line);
  if (card.decided.length > 0) sheet.plate('Decided');
  for (const line of card.decided) sheet.text(line);
  sheet.plate('Cautions');
  for (const { text, critical } of card.cautions) sheet.text(text, critical ? { bold: true, color: BAD } : {});
  sheet.text(
    'An aid, not an approval. The vehicle maker’s manual, the kit maker’s sheet and local law come first; a licensed technician or inspector decides where required.',
    { color: INK_2, size: 8 },
  );
  return sheet.finish();
}

/** A label for the parts tray: code, number, vehicle, plate, kits. */
export function jobLabelPdf(job: JobDocument, origin: string): Promise<Buffer> {
  const { plan, state } = replay(job);
  const card = jobCardSheet(job, plan, state);
  const doc = new PDFDocument({
    size: [mm(LABEL.widthMm), mm(LABEL.heightMm)],
    margin: mm(3),
    info: { Title: `Label ${card.number}`, Creator: 'Wrenchman', CreationDate: new Date(job.plannedStartMs) },
  });
  for (const [name, file] of Object.entries(FONTS)) doc.registerFont(name, file);
  const side = mm(LABEL.heightMm - 6);
  drawCode(doc, `${origin}${card.path}`, mm(3), mm(3), side);
  const left = mm(6) + side;
  const width = mm(LABEL.widthMm - 3) - left;
  const line = (font: string, size: number, text: string, lines = 1) =>
    doc
      .font(font)
      .fontSize(size)
      .fillColor('#000000')
      .text(text, left, doc.y, { width, height: size * 1.25 * lines, ellipsis: true });
  doc.y = mm(3);
  line('figures', 13, card.number);
  line('plate', 15, card.heading.toUpperCase());
  line('figures', 12, job.vehicle.plate);
  line('body', 8, plan.kits.map((kit) => kit.title).join(' + '), 3);
  return new Promise((resolve, reject) => {
    const chunks: Buffer[] = [];
    doc.on('data', (chunk: Buffer) => chunks.push(chunk));
    doc.on('end', () => resolve(Buffer.concat(chunks)));
    doc.on('error', reject);
    doc.end();
  });
}
