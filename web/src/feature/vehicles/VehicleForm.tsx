import { type FormEvent, useState } from 'react';
import type { StoredVehicle } from '#contract/vehicle.ts';
import { DIMENSION_TEXT, RATING_TEXT } from '#contract/wording/en/vehicle.ts';
import { say } from '#contract/wording/say.ts';
import { vehicleDoubtText, vehicleFaultText } from '#contract/wording/vehicle-text.ts';
import { buildMonthField, readBuildMonth } from '#core/kit/build-month.ts';
import { fittedLine, readFittedLine } from '#core/vehicle/fitted-line.ts';
import { KM_PER_MILE, odometerKm } from '#core/vehicle/odometer.ts';
import {
  type Dimensions,
  type NutSeat,
  type Ratings,
  type Vehicle,
  vehicleDoubts,
  vehicleFaults,
} from '#core/vehicle/vehicle.ts';
import { api, call, ProblemError } from '../../shop/api.ts';
import { failureText } from '../../shop/failure-text.ts';
import { Button } from '../../ui/Button.tsx';
import { FormField, inputLook } from '../../ui/FormField.tsx';

type Text = Record<string, string>;
const TEXT_FIELDS = [
  ['plate', say('Plate')],
  ['owner', say('Owner')],
  ['contact', say('Owner’s phone or mail')],
  ['make', say('Make')],
  ['model', say('Model')],
  ['engine', say('Engine')],
  ['gearbox', say('Gearbox')],
  ['trim', say('Trim')],
] as const;
const RATINGS = Object.entries(RATING_TEXT) as Array<[keyof Ratings, string]>;
const DIMENSIONS = Object.entries(DIMENSION_TEXT) as Array<[keyof Dimensions, string]>;
/**
 * The words kits ask with: any other word would fit no kit, and nobody would see why. One that is kept already stays in the
 * list.
 */
const chosenFrom = (words: readonly string[], kept = ''): Array<[string, string]> => [
  ['', say('not known')],
  ...[...words, ...(kept === '' || words.includes(kept) ? [] : [kept])].map((word): [string, string] => [word, word]),
];
const DRIVEN = ['front', 'rear', 'four'];
const BODIES = ['dual-cab', 'wagon', 'hatch', 'other'];

const numberOr = (text: string | undefined): number | undefined =>
  text === undefined || text.trim() === '' ? undefined : Number(text);
const textOr = (text: string | undefined): string | undefined => (text?.trim() ? text.trim() : undefined);

const fieldsOf = (vehicle: Partial<Vehicle>): Text => {
  const unit = vehicle.odometerUnit ?? 'km';
  const shown =
    vehicle.odometerKm === undefined
      ? undefined
      : unit === 'mi'
        ? vehicle.odometerKm / KM_PER_MILE
        : vehicle.odometerKm;
  return {
    ...Object.fromEntries(TEXT_FIELDS.map(([field]) => [field, vehicle[field] ?? ''])),
    modelYear: String(vehicle.modelYear ?? ''),
    buildMonth: vehicle.buildMonth === undefined ? '' : buildMonthField(vehicle.buildMonth),
    drivenWheels: vehicle.drivenWheels ?? '',
    body: vehicle.body ?? '',
    vin: vehicle.vin ?? '',
    odometer: shown === undefined ? '' : String(Math.round(shown)),
    odometerUnit: unit,
    thread: vehicle.wheels?.thread ?? '',
    nutSeat: vehicle.wheels?.nutSeat ?? '',
    perWheel: String(vehicle.wheels?.perWheel ?? ''),
    torque: vehicle.wheels?.torque ?? '',
    tyre: vehicle.wheels?.tyre ?? '',
    ...Object.fromEntries(RATINGS.map(([field]) => [field, String(vehicle.ratings?.[field] ?? '')])),
    ...Object.fromEntries(DIMENSIONS.map(([field]) => [field, String(vehicle.dimensions?.[field] ?? '')])),
    fitted: (vehicle.fitted ?? []).map(fittedLine).join('\n'),
    looked: vehicle.fitted === undefined ? '' : 'yes',
    note: vehicle.note ?? '',
  };
};

/** The vehicle the fields describe; a word already on the list keeps when and by which job it came. */
function vehicleOf(fields: Text, before: Partial<Vehicle>): Vehicle {
  const unit = fields.odometerUnit === 'mi' ? 'mi' : 'km';
  const reading = numberOr(fields.odometer);
  const given = <T extends object>(values: T): T | undefined =>
    Object.values(values).some((value) => value !== undefined) ? values : undefined;
  const lines = (fields.fitted ?? '').split('\n').flatMap((line) => readFittedLine(line) ?? []);
  return {
    ...before,
    id: before.id ?? 'new',
    make: fields.make ?? '',
    model: fields.model ?? '',
    plate: fields.plate ?? '',
    owner: fields.owner ?? '',
    contact: textOr(fields.contact),
    engine: textOr(fields.engine),
    gearbox: textOr(fields.gearbox),
    trim: textOr(fields.trim),
    drivenWheels: textOr(fields.drivenWheels),
    body: textOr(fields.body),
    vin: textOr(fields.vin),
    modelYear: numberOr(fields.modelYear),
    buildMonth: readBuildMonth(fields.buildMonth ?? ''),
    odometerKm: reading === undefined ? undefined : odometerKm(reading, unit),
    odometerUnit: unit,
    ratings: given(Object.fromEntries(RATINGS.map(([field]) => [field, numberOr(fields[field])])) as Ratings),
    dimensions: given(Object.fromEntries(DIMENSIONS.map(([field]) => [field, numberOr(fields[field])])) as Dimensions),
    wheels: given({
      thread: textOr(fields.thread),
      nutSeat: textOr(fields.nutSeat) as NutSeat | undefined,
      perWheel: numberOr(fields.perWheel),
      torque: textOr(fields.torque),
      tyre: textOr(fields.tyre),
    }),
    fitted:
      lines.length > 0 || fields.looked === 'yes'
        ? lines.map(({ word, amount }) => ({
            ...before.fitted?.find((entry) => entry.word === word),
            word,
            amount,
          }))
        : undefined,
    note: textOr(fields.note),
  };
}

/** A vehicle's facts, checked while they are typed: what cannot be is refused, what looks wrong is told and kept. */
export function VehicleForm({
  stored,
  told = {},
  onSaved,
  onLeave,
}: {
  stored?: StoredVehicle;
  /** What is known of a new one already: what was looked for and not found. */
  told?: Partial<Vehicle>;
  onSaved: (saved: StoredVehicle) => void;
  onLeave: () => void;
}) {
  const [fields, setFields] = useState<Text>(() => fieldsOf(stored?.vehicle ?? told));
  const [failure, setFailure] = useState<string>();
  const [busy, setBusy] = useState(false);
  const [tried, setTried] = useState(false);
  const vehicle = vehicleOf(fields, stored?.vehicle ?? {});
  const faults = vehicleFaults(vehicle, new Date().getFullYear());
  const doubts = vehicleDoubts(vehicle);
  const faultAt = (field: string) => {
    const fault = faults.find((entry) =>
      'field' in entry
        ? entry.field === field
        : field ===
          (entry.code === 'yearImpossible' ? 'modelYear' : entry.code === 'odometerImpossible' ? 'odometer' : ''),
    );
    return fault && (tried || fault.code !== 'nameMissing') ? vehicleFaultText(fault) : undefined;
  };
  const doubtAt = (codes: readonly string[]) =>
    doubts
      .filter(({ code }) => codes.includes(code))
      .map(vehicleDoubtText)
      .join(' ') || undefined;
  const input = (field: string, label: string, more: { hint?: string; numeric?: boolean } = {}) => (
    <FormField key={field} id={`v-${field}`} label={label} fault={faultAt(field)} hint={more.hint}>
      <input
        id={`v-${field}`}
        className={`${inputLook(faultAt(field))} ${more.numeric ? 'figures' : ''}`}
        inputMode={more.numeric ? 'decimal' : undefined}
        value={fields[field] ?? ''}
        onChange={(event) => setFields({ ...fields, [field]: event.target.value })}
      />
    </FormField>
  );
  const select = (field: string, label: string, options: ReadonlyArray<[string, string]>) => (
    <FormField id={`v-${field}`} label={label}>
      <select
        id={`v-${field}`}
        className={inputLook(undefined)}
        value={fields[field] ?? ''}
        onChange={(event) => setFields({ ...fields, [field]: event.target.value })}
      >
        {options.map(([value, text]) => (
          <option key={value} value={value}>
            {text}
          </option>
        ))}
      </select>
    </FormField>
  );
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    setTried(true);
    if (faults.length > 0) return;
    setBusy(true);
    try {
      // Undefined fields do not travel; the server sees the vehicle without them.
      const json = JSON.parse(JSON.stringify(vehicle)) as Vehicle;
      const saved = stored
        ? await call(
            api.vehicles[':id'].$put({ param: { id: vehicle.id }, json: { vehicle: json, version: stored.version } }),
          )
        : await call(api.vehicles.$post({ json }));
      onSaved(saved as StoredVehicle);
    } catch (error) {
      const changed = error instanceof ProblemError && error.problem.code === 'vehicleChanged';
      setFailure(
        changed
          ? say(
              'Someone else saved this vehicle meanwhile. What you typed stays here: leave it, look at theirs, then change it again.',
            )
          : failureText(error),
      );
    } finally {
      setBusy(false);
    }
  };
  return (
    <form onSubmit={(event) => void submit(event)} className="grid gap-5" noValidate>
      <div className="grid gap-3 sm:grid-cols-2">
        {TEXT_FIELDS.map(([field, label]) => input(field, label))}
        {input('modelYear', say('Model year'), { numeric: true })}
        <FormField id="v-buildMonth" label={say('Built in')} hint={doubtAt(['monthOffYear'])}>
          <input
            id="v-buildMonth"
            type="month"
            className={`figures ${inputLook(undefined)}`}
            value={fields.buildMonth ?? ''}
            onChange={(event) => setFields({ ...fields, buildMonth: event.target.value })}
          />
        </FormField>
        {input('vin', 'VIN', {
          hint:
            doubtAt(['vinForm', 'vinCharacters', 'vinCheckDigit', 'vinYear']) ??
            say('Never required. A scanner may type it.'),
        })}
        {select('drivenWheels', 'Driven wheels', chosenFrom(DRIVEN, fields.drivenWheels))}
        {select('body', 'Body', chosenFrom(BODIES, fields.body))}
        {input('odometer', say('Odometer'), { numeric: true })}
        {select('odometerUnit', 'Its dial shows', [
          ['km', 'km'],
          ['mi', 'miles'],
        ])}
      </div>
      <fieldset className="grid gap-3 sm:grid-cols-3">
        <legend className="plate col-span-full mb-2 text-2xl">{say('Ratings, kg, from its plate')}</legend>
        {RATINGS.map(([field, label]) =>
          input(field, `${label.charAt(0).toUpperCase()}${label.slice(1)}`, { numeric: true }),
        )}
      </fieldset>
      <fieldset className="grid gap-3 sm:grid-cols-3">
        <legend className="plate col-span-full mb-2 text-2xl">{say('For loads and towing')}</legend>
        {DIMENSIONS.map(([field, label]) =>
          input(field, `${label.charAt(0).toUpperCase()}${label.slice(1)}`, { numeric: true }),
        )}
      </fieldset>
      {doubtAt(['ratingsDisagree', 'axlesBelowGross']) && (
        <p role="status" className="border-l-4 border-bad pl-3">
          {doubtAt(['ratingsDisagree', 'axlesBelowGross'])}
        </p>
      )}
      <fieldset className="grid gap-3 sm:grid-cols-3">
        <legend className="plate col-span-full mb-2 text-2xl">{say('Wheels')}</legend>
        {input('thread', say('Stud thread'), { hint: doubtAt(['wheelThreadUnreadable']) ?? 'M12 x 1.5' })}
        {select('nutSeat', 'Nut seat', [
          ['', 'not known'],
          ['cone', 'cone'],
          ['ball', 'ball'],
          ['flat', 'flat'],
        ])}
        {input('perWheel', say('Nuts a wheel'), { numeric: true })}
        {input('torque', say('Torque, as its manual prints it'))}
        {input('tyre', say('Tyre size'), { hint: doubtAt(['tyreUnreadable']) })}
      </fieldset>
      <FormField
        id="v-fitted"
        label={say('Already fitted, one a line')}
        hint={say(
          'Kits ask for these words: air springs, roof rack. With a figure where one matters: lowered: 40 mm. Finished jobs add theirs.',
        )}
      >
        <textarea
          id="v-fitted"
          className="min-h-24 w-full border-2 border-ink bg-sheet p-3"
          value={fields.fitted}
          onChange={(event) => setFields({ ...fields, fitted: event.target.value })}
        />
      </FormField>
      <label className="flex min-h-11 items-center gap-3">
        <input
          type="checkbox"
          className="h-6 w-6"
          checked={fields.looked === 'yes' || (fields.fitted ?? '').trim() !== ''}
          onChange={(event) => setFields({ ...fields, looked: event.target.checked ? 'yes' : '' })}
        />
        {say('Somebody looked: what is not on the list is not there')}
      </label>
      {failure && (
        <p role="alert" className="text-bad">
          {failure}
        </p>
      )}
      <div className="grid grid-cols-2 gap-2">
        <Button onClick={onLeave}>{say('Leave it')}</Button>
        <Button type="submit" tone="primary" disabled={busy}>
          {busy ? say('Saving') : say('Save')}
        </Button>
      </div>
    </form>
  );
}
