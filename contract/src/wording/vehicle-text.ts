import type { BuildMonth } from '#core/kit/build-month.ts';
import type { OdometerDoubt } from '#core/vehicle/odometer.ts';
import type { VehicleDoubt, VehicleFault } from '#core/vehicle/vehicle.ts';
import { DIMENSION_TEXT, ODOMETER_DOUBTS, RATING_TEXT, VEHICLE_DOUBTS, VEHICLE_FAULTS } from './en/vehicle.ts';
import { say, thousands, type Values } from './say.ts';

/** Why a vehicle cannot be saved. */
export function vehicleFaultText(fault: VehicleFault): string {
  const more =
    fault.code === 'ratingImpossible'
      ? { rating: RATING_TEXT[fault.field] }
      : fault.code === 'dimensionImpossible'
        ? { dimension: DIMENSION_TEXT[fault.field] }
        : {};
  return say(VEHICLE_FAULTS[fault.code], { ...(fault as unknown as Values), ...more });
}

/** The facts of a doubt as they stand in a sentence. */
function doubtValues(doubt: VehicleDoubt): Values {
  switch (doubt.code) {
    case 'vinCharacters':
      return { characters: doubt.characters.join(', ') };
    case 'vinYear':
      return { years: doubt.years.join(' or '), year: doubt.year };
    case 'ratingsDisagree':
      return { smaller: RATING_TEXT[doubt.smaller], larger: RATING_TEXT[doubt.larger] };
    default:
      return doubt as unknown as Values;
  }
}

/** What looks wrong about a vehicle and is kept all the same. */
export const vehicleDoubtText = (doubt: VehicleDoubt): string => say(VEHICLE_DOUBTS[doubt.code], doubtValues(doubt));

/** `March 2019`. */
export const buildMonthText = (built: BuildMonth): string =>
  new Date(Date.UTC(Math.floor(built / 100), (built % 100) - 1)).toLocaleString('en-GB', {
    month: 'long',
    year: 'numeric',
    timeZone: 'UTC',
  });

const km = (value: number): string => `${thousands(value)} km`;

/** What to ask about an odometer reading. */
export function odometerDoubtText({ code, ...distances }: OdometerDoubt): string {
  const values = Object.fromEntries(Object.entries(distances).map(([name, value]) => [name, km(value)]));
  return say(ODOMETER_DOUBTS[code], values);
}
