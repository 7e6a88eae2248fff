import type { BottleInput, ToolInput } from '#contract/crib.ts';
import type { PersonRow, RowVerdict, VehicleRow, WrenchRow } from '#contract/moving-in/brought.ts';
import type { DrawerInput } from '#contract/shelf.ts';
import { say } from '#contract/wording/say.ts';
import { vehicleFaultText } from '#contract/wording/vehicle-text.ts';
import type { Bottle } from '#core/crib/bottle.ts';
import { judgeCheck } from '#core/crib/check-pull.ts';
import type { CribTool } from '#core/crib/crib-tool.ts';
import type { ShelfLine } from '#core/crib/shelf.ts';
import { type Vehicle, type VehicleFault, vehicleFaults } from '#core/vehicle/vehicle.ts';
import { plainVin } from '#core/vehicle/vin.ts';
import { calibrationResult, readingsByPoint } from '#core/wrench/calibration.ts';
import type { Wrench } from '#core/wrench/wrench.ts';
import { VEHICLE_FAULT_PLACE } from '../catalog-service.ts';
import { lockReason, rangeFault } from '../crib-service.ts';

const fault = (field: string, reason: string): RowVerdict => ({ verdict: 'fault', faults: [{ field, reason }] });
const NEW: RowVerdict = { verdict: 'new' };

/** Letters and digits alone, as labels and names are compared. */
const bare = (text: string): string => text.toUpperCase().replace(/[^\p{L}\p{N}]/gu, '');

/** Verdicts of rows that are told apart by a key; the same key twice in the file is a fault of the second. */
function byKey<Row>(
  rows: readonly Row[],
  known: ReadonlyMap<string, string>,
  keysOf: (row: Row) => Array<{ field: string; key: string }>,
  judge: (row: Row) => RowVerdict,
): RowVerdict[] {
  const seen = new Map<string, number>();
  return rows.map((row, at) => {
    const keys = keysOf(row).filter(({ key }) => key !== '');
    const there = keys.map(({ key }) => known.get(key)).find((what) => what !== undefined);
    const twice = keys.find(({ key }) => seen.has(key));
    for (const { key } of keys) if (!seen.has(key)) seen.set(key, at);
    if (twice)
      return {
        verdict: 'fault',
        faults: [{ field: twice.field, reason: say('stands in the table twice'), twin: seen.get(twice.key) ?? 0 }],
      };
    return there === undefined ? judge(row) : { verdict: 'there', what: there };
  });
}

/** Verdicts of rows that may be there several times: as many as the shop has are there, the rest is new. */
function byCount<Row>(
  rows: readonly Row[],
  known: readonly string[],
  keyOf: (row: Row) => string,
  what: (row: Row) => string,
) {
  const left = new Map<string, number>();
  for (const key of known) left.set(key, (left.get(key) ?? 0) + 1);
  return rows.map((row): RowVerdict => {
    const key = keyOf(row);
    const some = left.get(key) ?? 0;
    if (some === 0) return NEW;
    left.set(key, some - 1);
    return { verdict: 'there', what: what(row) };
  });
}

const placeOf = (found: VehicleFault): string => ('field' in found ? found.field : VEHICLE_FAULT_PLACE[found.code]);

/** A vehicle is known by its VIN or its plate. */
export function judgeVehicles(rows: readonly VehicleRow[], known: readonly Vehicle[], yearNow: number): RowVerdict[] {
  const keys = ({ vin = '', plate }: Pick<Vehicle, 'vin' | 'plate'>) => [
    { field: 'vin', key: vin && `vin ${plainVin(vin)}` },
    { field: 'plate', key: plate && `plate ${plainVin(plate)}` },
  ];
  const there = new Map(
    known.flatMap((vehicle) => keys(vehicle).map(({ key }) => [key, `${vehicle.model}, ${vehicle.plate}`] as const)),
  );
  return byKey(rows, there, keys, (row) => {
    const faults = vehicleFaults({ ...row, id: '' }, yearNow);
    return faults.length === 0
      ? NEW
      : {
          verdict: 'fault',
          faults: faults.map((found) => ({ field: placeOf(found), reason: vehicleFaultText(found) })),
        };
  });
}

/** A wrench is known by its label. A calibration must be whole; one out of limits comes in and is locked. */
export function judgeWrenches(rows: readonly WrenchRow[], known: readonly Pick<Wrench, 'label'>[]): RowVerdict[] {
  const there = new Map(known.map(({ label }) => [bare(label), label]));
  return byKey(
    rows,
    there,
    ({ label }) => [{ field: 'label', key: bare(label) }],
    (row) => {
      const reversed = rangeFault(row);
      if (reversed)
        return fault(
          'lowestNm',
          say('the lowest torque lies above the highest: {detail}', { detail: reversed.detail }),
        );
      if (!row.calibration) return NEW;
      const { readings } = row.calibration;
      if (!calibrationResult(row, readingsByPoint(row, readings)).complete)
        return fault('calibration.readings', say('five readings at 20, 60 and 100 % of full scale make a calibration'));
      const verdict = judgeCheck(row, readings);
      return verdict.within
        ? NEW
        : {
            verdict: 'new',
            remark: say('comes in locked: {lockReason}', { lockReason: lockReason('calibration', verdict) }),
          };
    },
  );
}

const toolKey = ({ kind, name, drive, squareDrive = '', place = '' }: ToolInput): string =>
  JSON.stringify([kind, bare(name), drive ?? null, bare(squareDrive), bare(place)]);

/** The same socket may hang there several times. */
export const judgeTools = (rows: readonly ToolInput[], known: readonly CribTool[]): RowVerdict[] =>
  byCount(
    rows,
    known.map((tool) => toolKey(tool)),
    toolKey,
    ({ name }) => name,
  );

const bottleKey = ({
  name,
  kind,
  lot,
  sizeMl,
  expiresOn,
}: Pick<Bottle, 'name' | 'kind' | 'lot' | 'sizeMl' | 'expiresOn'>) =>
  JSON.stringify([bare(name), kind, bare(lot), sizeMl, expiresOn]);

/** Several bottles of one lot are several bottles. */
export const judgeBottles = (rows: readonly BottleInput[], known: readonly Bottle[]): RowVerdict[] =>
  byCount(rows, known.map(bottleKey), bottleKey, ({ name, lot }) => say('{name}, lot {lot}', { name, lot }));

/** A drawer is known by its place. */
export const judgeDrawers = (rows: readonly DrawerInput[], known: readonly ShelfLine[]): RowVerdict[] =>
  byKey(
    rows,
    new Map(known.map(({ bin, name }) => [bare(bin), `${bin}: ${name}`])),
    ({ bin }) => [{ field: 'bin', key: bare(bin) }],
    () => NEW,
  );

interface KnownPerson {
  name: string;
  initials: string;
  leftAtMs?: number | null;
}

/** A person is known by name and initials; initials are one person's, and a mentor stands in the table or the shop. */
export function judgePeople(rows: readonly PersonRow[], known: readonly KnownPerson[]): RowVerdict[] {
  const here = known.filter(({ leftAtMs }) => !leftAtMs);
  const all = new Set([...here, ...rows].map(({ initials }) => bare(initials)));
  return byKey(
    rows,
    new Map(),
    ({ initials }) => [{ field: 'initials', key: bare(initials) }],
    ({ name, initials, mentor }) => {
      const same = here.find((person) => bare(person.initials) === bare(initials));
      if (same && bare(same.name) === bare(name)) return { verdict: 'there', what: same.name };
      if (same) return fault('initials', say('{initials} is {name}', { initials: same.initials, name: same.name }));
      if (mentor !== undefined && !all.has(bare(mentor)))
        return fault('mentor', say('nobody here has the initials {mentor}', { mentor }));
      if (mentor !== undefined && bare(mentor) === bare(initials))
        return fault('mentor', say('nobody is their own mentor'));
      return NEW;
    },
  );
}
