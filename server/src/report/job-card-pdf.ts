import type { JobDocument } from '#contract/job.ts';
import { jobCardSheet } from '#contract/job-card.ts';
import { say } from '#contract/wording/say.ts';
import { drawCode, mm } from './label-pdf.ts';
import { BAD, INK_2, MARGIN, Sheet } from './pdf-sheet.ts';
import { replay } from './replay.ts';

/** The job's card on A4: code, vehicle, kits, what applies and why, what was decided, cautions. */
export function jobCardPdf(job: JobDocument, origin: string): Promise<Buffer> {
  const { plan, state } = replay(job);
  const card = jobCardSheet(job, plan, state);
  const sheet = new Sheet(
    say('Job card {number}', { number: card.number }),
    new Date(job.plannedStartMs),
    say('{name} · job {number}', { name: job.shop.name, number: card.number }),
  );
  const { doc } = sheet;
  const side = mm(30);
  drawCode(doc, `${origin}${card.path}`, doc.page.width - MARGIN - side, MARGIN, side);
  doc
    .font('plate')
    .fontSize(34)
    .fillColor('#000000')
    .text(say('JOB {number}', { number: card.number }), MARGIN, MARGIN);
  doc.fontSize(24).text(card.heading.toUpperCase(), { width: doc.page.width - 2 * MARGIN - side - 12 });
  doc.y = Math.max(doc.y, MARGIN + side + 8);
  sheet.table(
    [
      { title: '', width: 0.2 },
      { title: '', width: 0.8, figures: true },
    ],
    card.facts.map(([name, text]) => ({ cells: [name, text] })),
  );
  sheet.plate(say('Kits'));
  for (const kit of card.kits) sheet.text(kit, { bold: true });
  sheet.text(card.totals.map(([name, text]) => `${name}: ${text}`).join('   '));
  sheet.plate(say('What applies'));
  if (card.applies.length === 0) sheet.text(say('Nothing depends on an answer.'));
  for (const line of card.applies) sheet.text(line);
  if (card.decided.length > 0) sheet.plate(say('Decided'));
  for (const line of card.decided) sheet.text(line);
  sheet.plate(say('Cautions'));
  for (const { text, critical } of card.cautions) sheet.text(text, critical ? { bold: true, color: BAD } : {});
  sheet.text(
    say(
      'An aid, not an approval. The vehicle maker’s manual, the kit maker’s sheet and local law come first; a licensed technician or inspector decides where required.',
    ),
    { color: INK_2, size: 8 },
  );
  return sheet.finish();
}
