import { Link } from 'react-router';
import { plateNote, vehiclePlate } from '#contract/vehicle-plate.ts';
import { say } from '#contract/wording/say.ts';
import type { Vehicle } from '#core/vehicle/vehicle.ts';
import { vehicleSheet } from '#core/vehicle/vehicle-sheet.ts';

/** The towing tool of the bench with what is known of a vehicle. */
export function towLink(vehicle: Vehicle): string {
  const { ratings = {} } = vehicle;
  const { kerbKg, axles, hitch } = vehicleSheet(vehicle);
  const known: Array<[string, number | undefined]> = [
    ['kerb', kerbKg],
    ['kerbFront', axles && kerbKg ? Math.round((axles.frontKg / kerbKg) * 1000) / 10 : undefined],
    ['wheelbase', vehicle.dimensions?.wheelbaseMm],
    ['behind', vehicle.dimensions?.hitchBehindMm],
    ['gross', ratings.grossKg],
    ['front', ratings.frontAxleKg],
    ['rear', ratings.rearAxleKg],
    ['both', ratings.combinationKg],
    ['towed', hitch.trailerKg],
    ['ball', hitch.tongueKg],
  ];
  // A rating nobody entered stays empty there: it is not checked, and not another vehicle's.
  const rating = new Set(['gross', 'front', 'rear', 'both', 'towed', 'ball']);
  const query = known.flatMap(
    ([key, value]): Array<[string, string]> =>
      value === undefined ? (rating.has(key) ? [[key, '']] : []) : [[key, String(Math.round(value * 10) / 10)]],
  );
  return `/bench/tow?${new URLSearchParams(query).toString()}`;
}

/** What a vehicle weighs with its kits, and what it may carry and tow. */
export function Loads({ vehicle }: { vehicle: Vehicle }) {
  const { weighs, may, lacks } = vehiclePlate(vehicle);
  const rows = (list: ReadonlyArray<readonly [string, string]>) => (
    <dl className="grid grid-cols-[minmax(8rem,1fr)_minmax(0,auto)] gap-x-4 border-t border-rule">
      {list.map(([name, text]) => (
        <div key={name} className="contents">
          <dt className="border-b border-hair py-1.5 break-words text-ink-2">{name}</dt>
          <dd className="figures border-b border-hair py-1.5 text-right font-bold">{text}</dd>
        </div>
      ))}
    </dl>
  );
  return (
    <section aria-label={say('What it may carry')} className="mt-5 max-w-3xl">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <h2 className="plate text-3xl">{say('What it may carry')}</h2>
        <span className="flex flex-wrap gap-2">
          <Link
            to={towLink(vehicle)}
            className="flex min-h-14 items-center border-2 border-ink bg-sheet px-4 font-bold"
          >
            {say('A trailer day')}
          </Link>
          <a
            download
            href={`/api/vehicles/${encodeURIComponent(vehicle.id)}/plate.pdf`}
            className="flex min-h-14 items-center border-2 border-ink bg-sheet px-4 font-bold"
          >
            {say('Plate for the glove box')}
          </a>
        </span>
      </div>
      {weighs.length + may.length === 0 && (
        <p className="mt-2 text-ink-2">{say('Nothing of its plate has been entered: Change, under Facts.')}</p>
      )}
      <div className="mt-2 grid gap-4">
        {weighs.length > 0 && rows(weighs)}
        {may.length > 0 && rows(may)}
      </div>
      {lacks && <p className="mt-2">{lacks}</p>}
      <p className="mt-2 text-sm text-ink-2">{plateNote()}</p>
    </section>
  );
}
