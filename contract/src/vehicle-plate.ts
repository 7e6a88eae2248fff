import type { Vehicle } from '#core/vehicle/vehicle.ts';
import { vehicleSheet } from '#core/vehicle/vehicle-sheet.ts';
import { SHEET_GAP_TEXT } from './wording/en/vehicle.ts';
import { say, thousands } from './wording/say.ts';

/** What a vehicle may carry and tow, in lines: the screen, the plate for the glove box and the hand-over set the same. */
export interface VehiclePlate {
  vehicle: string;
  plate: string;
  /** Kerb mass, piece by piece, to the sum. */
  weighs: Array<[name: string, text: string]>;
  may: Array<[name: string, text: string]>;
  /** What is not known, in a sentence; empty where nothing lacks. */
  lacks: string;
}

const kg = (value: number): string => `${thousands(value)} kg`;
const signed = (value: number): string => `${value < 0 ? '−' : '+'}${kg(Math.abs(value))}`;
const given = (rows: Array<[string, string | undefined]>): Array<[string, string]> =>
  rows.flatMap(([name, text]): Array<[string, string]> => (text === undefined ? [] : [[name, text]]));
const by = (value: number | undefined, who: string | undefined): string | undefined =>
  value === undefined ? undefined : `${kg(value)}${who ? say(', by the {who}', { who }) : ''}`;

/** The plate of a vehicle: its ratings, what it weighs with its kits, what is left of them. */
export function vehiclePlate(vehicle: Vehicle): VehiclePlate {
  const sheet = vehicleSheet(vehicle);
  const { ratings = {} } = vehicle;
  const { axles, hitch } = sheet;
  const axle = (now: number | undefined, rating: number | undefined): string | undefined =>
    now === undefined
      ? rating === undefined
        ? undefined
        : say('rated {kg}', { kg: kg(rating) })
      : `${kg(now)}${rating === undefined ? '' : say(' of {kg}, {kg2} left', { kg: kg(rating), kg2: kg(rating - now) })}`;
  return {
    vehicle: `${vehicle.make} ${vehicle.model}`,
    plate: vehicle.plate,
    weighs: given([
      [say('Kerb weight, from the plate'), ratings.kerbKg === undefined ? undefined : kg(ratings.kerbKg)],
      ...sheet.added.map((added): [string, string] => [added.name, signed(added.kg)]),
      [
        say('Kerb weight with what was fitted'),
        sheet.kerbKg === undefined || sheet.added.length === 0 ? undefined : kg(sheet.kerbKg),
      ],
    ]),
    may: given([
      [say('Gross weight, at most'), ratings.grossKg === undefined ? undefined : kg(ratings.grossKg)],
      [say('People, cargo and the ball’s load'), sheet.payloadKg === undefined ? undefined : kg(sheet.payloadKg)],
      [say('Front axle'), axle(axles?.frontKg, ratings.frontAxleKg)],
      [say('Rear axle'), axle(axles?.rearKg, ratings.rearAxleKg)],
      [
        say('Vehicle and trailer together'),
        ratings.combinationKg === undefined ? undefined : kg(ratings.combinationKg),
      ],
      [say('Trailer'), by(hitch.trailerKg, hitch.trailerLimitedBy)],
      [say('On the ball'), by(hitch.tongueKg, hitch.tongueLimitedBy)],
      [say('Rack or box on the ball'), sheet.carrierKg === undefined ? undefined : kg(sheet.carrierKg)],
    ]),
    lacks:
      sheet.gaps.length === 0
        ? ''
        : say('Not known: {gaps}.', { gaps: sheet.gaps.map((gap) => SHEET_GAP_TEXT[gap]).join(', ') }),
  };
}

/** What stands under every such figure. */
export const plateNote = (): string =>
  say(
    'Kits do not raise what the vehicle’s plate says. Worked from what was entered: plate, manual and local law decide, and a licensed weighbridge weighs.',
  );
