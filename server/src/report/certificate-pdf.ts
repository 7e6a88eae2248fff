import { CATCH_WORDS, FAULT_WORDS, MODE_WORDS, ROOM_WORDS } from '#contract/wording/en/drill.ts';
import { say } from '#contract/wording/say.ts';
import { FAULTS } from '#core/drill/fault-kind.ts';
import type { Shown } from '../service/drill-service.ts';
import { INK_2, Sheet } from './pdf-sheet.ts';

const day = (ms: number): string => new Date(ms).toISOString().slice(0, 10);
/** So many of the last drills are named: each can be run again by its seed. */
const DRILLS_NAMED = 30;

/** What a learner has shown, when and on which drill, by its seed, so that it can be run again. */
export function certificatePdf({ name, shop, mastery, attempts, signed }: Shown, atMs: number): Promise<Buffer> {
  const sheet = new Sheet(
    say('What {name} has shown in practice', { name }),
    new Date(atMs),
    say('{shop} · practice, no approval', { shop }),
  );
  sheet.doc.font('plate').fontSize(30).fillColor('#000000').text(say('SHOWN IN PRACTICE'));
  sheet.text(name, { bold: true, size: 13 });
  sheet.text(`${shop}, ${day(atMs)}`);
  const met = mastery.filter((entry) => entry.met > 0);
  sheet.plate(say('Faults told'));
  if (met.length === 0) sheet.text(say('None met yet.'));
  else
    sheet.table(
      [
        { title: say('Fault'), width: 0.46 },
        { title: say('Where'), width: 0.16 },
        { title: say('Met'), width: 0.1, align: 'right', figures: true },
        { title: say('Found in time'), width: 0.14, align: 'right', figures: true },
        { title: '', width: 0.14 },
      ],
      met.map(({ kind, met: times, caught, mastered }) => ({
        cells: [
          FAULT_WORDS[kind].name,
          ROOM_WORDS[FAULTS[kind].room],
          String(times),
          String(caught),
          mastered ? say('mastered') : say('not yet'),
        ],
      })),
    );
  sheet.plate(say('Drills'));
  if (attempts.length === 0) sheet.text(say('None done yet.'));
  else
    sheet.table(
      [
        { title: say('Drill'), width: 0.38 },
        { title: say('Mode'), width: 0.12 },
        { title: say('Seed'), width: 0.12, align: 'right', figures: true },
        { title: say('Day'), width: 0.16, figures: true },
        { title: say('Outcome'), width: 0.22 },
      ],
      attempts.slice(0, DRILLS_NAMED).map((attempt) => ({
        cells: [
          attempt.title,
          MODE_WORDS[attempt.mode].name,
          String(attempt.seed),
          day(attempt.endedMs),
          [
            `${attempt.caught} ${CATCH_WORDS.caught}`,
            ...(attempt.late > 0 ? [`${attempt.late} ${CATCH_WORDS.late}`] : []),
            ...(attempt.missed > 0 ? [`${attempt.missed} ${CATCH_WORDS.missed}`] : []),
            ...(attempt.falseAlarms > 0 ? [say('{falseAlarms} false', { falseAlarms: attempt.falseAlarms })] : []),
          ].join(', '),
        ],
      })),
    );
  if (signed.length > 0) {
    sheet.plate(say('Signed off'));
    for (const { title, signed: by } of signed)
      sheet.text(`${title}: ${by?.by ?? ''}, ${day(by?.atMs ?? 0)}${by?.comment ? `. ${by.comment}` : ''}`);
  }
  sheet.text(say('Practice shows what was told on a model. It is no approval to work alone and no licence.'), {
    color: INK_2,
  });
  return sheet.finish();
}
