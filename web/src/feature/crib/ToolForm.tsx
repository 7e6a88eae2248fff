import { zodResolver } from '@hookform/resolvers/zod';
import { useId } from 'react';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { type ToolInput, ToolInputSchema } from '#contract/crib.ts';
import { say } from '#contract/wording/say.ts';
import { CRIB_TOOL_KINDS, type CribTool } from '#core/crib/crib-tool.ts';
import { parsePrinted } from '#core/quantity/parse-printed.ts';
import { api, call } from '../../shop/api.ts';
import { Button } from '../../ui/Button.tsx';
import { FormField, inputLook } from '../../ui/FormField.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { useOpenCrib } from './CribShell.tsx';
import { sizeText, TOOL_KIND } from './drive-text.ts';

const GRIPS = ['hex', 'hexKey', 'twelvePoint', 'sixLobe', 'none'] as const;
const GRIP_TEXT: Record<(typeof GRIPS)[number], string> = {
  hex: say('Hexagon'),
  hexKey: say('Hexagon key'),
  twelvePoint: '12-point',
  sixLobe: say('Six-lobe (T or E)'),
  none: say('Nothing of a size'),
};

/** Reads a drive size as it is stamped: 16, 3/4 in, T40. */
function readDrive(grip: (typeof GRIPS)[number], size: string): CribTool['drive'] | string {
  if (grip === 'none') return undefined;
  if (grip === 'sixLobe')
    return /^[TE]\d{1,3}$/i.test(size) ? { kind: 'sixLobe', size: size.toUpperCase() } : say('like T40 or E14');
  const inch = /in|"/.test(size) || /^\d+\/\d+$/.test(size);
  const read = parsePrinted(/[a-z"]/i.test(size) ? size : `${size} ${inch ? 'in' : 'mm'}`, 'length');
  if (!read.ok || read.value.minBase <= 0) return say('like 16, or 3/4 in');
  const acrossFlatsMm = read.value.minBase;
  return inch && grip !== 'twelvePoint' ? { kind: grip, acrossFlatsMm, inch: true } : { kind: grip, acrossFlatsMm };
}

const FormSchema = z
  .object({
    kind: ToolInputSchema.shape.kind,
    name: z.string().trim().min(1, say('a name is needed')).max(120),
    grip: z.enum(GRIPS),
    size: z.string().trim(),
    squareDrive: z.string(),
    place: z.string().trim().max(60),
    note: z.string().trim().max(500),
  })
  .superRefine(({ grip, size }, context) => {
    const drive = readDrive(grip, size);
    if (typeof drive === 'string')
      context.addIssue({ code: 'custom', path: ['size'], message: say('a size is needed, {drive}', { drive }) });
  });
type Typed = z.input<typeof FormSchema>;
type Read = z.output<typeof FormSchema>;

/** A tool of the crib, new or changed. */
export function ToolForm({ tool, onClose }: { tool?: CribTool; onClose: () => void }) {
  const { act } = useOpenCrib();
  const id = useId();
  const {
    register,
    handleSubmit,
    watch,
    formState: { errors, isSubmitting },
  } = useForm<Typed, unknown, Read>({
    resolver: zodResolver(FormSchema),
    defaultValues: {
      kind: tool?.kind ?? 'socket',
      name: tool?.name ?? '',
      grip: tool ? ((tool.drive?.kind === 'hand' ? 'none' : tool.drive?.kind) ?? 'none') : 'hex',
      size:
        tool?.drive && 'inch' in tool.drive && tool.drive.inch ? `${sizeText(tool.drive)} in` : sizeText(tool?.drive),
      squareDrive: tool?.squareDrive ?? '',
      place: tool?.place ?? '',
      note: tool?.note ?? '',
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
  return (
    <Sheet
      open
      onClose={onClose}
      title={tool ? say('Change {name}', { name: tool.name }) : say('Add a tool')}
      description={say('The size is that of the tool, never of a thread.')}
    >
      <form
        noValidate
        className="grid gap-4"
        onSubmit={handleSubmit(async ({ grip, size, kind, name, squareDrive, place, note }) => {
          const drive = readDrive(grip, size);
          const json: ToolInput = {
            kind,
            name,
            ...(typeof drive === 'object' ? { drive } : {}),
            ...(squareDrive ? { squareDrive } : {}),
            ...(place ? { place } : {}),
            ...(note ? { note } : {}),
          };
          const kept = await act(() =>
            tool
              ? call(api.crib.tools[':id'].$put({ param: { id: tool.id }, json }))
              : call(api.crib.tools.$post({ json })),
          );
          if (kept) onClose();
        })}
      >
        <div className="grid grid-cols-2 gap-4">
          <FormField id={`${id}-kind`} label={say('Kind')}>
            <select id={`${id}-kind`} className={inputLook(undefined)} {...register('kind')}>
              {CRIB_TOOL_KINDS.map((kind) => (
                <option key={kind} value={kind}>
                  {TOOL_KIND[kind]}
                </option>
              ))}
            </select>
          </FormField>
          {text('name', 'Called')}
          <FormField id={`${id}-grip`} label={say('Grips')}>
            <select id={`${id}-grip`} className={inputLook(undefined)} {...register('grip')}>
              {GRIPS.map((grip) => (
                <option key={grip} value={grip}>
                  {GRIP_TEXT[grip]}
                </option>
              ))}
            </select>
          </FormField>
          {watch('grip') !== 'none' && text('size', 'Size', '16, 3/4 in, T40')}
          <FormField id={`${id}-square`} label={say('Square')}>
            <select id={`${id}-square`} className={inputLook(undefined)} {...register('squareDrive')}>
              {['', '1/4 in', '3/8 in', '1/2 in', '3/4 in', '1 in'].map((square) => (
                <option key={square} value={square}>
                  {square || say('none')}
                </option>
              ))}
            </select>
          </FormField>
          {text('place', 'Hangs at')}
        </div>
        {text('note', 'How to use it, what not to do with it')}
        <div className="grid grid-cols-3 gap-2">
          {tool ? (
            <Button
              tone="bad"
              onClick={async () => {
                if (await act(() => call(api.crib.tools[':id'].$delete({ param: { id: tool.id } })))) onClose();
              }}
            >
              {say('Take off the wall')}
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
