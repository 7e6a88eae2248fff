import { useState } from 'react';
import { CalcRefusal } from '#contract/calc/joint-input.ts';
import { say } from '#contract/wording/say.ts';
import { dimensionOf } from '#core/quantity/unit.ts';
import { useSettings } from '../../shop/settings.ts';
import { type Field, type Values, valueAt } from './bench-field.ts';
import { readNumber } from './bench-reader.ts';
import { figuresIn, inLine } from './show-figure.ts';

const box = 'min-h-12 w-full border-2 bg-sheet px-3 text-lg';

/** Beneath a number: the same in the other system, or what the field means. */
function Beneath({ field, text }: { field: Field; text: string }) {
  const system = useSettings((settings) => settings.system);
  if (field.kind !== 'number') return null;
  const show = figuresIn(system);
  let other = '';
  try {
    const base = readNumber(field, text);
    if (base !== undefined && field.unit) {
      const dimension = dimensionOf(field.unit);
      if (dimension === 'torque') other = inLine(show.torque(base));
      else if (dimension === 'length') other = inLine(show.length(base));
      else if (dimension === 'temperature') other = inLine(show.temperature(base));
    }
  } catch (error) {
    // What cannot be read is said at the field by the tool itself.
    if (!(error instanceof CalcRefusal)) throw error;
  }
  const note = [other, field.hint].filter(Boolean).join(' · ');
  return note === '' ? null : <span className="text-sm text-ink-2">{note}</span>;
}

function Entry({
  field,
  values,
  fields,
  fault,
  onChange,
}: {
  field: Field;
  values: Values;
  fields: readonly Field[];
  fault?: string;
  onChange: (key: string, value: string) => void;
}) {
  const value = valueAt(fields, values, field.key);
  const options =
    field.kind === 'choice' ? (typeof field.options === 'function' ? field.options(values) : field.options) : [];
  const shared = {
    id: `field-${field.key}`,
    'aria-invalid': fault !== undefined,
    'aria-describedby': fault === undefined ? undefined : `fault-${field.key}`,
    className: `${box} ${fault === undefined ? 'border-rule' : 'border-bad'}`,
    value,
  };
  return (
    <div className={`grid content-start gap-1 ${field.kind === 'lines' ? 'col-span-2' : ''}`}>
      <label htmlFor={`field-${field.key}`} className="text-sm font-bold">
        {field.label}
      </label>
      {field.kind === 'choice' ? (
        <select {...shared} onChange={(event) => onChange(field.key, event.target.value)}>
          {!options.some((option) => option.value === value) && <option value={value}>{value || say('choose')}</option>}
          {options.map((option) => (
            <option key={option.value} value={option.value}>
              {option.label}
            </option>
          ))}
        </select>
      ) : field.kind === 'lines' ? (
        <>
          <textarea
            {...shared}
            className={`figures min-h-40 w-full border-2 bg-sheet px-3 py-2 text-sm ${fault === undefined ? 'border-rule' : 'border-bad'}`}
            spellCheck={false}
            onChange={(event) => onChange(field.key, event.target.value)}
          />
          {field.hint && <span className="text-sm text-ink-2">{field.hint}</span>}
        </>
      ) : (
        <span className="relative block">
          <input
            {...shared}
            className={`figures ${shared.className}`}
            inputMode={field.kind === 'number' ? 'text' : undefined}
            onChange={(event) => onChange(field.key, event.target.value)}
          />
          {field.kind === 'number' && field.unit && /^[\d.,\s-]*$/.test(value) && (
            <span className="figures pointer-events-none absolute top-3 right-3 text-ink-2">{field.unit}</span>
          )}
        </span>
      )}
      {fault === undefined ? (
        <Beneath field={field} text={value} />
      ) : (
        <span id={`fault-${field.key}`} role="alert" className="text-sm font-bold text-bad">
          {fault}
        </span>
      )}
    </div>
  );
}

/** The fields of a tool: what is asked first, the assumptions beneath, each open to change. */
export function ToolFields({
  fields,
  values,
  fault,
  onChange,
}: {
  fields: readonly Field[];
  values: Values;
  fault?: { field: string; reason: string };
  onChange: (key: string, value: string) => void;
}) {
  const shown = fields.filter((field) => field.when === undefined || field.when(values));
  const asked = shown.filter((field) => !field.assumption);
  const assumed = shown.filter((field) => field.assumption);
  // Open where there is room: what a figure rests on should be seen beside it.
  const [open, setOpen] = useState(() => typeof window !== 'undefined' && window.innerWidth >= 1024);
  const entry = (field: Field) => (
    <Entry
      key={field.key}
      field={field}
      values={values}
      fields={fields}
      fault={fault?.field === field.key ? fault.reason : undefined}
      onChange={onChange}
    />
  );
  return (
    <div className="grid gap-4">
      <div className="grid grid-cols-2 gap-x-3 gap-y-4">{asked.map(entry)}</div>
      {assumed.length > 0 && (
        <details
          open={open || assumed.some((field) => field.key === fault?.field)}
          onToggle={(event) => setOpen(event.currentTarget.open)}
          className="border-t border-rule pt-3"
        >
          <summary className="min-h-11 cursor-pointer py-2 font-bold">{say('Assumptions')}</summary>
          <div className="mt-2 grid grid-cols-2 gap-x-3 gap-y-4">{assumed.map(entry)}</div>
        </details>
      )}
    </div>
  );
}
