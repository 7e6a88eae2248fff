import DxfParser from 'dxf-parser';
import { MM_PER_INCH } from '#core/quantity/unit.ts';
import { fail, ok, type Result } from '#core/result.ts';
import { say } from './wording/say.ts';

/** Largest drawing that is opened, characters. */
export const LARGEST_DRAWING = 8 * 1024 * 1024;

export type DxfFault = { code: 'tooLarge'; bytes: number; most: number } | { code: 'notDxf'; reason: string };

type Drawing = NonNullable<ReturnType<DxfParser['parseSync']>>;

/** Millimetres of one drawing unit: inches and metric ones by `$INSUNITS`; a drawing without is in mm. */
const UNIT_MM: Record<number, number> = { 1: MM_PER_INCH, 2: 12 * MM_PER_INCH, 4: 1, 5: 10, 6: 1000 };

/** A DXF drawing and the millimetres of its unit, or why it is none. */
export function openDxf(text: string): Result<{ drawing: Drawing; unit: number }, DxfFault> {
  if (text.length > LARGEST_DRAWING) return fail({ code: 'tooLarge', bytes: text.length, most: LARGEST_DRAWING });
  let drawing: Drawing | null;
  try {
    drawing = new DxfParser().parseSync(text);
  } catch (error) {
    return fail({ code: 'notDxf', reason: error instanceof Error ? error.message.replace(/\.$/, '') : String(error) });
  }
  if (!drawing?.entities) return fail({ code: 'notDxf', reason: say('it has no entities') });
  const unit = UNIT_MM[Number(drawing.header?.$INSUNITS)] ?? 1;
  return ok({ drawing, unit });
}
