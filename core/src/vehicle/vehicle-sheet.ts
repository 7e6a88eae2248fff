import type { KitLoads } from '../kit/kit-loads.ts';
import { sameWord } from '../kit/vehicle-facts.ts';
import { type AxleLoads, addedTo } from '../load/axle-loads.ts';
import { type HitchChain, type HitchPart, hitchChain } from '../load/hitch-chain.ts';
import { parsePrinted } from '../quantity/parse-printed.ts';
import type { Fitted, Vehicle } from './vehicle.ts';

/** Something fitted that weighs. */
export interface AddedMass {
  name: string;
  kg: number;
  /** Where, where that is known. */
  aheadOfRearAxleMm?: number;
}

/** A fact the sheet lacks. */
export type SheetGap = 'kerbKg' | 'grossKg' | 'kerbFrontKg' | 'wheelbaseMm' | 'hitchBehindMm' | 'placeOfMass';

/** A vehicle's own sheet with all that was fitted: plate ratings stay what they are. */
export interface VehicleSheet {
  added: AddedMass[];
  addedKg: number;
  /** Kerb mass with what was fitted. */
  kerbKg?: number;
  /** What each axle carries of it; only where every mass has its place. */
  axles?: AxleLoads;
  /** Gross rating less that: people, cargo, the ball's load. */
  payloadKg?: number;
  /** What may be towed, and put on the ball, and which part says so: the vehicle's own rating among them. */
  hitch: HitchChain;
  /** The least a maker allows on the ball without wheels. */
  carrierKg?: number;
  gaps: SheetGap[];
}

/** Mass written behind a word: `roof rack: 30 kg`. */
function writtenKg({ amount }: Fitted): number | undefined {
  const read = amount && parsePrinted(amount.printed);
  return read?.ok && read.value.dimension === 'mass' ? read.value.minBase : undefined;
}

/** The sheet of a vehicle: kerb mass, axles and payload with its kits, by the lever of each. */
export function vehicleSheet({
  ratings = {},
  dimensions = {},
  fitted = [],
}: Pick<Vehicle, 'ratings' | 'dimensions' | 'fitted'>): VehicleSheet {
  const added = fitted.flatMap((entry): AddedMass[] => {
    const kg = entry.loads?.massKg ?? writtenKg(entry);
    const at = entry.loads?.aheadOfRearAxleMm;
    return kg === undefined ? [] : [{ name: entry.word, kg, ...(at === undefined ? {} : { aheadOfRearAxleMm: at }) }];
  });
  const addedKg = added.reduce((sum, { kg }) => sum + kg, 0);
  const { kerbKg: plateKg, grossKg, towKg } = ratings;
  const { wheelbaseMm, hitchBehindMm, kerbFrontKg } = dimensions;
  const kerbKg = plateKg === undefined ? undefined : plateKg + addedKg;
  const placed = added.every(({ aheadOfRearAxleMm }) => aheadOfRearAxleMm !== undefined);
  const axles =
    plateKg === undefined || kerbFrontKg === undefined || wheelbaseMm === undefined || !placed
      ? undefined
      : added.reduce<AxleLoads>(
          (loads, { kg, aheadOfRearAxleMm = 0 }) => addedTo(loads, kg, aheadOfRearAxleMm, wheelbaseMm),
          { frontKg: kerbFrontKg, rearKg: plateKg - kerbFrontKg },
        );
  const parts: HitchPart[] = [
    ...(towKg === undefined ? [] : [{ name: 'vehicle', trailerKg: towKg }]),
    ...fitted.flatMap(({ loads }) => loads?.hitch ?? []),
  ];
  const chain = hitchChain(parts);
  const carriers = fitted.flatMap(({ loads }) => (loads?.carrierKg === undefined ? [] : [loads.carrierKg]));
  const gap = (missing: boolean, name: SheetGap): SheetGap[] => (missing ? [name] : []);
  return {
    added,
    addedKg,
    ...(kerbKg === undefined ? {} : { kerbKg }),
    ...(axles ? { axles } : {}),
    ...(kerbKg === undefined || grossKg === undefined ? {} : { payloadKg: grossKg - kerbKg }),
    hitch: chain.ok ? chain.value : { silent: [] },
    ...(carriers.length > 0 ? { carrierKg: Math.min(...carriers) } : {}),
    gaps: [
      ...gap(plateKg === undefined, 'kerbKg'),
      ...gap(grossKg === undefined, 'grossKg'),
      ...gap(kerbFrontKg === undefined, 'kerbFrontKg'),
      ...gap(wheelbaseMm === undefined, 'wheelbaseMm'),
      ...gap(hitchBehindMm === undefined, 'hitchBehindMm'),
      ...gap(!placed, 'placeOfMass'),
    ],
  };
}

/** A vehicle with kits that are not on its list yet: what its sheet says once they are on. */
export function vehicleWith<V extends Pick<Vehicle, 'fitted'>>(
  vehicle: V,
  kits: ReadonlyArray<{ title: string; loads?: KitLoads }>,
): V {
  const carried = vehicle.fitted ?? [];
  const fresh = kits
    .filter(({ title, loads }) => loads && !carried.some(({ word }) => sameWord(word, title)))
    .map(({ title, loads }) => ({ word: title, loads }));
  return fresh.length === 0 ? vehicle : { ...vehicle, fitted: [...carried, ...fresh] };
}
