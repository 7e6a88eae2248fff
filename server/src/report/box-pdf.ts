import type { JobDocument } from '#contract/job.ts';
import { say } from '#contract/wording/say.ts';
import { shopTime } from '#contract/wording/shop-time.ts';
import { discrepancies } from '#core/job/discrepancies.ts';
import { INK_2, Sheet } from './pdf-sheet.ts';
import { replay } from './replay.ts';

/** What the makers' boxes held otherwise than their sheets say: a page or more for each kit, to be sent to its maker. */
export function boxPdf(job: JobDocument): Promise<Buffer> {
  const { plan, state } = replay(job);
  const found = discrepancies(plan, state);
  const counted = Math.max(0, ...Object.values(state.lines).map(({ count }) => count?.atMs ?? 0));
  const sheet = new Sheet(
    say('Box {number}', { number: job.number }),
    new Date(job.plannedStartMs),
    say('{name} · job {number}', { name: job.shop.name, number: job.number }),
  );
  sheet.plate(say('What was in the box'), 20);
  sheet.text(
    say('{shop}, job {number}, {counted}.', {
      shop: job.shop.name,
      number: job.number,
      counted: counted > 0 ? say('counted {when}', { when: shopTime(counted, plan.rules) }) : say('not counted yet'),
    }),
    { color: INK_2 },
  );
  for (const kit of plan.kits) {
    const own = found.filter(({ item }) => item.kit === kit.id);
    sheet.plate(say('{title}, revision {revision}', { title: kit.title, revision: kit.revision }));
    sheet.text(say('To {maker}', { maker: kit.maker }));
    if (own.length === 0) {
      sheet.text(say('Every line that was counted agrees with the sheet.'), { color: INK_2 });
      continue;
    }
    sheet.table(
      [
        { title: say('bag'), width: 0.13 },
        { title: say('line'), width: 0.08, figures: true },
        { title: say('piece'), width: 0.27 },
        { title: say('sheet'), width: 0.08, align: 'right', figures: true },
        { title: say('found'), width: 0.08, align: 'right', figures: true },
        { title: say('what is wrong'), width: 0.36 },
      ],
      own.map(({ item, found: there, missing, over, damaged, reasons, photos }) => ({
        cells: [
          item.bag,
          item.line,
          item.name,
          String(item.quantity),
          String(there),
          [
            missing > 0 && say('{missing} missing', { missing }),
            over > 0 && say('{over} too many', { over }),
            damaged > 0 &&
              say('{damaged} not fit for use{which}', {
                damaged,
                which: reasons.length > 0 ? `: ${reasons.join('; ')}` : '',
              }),
            photos.length > 0 &&
              say('{which} on the record', {
                which: photos.length === 1 ? say('a photo is') : say('{count} photos are', { count: photos.length }),
              }),
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
