import type { UnitName } from '#core/quantity/unit.ts';

/** What was typed into the fields of a tool, by key. What is not there stands at its initial value. */
export type Values = Readonly<Record<string, string>>;

interface FieldBase {
  key: string;
  label: string;
  /** The value a fresh tool starts with; an empty one marks a field that may stay empty. */
  initial: string;
  /** Assumptions are shown apart: they are the conventions behind the figure. */
  assumption?: boolean;
  /** Shown only while this holds. */
  when?: (values: Values) => boolean;
}

export type Field =
  | (FieldBase & { kind: 'text' })
  /** Several lines, over the whole width. */
  | (FieldBase & { kind: 'lines'; hint?: string })
  | (FieldBase & { kind: 'number'; unit?: UnitName; hint?: string })
  | (FieldBase & {
      kind: 'choice';
      options:
        | ReadonlyArray<{ value: string; label: string }>
        | ((values: Values) => ReadonlyArray<{ value: string; label: string }>);
    });

/** A value as it stands: typed, or the field's initial one. */
export const valueAt = (fields: readonly Field[], values: Values, key: string): string =>
  values[key] ?? fields.find((field) => field.key === key)?.initial ?? '';
