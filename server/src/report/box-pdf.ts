import type { JobDocument } from '#contract/job.ts';
import { shopTime } from '#contract/wording/shop-time.ts';
import { discrepancies } from '#core/job/discrepancies.ts';
import { INK_2, Sheet } from './pdf-sheet.ts';
import { replay } from './replay.ts';

/** What the makers' boxes held otherwise than their sheets say: a page or more for each kit, to be sent to its maker. */
export function boxPdf(job: JobDocument): Promise<Buffer> {
  const { plan, state } = replay(job);
  const found = discrepancies(plan, state);
  const counted = Math.max(0, ...Object.values(state.lines).map(({ count }) => count?.atMs ?? 0));
  const sheet = new Sheet(`Box ${job.number}`, new Date(job.plannedStartMs), `${job.shop.name} · job ${job.number}`);
  sheet.plate('What was in the box', 20);
  sheet.text(
    `${job.shop.name}, job ${job.number}${counted > 0 ? `, counted ${shopTime(counted, plan.rules)}` : ', not counted yet'}.`,
    { color: INK_2 },
  );
  for (const kit of plan.kits) {
    const own = found.filter(({ item }) => item.kit === kit.id);
    sheet.plate(`${kit.title}, revision ${kit.revision}`);
    sheet.text(`To ${kit.maker}`);
    if (own.length === 0) {
      sheet.text('Every line that was counted agrees with the sheet.', { color: INK_2 });
      continue;
    }
    sheet.table(
      [
        { title: 'bag', width: 0.13 },
        { title: 'line', width: 0.08, figures: true },
        { title: 'piece', width: 0.27 },
        { title: 'sheet', width: 0.08, align: 'right', figures: true },
        { title: 'found', width: 0.08, align: 'right', figures: true },
        { title: 'what is wrong', width: 0.36 },
      ],
      own.map(({ item, found: there, missing, over, damaged, reasons, photos }) => ({
        cells: [
          item.bag,
          item.line,
          item.name,
          String(item.quantity),
          String(there),
          [
            missing > 0 && `${missing} missing`,
            over > 0 && `${over} too many`,
            damaged > 0 && `${damaged} not fit for use${reasons.length > 0 ? `: ${reasons.join('; ')}` : ''}`,
            photos.length > 0 && `${photos.length === 1 ? 'a photo is' : `${photos.length} photos are`} on the record`,
          ]
            .filter(Boolean)
            .join('; '),
        ],
        bad: missing + damaged > 0,
      })),
    );
  }
  return sheet.finish();
}
