import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { MOST_BAYS } from '#contract/shop.ts';
import { say } from '#contract/wording/say.ts';
import type { HouseRules } from '#core/kit/house-rules.ts';
import { api, call } from '../../shop/api.ts';
import { useChange } from '../../shop/queries.ts';
import { Button } from '../../ui/Button.tsx';
import { FormField, inputLook } from '../../ui/FormField.tsx';
import { RuleFields } from './RuleFields.tsx';
import { SessionHours } from './SessionHours.tsx';

/** Fewest characters of a PIN. */
const LEAST = 4;

const FormSchema = z
  .object({
    code: z.string().trim().min(4, say('the code off the console')),
    shop: z.string().trim().min(1, say('the shop needs a name')).max(120),
    bays: z
      .string()
      .refine(
        (text) => /^\d{1,2}$/.test(text) && Number(text) >= 1 && Number(text) <= MOST_BAYS,
        say('1 to {mostBays}', { mostBays: MOST_BAYS }),
      ),
    zone: z.string(),
    units: z.enum(['metric', 'inch']),
    dates: z.enum(['dayFirst', 'monthFirst', 'yearFirst']),
    name: z.string().trim().min(1, say('your name, as it stands on records')).max(120),
    initials: z
      .string()
      .trim()
      .regex(/^\p{L}{1,4}$/u, say('one to four letters')),
    secret: z
      .string()
      .min(LEAST, say('at least {least} characters', { least: LEAST }))
      .max(200),
    again: z.string(),
  })
  .refine(({ secret, again }) => secret === again, { path: ['again'], message: say('not the same as above') });
type Typed = z.infer<typeof FormSchema>;

/** The zone this device stands in: most likely the shop's. */
const HERE = Intl.DateTimeFormat().resolvedOptions().timeZone;

/** The first page of an empty installation: the code off the console, the shop, and its first lead. */
export default function FirstRun() {
  const { act, failure } = useChange('people');
  const [opened, setOpened] = useState(false);
  const [chosen, setChosen] = useState<Partial<HouseRules>>({});
  const [sessionHours, setSessionHours] = useState<number>();
  const {
    register,
    handleSubmit,
    formState: { errors, isSubmitting },
  } = useForm<Typed>({
    resolver: zodResolver(FormSchema),
    defaultValues: {
      code: '',
      shop: '',
      bays: '4',
      zone: HERE,
      units: 'metric',
      dates: 'dayFirst',
      name: '',
      initials: '',
      secret: '',
      again: '',
    },
  });
  const text = (name: keyof Typed, label: string, rest: React.ComponentProps<'input'> & { hint?: string } = {}) => {
    const { hint, ...input } = rest;
    return (
      <FormField id={`first-${name}`} label={label} hint={hint} fault={errors[name]?.message}>
        <input
          id={`first-${name}`}
          className={inputLook(errors[name])}
          aria-invalid={errors[name] !== undefined}
          autoComplete="off"
          {...input}
          {...register(name)}
        />
      </FormField>
    );
  };
  if (opened) return <p className="text-lg">{say('The shop is open. Choose your name and sign in.')}</p>;
  return (
    <div className="grid gap-4">
      <form
        id="first-run"
        noValidate
        className="grid gap-4"
        onSubmit={handleSubmit(async ({ code, shop, bays, zone, units, dates, name, initials, secret }) => {
          const rules = {
            ...chosen,
            ...(zone === 'UTC' ? {} : { timeZone: zone }),
            ...(units === 'inch' ? { units } : {}),
            ...(dates === 'dayFirst' ? {} : { dates }),
          };
          const json = {
            code,
            shop: { name: shop, bays: Number(bays), ...(sessionHours === undefined ? {} : { sessionHours }), rules },
            lead: { name, initials, secret },
          };
          if (await act(() => call(api.opening.$post({ json })))) setOpened(true);
        })}
      >
        <h2 className="plate text-4xl">{say('Open the shop')}</h2>
        <p className="text-ink-2">
          {say(
            'Nothing is set up on this server yet. The code stands on the console where it was started, and counts once.',
          )}
        </p>
        {text('code', 'Code from the console', { hint: say('like K7QM-2XWD') })}
        <div className="grid grid-cols-[1fr_6rem] gap-3">
          {text('shop', 'Name of the shop')}
          {text('bays', 'Bays', { inputMode: 'numeric' })}
        </div>
        <FormField id="first-zone" label={say('Time zone')} hint={say('What times on cards and records are told in.')}>
          <select id="first-zone" className={inputLook(undefined)} {...register('zone')}>
            {[...new Set(['UTC', HERE, ...Intl.supportedValuesOf('timeZone')])].map((zone) => (
              <option key={zone} value={zone}>
                {zone.replaceAll('_', ' ')}
              </option>
            ))}
          </select>
        </FormField>
        <div className="grid grid-cols-2 gap-3">
          <FormField id="first-units" label={say('Units')} hint={say('What comes first; both always show.')}>
            <select id="first-units" className={inputLook(undefined)} {...register('units')}>
              <option value="metric">{say('mm and N·m')}</option>
              <option value="inch">{say('inch and lbf')}</option>
            </select>
          </FormField>
          <FormField id="first-dates" label={say('Dates and clock')} hint={say('On screens, cards and records.')}>
            <select id="first-dates" className={inputLook(undefined)} {...register('dates')}>
              <option value="dayFirst">{say('27 Nov 14:30')}</option>
              <option value="monthFirst">{say('Nov 27, 2:30 PM')}</option>
              <option value="yearFirst">2026-11-27 14:30</option>
            </select>
          </FormField>
        </div>
        <div className="grid grid-cols-[1fr_6rem] gap-3">
          {text('name', 'Your name, the first lead')}
          {text('initials', 'Initials')}
        </div>
        <div className="grid grid-cols-2 gap-3">
          {text('secret', 'PIN or password', { type: 'password' })}
          {text('again', 'The same again', { type: 'password' })}
        </div>
      </form>
      {/* Outside the form: what is typed in a rule and ended with Enter opens no shop. */}
      <details className="border-2 border-rule p-3">
        <summary className="min-h-11 cursor-pointer font-bold">
          {say('Hours and house rules: now, or later under The shop')}
        </summary>
        <div className="mt-3 grid gap-6">
          <SessionHours hours={sessionHours} onHours={setSessionHours} />
          <RuleFields rules={chosen} onChange={setChosen} opening />
        </div>
      </details>
      {failure && (
        <p role="alert" className="font-bold text-bad">
          {failure}
        </p>
      )}
      <Button type="submit" form="first-run" tone="primary" disabled={isSubmitting}>
        {say('Open the shop')}
      </Button>
    </div>
  );
}
