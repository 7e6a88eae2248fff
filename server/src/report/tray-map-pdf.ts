import type { JobDocument } from '#contract/job.ts';
import { say } from '#contract/wording/say.ts';
import { traysOf } from '#core/job/trays.ts';
import { indexOf } from '#core/kit/plan.ts';
import { placeName } from '#core/kit/tray-layout.ts';
import { INK, INK_2, MARGIN, Sheet } from './pdf-sheet.ts';
import { replay } from './replay.ts';

/** Highest a compartment is drawn, points. */
const HIGHEST = 92;

/** The trays as they lie on the bench: each compartment with its letter and number, what is in it and how many. */
export function trayMapPdf(job: JobDocument): Promise<Buffer> {
  const { plan, state } = replay(job);
  const { trays, places } = traysOf(plan, state);
  const sheet = new Sheet(
    say('Trays {number}', { number: job.number }),
    new Date(job.plannedStartMs),
    say('{name} · job {number}', { name: job.shop.name, number: job.number }),
  );
  const { doc } = sheet;
  sheet.plate(say('Trays, job {number}', { number: job.number }), 20);
  sheet.text(
    say('{model}, {plate}. Laid out as the work takes it, look-alikes apart.', {
      model: job.vehicle.model,
      plate: job.vehicle.plate,
    }),
    {
      color: INK_2,
    },
  );
  const full = doc.page.width - 2 * MARGIN;
  for (const tray of trays) {
    const [width, height] = [full / tray.columns, Math.min(HIGHEST, full / tray.columns)];
    sheet.room(30 + tray.rows * height);
    sheet.plate(tray.name);
    const top = doc.y + 2;
    for (let row = 0; row < tray.rows; row += 1)
      for (let column = 0; column < tray.columns; column += 1) {
        const [left, upper] = [MARGIN + column * width, top + row * height];
        doc.rect(left, upper, width, height).lineWidth(0.8).stroke(INK);
        doc.font('figures').fontSize(7.5).fillColor(INK_2);
        doc.text(placeName({ row, column }), left + 3, upper + 3, { lineBreak: false });
        const id = [...places].find(
          ([, place]) => place.tray === tray.name && place.row === row && place.column === column,
        )?.[0];
        const item = id === undefined ? undefined : indexOf(plan).items.get(id);
        if (!item) continue;
        doc.font('plate').fontSize(13).fillColor(INK);
        doc.text(`${item.line} · ${item.quantity}`, left + 3, upper + 13, {
          width: width - 6,
          height: 15,
          ellipsis: true,
        });
        doc.font('body').fontSize(7);
        doc.text(item.name, left + 3, upper + 28, { width: width - 6, height: height - 31, ellipsis: true });
      }
    doc.x = MARGIN;
    doc.y = top + tray.rows * height + 6;
  }
  return sheet.finish();
}
