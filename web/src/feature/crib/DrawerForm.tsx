import { zodResolver } from '@hookform/resolvers/zod';
import { useId } from 'react';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { readCell } from '#contract/packing-csv.ts';
import type { DrawerInput } from '#contract/shelf.ts';
import { HEAD_TEXT } from '#contract/wording/en/terms.ts';
import { formText } from '#contract/wording/form-text.ts';
import { say } from '#contract/wording/say.ts';
import { leftOnShelf, type ShelfLine } from '#core/crib/shelf.ts';
import { parseThread } from '#core/fastener/thread.ts';
import { formsOf, HEAD_SHAPES, ITEM_KINDS, type ItemKind } from '#core/kit/piece-kind.ts';
import { api, call } from '../../shop/api.ts';
import { Button } from '../../ui/Button.tsx';
import { FormField, inputLook } from '../../ui/FormField.tsx';
import { Sheet } from '../../ui/Sheet.tsx';

/** What a shop keeps in drawers. */
const KINDS = ITEM_KINDS.filter((kind) => kind !== 'part' && kind !== 'compound');
const SIZES = ['lengthMm', 'acrossFlatsMm', 'insideMm', 'outsideMm', 'thicknessMm'] as const;
const SIZE_TEXT: Record<(typeof SIZES)[number], string> = {
  lengthMm: say('Length, mm'),
  acrossFlatsMm: say('Across flats, mm'),
  insideMm: say('Inside, mm'),
  outsideMm: say('Outside, mm'),
  thicknessMm: say('Thick, mm'),
};

const whole = (words: string) =>
  z
    .string()
    .trim()
    .refine((text) => /^\d{1,5}$/.test(text), words);
const FormSchema = z
  .object({
    bin: z.string().trim().min(1, say('which drawer')).max(40),
    kind: z.enum(KINDS as [ItemKind, ...ItemKind[]]),
    form: z.string(),
    name: z.string().trim().min(1, say('a name is needed')).max(200),
    thread: z.string().trim().max(40),
    head: z.string(),
    propertyClass: z.string().trim().max(20),
    finish: z.string().trim().max(60),
    lengthMm: z.string(),
    acrossFlatsMm: z.string(),
    insideMm: z.string(),
    outsideMm: z.string(),
    thicknessMm: z.string(),
    counted: whole(say('how many lie in it, a whole number')),
    lowAt: z
      .string()
      .trim()
      .refine((text) => text === '' || /^\d{1,5}$/.test(text), say('a whole number, or nothing')),
  })
  .superRefine((typed, context) => {
    const issue = (path: string, message: string) => context.addIssue({ code: 'custom', path: [path], message });
    if (typed.thread !== '' && !parseThread(typed.thread).ok)
      issue('thread', say('a thread: M10 x 1.5, 3/8-16. Never a socket size'));
    for (const field of SIZES) {
      const read = readCell(field, typed[field]);
      if (!read.ok) issue(field, read.error.reason);
    }
  });
type Typed = z.infer<typeof FormSchema>;

const number = (text: string): number | undefined => {
  const read = readCell('lengthMm', text);
  return read.ok && typeof read.value === 'number' ? read.value : undefined;
};

/** A drawer of fasteners, new, changed or counted. */
export function DrawerForm({
  line,
  act,
  onClose,
}: {
  line?: ShelfLine;
  act: (work: () => Promise<unknown>) => Promise<boolean>;
  onClose: () => void;
}) {
  const id = useId();
  const {
    register,
    handleSubmit,
    watch,
    formState: { errors, isSubmitting },
  } = useForm<Typed>({
    resolver: zodResolver(FormSchema),
    defaultValues: {
      bin: line?.bin ?? '',
      kind: line?.kind ?? 'bolt',
      form: line?.form ?? '',
      name: line?.name ?? '',
      thread: line?.thread ?? '',
      head: line?.head ?? '',
      propertyClass: line?.propertyClass ?? '',
      finish: line?.finish ?? '',
      lengthMm: String(line?.lengthMm ?? ''),
      acrossFlatsMm: String(line?.acrossFlatsMm ?? ''),
      insideMm: String(line?.insideMm ?? ''),
      outsideMm: String(line?.outsideMm ?? ''),
      thicknessMm: String(line?.thicknessMm ?? ''),
      counted: line ? String(leftOnShelf(line)) : '',
      lowAt: String(line?.lowAt ?? ''),
    },
  });
  const text = (name: keyof Typed, label: string, hint?: string) => (
    <FormField id={`${id}-${name}`} label={label} hint={hint} fault={errors[name]?.message}>
      <input
        id={`${id}-${name}`}
        className={inputLook(errors[name])}
        aria-invalid={errors[name] !== undefined}
        {...register(name)}
      />
    </FormField>
  );
  const choice = (name: keyof Typed, label: string, options: ReadonlyArray<readonly [string, string]>) => (
    <FormField id={`${id}-${name}`} label={label}>
      <select id={`${id}-${name}`} className={inputLook(undefined)} {...register(name)}>
        {options.map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </select>
    </FormField>
  );
  const kind = watch('kind');
  const threaded = ['bolt', 'nut', 'stud', 'insert', 'coupler'].includes(kind);
  return (
    <Sheet
      open
      wide
      onClose={onClose}
      title={line ? say('Drawer {bin}', { bin: line.bin }) : say('Add a drawer')}
      description={say('What the shop keeps of its own. What jobs take is counted off by their records.')}
    >
      <form
        noValidate
        className="grid gap-4"
        onSubmit={handleSubmit(async (typed) => {
          const { bin, kind: of, form, name, thread, head, propertyClass, finish, counted, lowAt } = typed;
          const json: DrawerInput = {
            bin,
            kind: of,
            name,
            counted: Number(counted),
            ...(form && formsOf(of).some((one) => one === form) ? { form: form as DrawerInput['form'] } : {}),
            ...(thread ? { thread } : {}),
            ...(head ? { head: head as DrawerInput['head'] } : {}),
            ...(propertyClass ? { propertyClass } : {}),
            ...(finish ? { finish } : {}),
            ...(lowAt ? { lowAt: Number(lowAt) } : {}),
          };
          for (const field of SIZES) {
            const mm = number(typed[field]);
            if (mm !== undefined) json[field] = mm;
          }
          const kept = await act(() =>
            line
              ? call(api.shelf[':id'].$put({ param: { id: line.id }, json }))
              : call(api.shelf.$post({ json: { drawers: [json] } })),
          );
          if (kept) onClose();
        })}
      >
        <div className="grid grid-cols-2 gap-4 sm:grid-cols-3">
          {/* A drawer that is there is mostly counted: that field is in hand first. */}
          {!line && text('bin', 'Drawer')}
          {text('counted', 'Lie in it')}
          {text('lowAt', 'Order at')}
          {line && text('bin', 'Drawer')}
          {choice(
            'kind',
            say('Kind'),
            KINDS.map((one) => [one, one]),
          )}
          {choice('form', say('Form'), [
            ['', 'plain'],
            ...formsOf(kind).map((form) => [form, formText(form)] as const),
          ])}
          {text('name', 'Called')}
          {threaded && text('thread', 'Thread', 'M10 x 1.5')}
          {kind === 'bolt' &&
            choice('head', say('Head'), [
              ['', say('not said')],
              ...HEAD_SHAPES.map((head) => [head, HEAD_TEXT[head]] as const),
            ])}
          {threaded && text('propertyClass', 'Class', '8.8, 10, grade 8')}
          {SIZES.map((field) => (
            <div key={field}>{text(field, SIZE_TEXT[field])}</div>
          ))}
          {text('finish', 'Finish')}
        </div>
        <div className="grid grid-cols-3 gap-2">
          {line ? (
            <Button
              tone="bad"
              onClick={async () => {
                if (await act(() => call(api.shelf[':id'].$delete({ param: { id: line.id } })))) onClose();
              }}
            >
              {say('Take it down')}
            </Button>
          ) : (
            <span />
          )}
          <Button onClick={onClose}>{say('Leave it')}</Button>
          <Button type="submit" tone="primary" disabled={isSubmitting}>
            {say('Keep it')}
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
