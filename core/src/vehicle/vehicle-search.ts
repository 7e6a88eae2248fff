import { plainWord } from '../kit/vehicle-facts.ts';
import type { Vehicle } from './vehicle.ts';
import { plainVin } from './vin.ts';

/**
 * Vehicles that a few typed or scanned characters mean: by plate, owner, make and model, the whole VIN or its last six,
 * or by the number of a part that was fitted.
 * A plate or VIN that is met exactly comes first, so that a scanner and the enter key open the one meant.
 */
export function findVehicles<T extends Pick<Vehicle, 'plate' | 'owner' | 'make' | 'model' | 'vin' | 'fitted'>>(
  vehicles: readonly T[],
  query: string,
): T[] {
  const words = plainWord(query);
  if (words === '') return [...vehicles];
  const packed = plainVin(query);
  const rank = (vehicle: T): number | undefined => {
    const plate = plainVin(vehicle.plate);
    const vin = plainVin(vehicle.vin ?? '');
    if (plate === packed || (vin !== '' && (vin === packed || vin.slice(-6) === packed))) return 0;
    // A part's own number, off a recall or a claim.
    if (
      packed.length >= 3 &&
      vehicle.fitted?.some(({ serials = [] }) => serials.some((one) => plainVin(one) === packed))
    )
      return 0;
    if (plate.startsWith(packed)) return 1;
    const text = plainWord(`${vehicle.owner} ${vehicle.make} ${vehicle.model} ${vehicle.plate}`);
    if (words.split(' ').every((word) => text.includes(word))) return 2;
    return packed.length >= 3 && (plate.includes(packed) || vin.includes(packed)) ? 3 : undefined;
  };
  return vehicles
    .flatMap((vehicle) => {
      const place = rank(vehicle);
      return place === undefined ? [] : [{ vehicle, place }];
    })
    .sort((a, b) => a.place - b.place)
    .map(({ vehicle }) => vehicle);
}

/** Characters of a VIN. @see ISO 3779:2009, 4.1 */
const VIN_LENGTH = 17;
/** The longest plate there is has fewer. */
const PLATE_LENGTH = 12;

/** What somebody who looked for a vehicle and found none has told of it already. */
export function toldBy(query: string): Partial<Pick<Vehicle, 'plate' | 'owner' | 'vin'>> {
  const told = query.trim();
  const packed = plainVin(told);
  if (told === '') return {};
  if (packed.length === VIN_LENGTH && !told.includes(' ')) return { vin: packed };
  return /\d/.test(told) && packed.length <= PLATE_LENGTH ? { plate: told.toUpperCase() } : { owner: told };
}
