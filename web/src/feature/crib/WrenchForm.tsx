import { zodResolver } from '@hookform/resolvers/zod';
import { addMonths, format } from 'date-fns';
import { useId } from 'react';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { type CribWrench, type WrenchInput, WrenchInputSchema } from '#contract/crib.ts';
import { say } from '#contract/wording/say.ts';
import { WRENCH_KIND_TEXT } from '#contract/wording/wrench-text.ts';
import { roundTo } from '#core/quantity/rounding.ts';
import { fromBase, type TorqueUnit, toBase } from '#core/quantity/unit.ts';
import { api, call } from '../../shop/api.ts';
import { Button } from '../../ui/Button.tsx';
import { FormField, inputLook } from '../../ui/FormField.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { useOpenCrib } from './CribShell.tsx';

const figure = z
  .string()
  .trim()
  .transform((text, context) => {
    if (text === '') return undefined;
    const value = Number(text.replace(',', '.'));
    if (Number.isFinite(value) && value > 0) return value;
    context.addIssue({ code: 'custom', message: say('must be a number above 0') });
    return z.NEVER;
  });

/** As typed: torques in the unit of the scale. */
const FormSchema = z.object({
  label: WrenchInputSchema.shape.label,
  kind: WrenchInputSchema.shape.kind,
  squareDrive: WrenchInputSchema.shape.squareDrive,
  scaleUnit: WrenchInputSchema.shape.scaleUnit,
  fullScale: figure.refine((value) => value !== undefined, say('the top of the scale is needed')),
  lowest: figure,
  division: figure,
  lengthMm: figure,
  serial: z.string().trim().max(40),
  intervalMonths: z.coerce.number().int().min(1, say('from 1 to 60 months')).max(60, say('from 1 to 60 months')),
  calibrationDueOn: WrenchInputSchema.shape.calibrationDueOn,
  live: z.boolean(),
});
type Typed = z.input<typeof FormSchema>;
type Read = z.output<typeof FormSchema>;

const asTyped = (nm: number | undefined, unit: TorqueUnit): string =>
  nm === undefined ? '' : String(roundTo(fromBase(nm, unit), 3));

function toInput(read: Read): WrenchInput {
  const nm = (value: number | undefined) => (value === undefined ? undefined : toBase(value, read.scaleUnit));
  return {
    label: read.label,
    kind: read.kind,
    squareDrive: read.squareDrive,
    scaleUnit: read.scaleUnit,
    fullScaleNm: nm(read.fullScale) ?? 0,
    lowestNm: nm(read.lowest),
    divisionNm: nm(read.division),
    lengthMm: read.lengthMm,
    serial: read.serial || undefined,
    intervalMonths: read.intervalMonths,
    calibrationDueOn: read.calibrationDueOn,
    live: read.live,
  };
}

/** A wrench as it is engraved and what its sheet says, new or changed. */
export function WrenchForm({
  wrench,
  onClose,
  onRetire,
}: {
  wrench?: CribWrench;
  onClose: () => void;
  onRetire?: () => void;
}) {
  const { act } = useOpenCrib();
  const id = useId();
  const unit = wrench?.scaleUnit ?? 'N·m';
  const {
    register,
    handleSubmit,
    watch,
    formState: { errors, isSubmitting, isDirty },
  } = useForm<Typed, unknown, Read>({
    resolver: zodResolver(FormSchema),
    defaultValues: {
      label: wrench?.label ?? '',
      kind: wrench?.kind ?? 'click',
      squareDrive: (wrench?.squareDrive as Typed['squareDrive']) ?? '1/2 in',
      scaleUnit: unit,
      fullScale: asTyped(wrench?.fullScaleNm, unit),
      lowest: asTyped(wrench?.lowestNm, unit),
      division: asTyped(wrench?.divisionNm, unit),
      lengthMm: wrench?.lengthMm === undefined ? '' : String(wrench.lengthMm),
      serial: wrench?.serial ?? '',
      intervalMonths: wrench?.intervalMonths ?? 12,
      calibrationDueOn: wrench?.calibrationDueOn ?? format(addMonths(Date.now(), 12), 'yyyy-MM-dd'),
      live: wrench?.live ?? false,
    },
  });
  const scaleUnit = watch('scaleUnit');
  const field = (name: keyof Typed, label: string, hint?: string) => (
    <FormField id={`${id}-${name}`} label={label} hint={hint} fault={errors[name]?.message}>
      <input
        id={`${id}-${name}`}
        className={inputLook(errors[name])}
        aria-invalid={errors[name] !== undefined}
        {...register(name)}
      />
    </FormField>
  );
  const choice = (
    name: keyof Typed,
    label: string,
    options: readonly string[],
    named: Readonly<Record<string, string>> = {},
  ) => (
    <FormField id={`${id}-${name}`} label={label} fault={errors[name]?.message}>
      <select id={`${id}-${name}`} className={inputLook(errors[name])} {...register(name)}>
        {options.map((option) => (
          <option key={option} value={option}>
            {named[option] ?? option}
          </option>
        ))}
      </select>
    </FormField>
  );
  return (
    <Sheet
      open
      onClose={onClose}
      wide
      title={wrench ? say('Change {label}', { label: wrench.label }) : say('Add a wrench')}
      description={say('As engraved on it and as its sheet says.')}
    >
      <form
        noValidate
        onSubmit={handleSubmit(async (read) => {
          const json = toInput(read);
          const kept = await act(() =>
            wrench
              ? call(api.crib.wrenches[':id'].$put({ param: { id: wrench.id }, json }))
              : call(api.crib.wrenches.$post({ json })),
          );
          if (kept) onClose();
        })}
      >
        <div className="grid gap-4 sm:grid-cols-2">
          {field('label', say('Painted on the handle'), 'W-6')}
          {field('serial', say('Serial number'))}
          {choice('kind', say('Kind'), ['click', 'digital', 'beam'], WRENCH_KIND_TEXT)}
          {choice('squareDrive', say('Square'), ['1/4 in', '3/8 in', '1/2 in', '3/4 in', '1 in'])}
          {choice('scaleUnit', say('Scale in'), ['N·m', 'lbf·ft', 'lbf·in', 'kgf·m', 'kgf·cm'])}
          {field('fullScale', say('Top of the scale, {scaleUnit}', { scaleUnit }))}
          {field('lowest', say('Lowest, {scaleUnit}', { scaleUnit }), say('empty: a fifth of the top (ISO 6789-1)'))}
          {field('division', say('One mark, {scaleUnit}', { scaleUnit }))}
          {field('lengthMm', say('Square to middle of the grip, mm'), say('for crow-feet'))}
          {field('intervalMonths', say('Months between calibrations'))}
          <FormField id={`${id}-due`} label={say('Calibration due')} fault={errors.calibrationDueOn?.message}>
            <input
              id={`${id}-due`}
              type="date"
              className={inputLook(errors.calibrationDueOn)}
              {...register('calibrationDueOn')}
            />
          </FormField>
          <label className="flex min-h-12 items-center gap-3 self-end">
            <input type="checkbox" className="size-6 accent-(--ink)" {...register('live')} />
            <b>{say('Sends its readings')}</b>
          </label>
        </div>
        <div className="mt-5 grid gap-2 sm:grid-cols-3">
          {wrench && onRetire ? (
            <Button tone="bad" onClick={onRetire}>
              {say('Take off the wall')}
            </Button>
          ) : (
            <span />
          )}
          <Button onClick={onClose}>{say('Leave it')}</Button>
          <Button type="submit" tone="primary" disabled={isSubmitting || !isDirty}>
            {say('Keep it')}
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
