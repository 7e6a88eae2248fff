import { plateNote, vehiclePlate } from '#contract/vehicle-plate.ts';
import { say } from '#contract/wording/say.ts';
import type { Vehicle } from '#core/vehicle/vehicle.ts';
import { INK_2, Sheet } from './pdf-sheet.ts';

/** The plate for the glove box: what the vehicle weighs with its kits, what it may carry and tow. One page. */
export function platePdf(vehicle: Vehicle, shop: string, atMs: number): Promise<Buffer> {
  const { vehicle: name, plate, weighs, may, lacks } = vehiclePlate(vehicle);
  const heading = [name, plate].filter(Boolean).join(', ');
  const sheet = new Sheet(
    say('What {heading} may carry', { heading }),
    new Date(atMs),
    say('{shop} · for the glove box', { shop }),
  );
  sheet.doc.font('plate').fontSize(30).fillColor('#000000').text(say('WHAT IT MAY CARRY'));
  sheet.text(heading, { bold: true });
  const rows = (list: ReadonlyArray<readonly [string, string]>) =>
    sheet.table(
      [
        { title: '', width: 0.55 },
        { title: '', width: 0.45, figures: true },
      ],
      list.map(([what, text]) => ({ cells: [what, text] })),
    );
  sheet.plate(say('Weighs'));
  if (weighs.length > 0) rows(weighs);
  else sheet.text(say('Nobody has entered its kerb weight.'));
  sheet.plate(say('May'));
  if (may.length > 0) rows(may);
  else sheet.text(say('Nobody has entered a rating from its plate.'));
  if (lacks) sheet.text(lacks);
  sheet.text(plateNote(), { color: INK_2 });
  return sheet.finish();
}
