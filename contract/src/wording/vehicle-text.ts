import type { OdometerDoubt } from '#core/vehicle/odometer.ts';
import type { Ratings, VehicleDoubt, VehicleFault } from '#core/vehicle/vehicle.ts';

export const RATING_TEXT: Record<keyof Ratings, string> = {
  grossKg: 'gross vehicle weight rating',
  frontAxleKg: 'front axle rating',
  rearAxleKg: 'rear axle rating',
  combinationKg: 'gross combination rating',
  towKg: 'tow rating',
  kerbKg: 'kerb weight',
};

/** Why a vehicle cannot be saved. */
export function vehicleFaultText(fault: VehicleFault): string {
  switch (fault.code) {
    case 'nameMissing':
      return `The ${fault.field} is empty.`;
    case 'yearImpossible':
      return `No vehicle is of the model year ${fault.year}: it lies between ${fault.from} and ${fault.to}.`;
    case 'ratingImpossible':
      return `The ${RATING_TEXT[fault.field]} of ${fault.kg} kg cannot be.`;
    case 'odometerImpossible':
      return 'The odometer must be a number from 0.';
  }
}

/** What looks wrong about a vehicle and is kept all the same. */
export function vehicleDoubtText(doubt: VehicleDoubt): string {
  switch (doubt.code) {
    case 'vinForm':
      return `A VIN has 17 characters, this one ${doubt.length}. Kept as it is.`;
    case 'vinCharacters':
      return `A VIN has no ${doubt.characters.join(', ')}: letters I, O and Q are not used. Kept as it is.`;
    case 'vinCheckDigit':
      return `The ninth character is ${doubt.written}, and worked out it is ${doubt.computed}: one character may be misread. Kept as it is.`;
    case 'vinYear':
      return `The VIN says model year ${doubt.years.join(' or ')}, the vehicle ${doubt.year}. Look at the plate.`;
    case 'ratingsDisagree':
      return `The ${RATING_TEXT[doubt.smaller]} is above the ${RATING_TEXT[doubt.larger]}. Look at the plate.`;
    case 'axlesBelowGross':
      return `The axles carry ${doubt.axlesKg} kg together and the vehicle may weigh ${doubt.grossKg} kg. Look at the plate.`;
    case 'tyreUnreadable':
      return `“${doubt.tyre}” is no tyre size such as 265/65 R17.`;
    case 'wheelThreadUnreadable':
      return `“${doubt.thread}” is no thread such as M12 x 1.5. A socket size is not a thread.`;
  }
}

const km = (value: number): string => `${Math.round(value).toLocaleString('en-GB')} km`;

/** What to ask about an odometer reading. */
export function odometerDoubtText(doubt: OdometerDoubt): string {
  switch (doubt.code) {
    case 'odometerLower':
      return `Lower than at the last visit (${km(doubt.lastKm)}). Is it right?`;
    case 'odometerMiles':
      return `Lower than at the last visit (${km(doubt.lastKm)}). Read in miles it would be ${km(doubt.asMilesKm)}. Is it right?`;
    case 'odometerFar':
      return `${km(doubt.byKm)} more than at the last visit. Is it right?`;
  }
}
