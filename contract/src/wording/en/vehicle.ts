import type { OdometerDoubt } from '#core/vehicle/odometer.ts';
import type { Dimensions, Ratings, VehicleDoubt, VehicleFault } from '#core/vehicle/vehicle.ts';
import type { SheetGap } from '#core/vehicle/vehicle-sheet.ts';
import { inLanguage } from '../say.ts';

export const RATING_TEXT: Record<keyof Ratings, string> = inLanguage({
  grossKg: 'gross vehicle weight rating',
  frontAxleKg: 'front axle rating',
  rearAxleKg: 'rear axle rating',
  combinationKg: 'gross combination rating',
  towKg: 'tow rating',
  kerbKg: 'kerb weight',
});

export const DIMENSION_TEXT: Record<keyof Dimensions, string> = inLanguage({
  wheelbaseMm: 'wheelbase, mm',
  hitchBehindMm: 'ball behind the rear axle, mm',
  kerbFrontKg: 'front axle at kerb weight, kg',
});

/** What a vehicle's own sheet lacks. */
export const SHEET_GAP_TEXT: Record<SheetGap, string> = inLanguage({
  kerbKg: 'its kerb weight',
  grossKg: 'its gross rating',
  kerbFrontKg: 'its front axle at kerb weight',
  wheelbaseMm: 'its wheelbase',
  hitchBehindMm: 'how far the ball is behind the axle',
  placeOfMass: 'where something fitted lies',
});

/** Why a vehicle cannot be saved, in English. */
export const VEHICLE_FAULTS: Record<VehicleFault['code'], string> = inLanguage({
  nameMissing: 'The {field} is empty.',
  monthImpossible: '{month} is no month a vehicle was built in.',
  yearImpossible: 'No vehicle is of the model year {year}: it lies between {from} and {to}.',
  ratingImpossible: 'The {rating} of {kg} kg cannot be.',
  dimensionImpossible: 'The {dimension} lies between {from} and {to}, was {value}.',
  odometerImpossible: 'The odometer must be a number from 0.',
});

/** What looks wrong about a vehicle and is kept all the same. */
export const VEHICLE_DOUBTS: Record<VehicleDoubt['code'], string> = inLanguage({
  vinForm: 'A VIN has 17 characters, this one {length}. Kept as it is.',
  vinCharacters: 'A VIN has no {characters}: letters I, O and Q are not used. Kept as it is.',
  vinCheckDigit:
    'The ninth character is {written}, and worked out it is {computed}: one character may be misread. Kept as it is.',
  monthOffYear: 'Built in {built}, and of the model year {year}: one of the two is a slip.',
  vinYear: 'The VIN says model year {years}, the vehicle {year}. Look at the plate.',
  ratingsDisagree: 'The {smaller} is above the {larger}. Look at the plate.',
  axlesBelowGross: 'The axles carry {axlesKg} kg together and the vehicle may weigh {grossKg} kg. Look at the plate.',
  tyreUnreadable: '“{tyre}” is no tyre size such as 265/65 R17.',
  wheelThreadUnreadable: '“{thread}” is no thread such as M12 x 1.5. A socket size is not a thread.',
});

/** What to ask about an odometer reading. */
export const ODOMETER_DOUBTS: Record<OdometerDoubt['code'], string> = inLanguage({
  odometerLower: 'Lower than at the last visit ({lastKm}). Is it right?',
  odometerMiles: 'Lower than at the last visit ({lastKm}). Read in miles it would be {asMilesKm}. Is it right?',
  odometerFar: '{byKm} more than at the last visit. Is it right?',
});
