import { zodResolver } from '@hookform/resolvers/zod';
import { useId } from 'react';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { BottleInputSchema } from '#contract/crib.ts';
import { say } from '#contract/wording/say.ts';
import { api, call } from '../../shop/api.ts';
import { Button } from '../../ui/Button.tsx';
import { FormField, inputLook } from '../../ui/FormField.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { useOpenCrib } from './CribShell.tsx';
import { KIND_TEXT } from './compound-text.ts';

const empty = (value: unknown) => (value === '' ? undefined : value);
const FormSchema = z.object({
  name: z.string().trim().min(1, say('a name is needed')).max(120),
  kind: BottleInputSchema.shape.kind,
  lot: z.string().trim().min(1, say('the lot is printed on it')).max(40),
  sizeMl: z.coerce.number(say('must be a number')).min(0.5, say('from 0.5 mL')).max(20_000, say('to 20 000 mL')),
  expiresOn: z.iso.date(say('a date is needed')),
  openMonths: z.preprocess(empty, z.coerce.number(say('must be a number')).int().min(1).max(120).optional()),
  storeMaxC: z.coerce.number(say('must be a number')).min(0, say('from 0 °C')).max(60, say('to 60 °C')),
});
type Typed = z.input<typeof FormSchema>;
type Read = z.output<typeof FormSchema>;

/** A new bottle for the shelf, as printed on it. */
export function BottleForm({ onClose }: { onClose: () => void }) {
  const { act } = useOpenCrib();
  const id = useId();
  const {
    register,
    handleSubmit,
    formState: { errors, isSubmitting },
  } = useForm<Typed, unknown, Read>({
    resolver: zodResolver(FormSchema),
    defaultValues: {
      name: '',
      kind: 'threadlockerMedium',
      lot: '',
      sizeMl: '50',
      expiresOn: '',
      openMonths: '',
      storeMaxC: '28',
    },
  });
  const text = (name: keyof Typed, label: string, type = 'text', hint?: string) => (
    <FormField id={`${id}-${name}`} label={label} hint={hint} fault={errors[name]?.message}>
      <input
        id={`${id}-${name}`}
        type={type}
        className={inputLook(errors[name])}
        aria-invalid={errors[name] !== undefined}
        {...register(name)}
      />
    </FormField>
  );
  return (
    <Sheet
      open
      onClose={onClose}
      title={say('Put one on the shelf')}
      description={say('As printed on it and on its sheet.')}
    >
      <form
        noValidate
        className="grid gap-4"
        onSubmit={handleSubmit(async (json) => {
          if (await act(() => call(api.crib.bottles.$post({ json })))) onClose();
        })}
      >
        <div className="grid grid-cols-2 gap-4">
          {text('name', 'Called')}
          <FormField id={`${id}-kind`} label={say('Kind')}>
            <select id={`${id}-kind`} className={inputLook(undefined)} {...register('kind')}>
              {Object.entries(KIND_TEXT).map(([kind, label]) => (
                <option key={kind} value={kind}>
                  {label}
                </option>
              ))}
            </select>
          </FormField>
          {text('lot', 'Lot')}
          {text('sizeMl', 'Size, mL')}
          {text('expiresOn', 'Use by', 'date')}
          {text('openMonths', 'Months once opened', 'text', 'empty: the sheet does not say')}
          {text('storeMaxC', 'Store at most at, °C')}
        </div>
        <div className="grid grid-cols-2 gap-2">
          <Button onClick={onClose}>{say('Leave it')}</Button>
          <Button type="submit" tone="primary" disabled={isSubmitting}>
            {say('Put it there')}
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
