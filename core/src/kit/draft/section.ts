import type { SheetStep } from '../../sheet/step-split.ts';
import { isName } from './noun-phrase.ts';

/** The title of a chapter whose steps are numbered below it: `B. Assemble`, then `a)`; `3 Rear axle`, then `3.1`. */
export const isSection = (step: SheetStep, next: SheetStep | undefined): boolean =>
  step.number !== undefined &&
  next?.number !== undefined &&
  !/[.!?;]$/.test(step.text) &&
  (next.number === step.number
    ? /^\p{Lu}\p{L}+$/u.test(step.text) || (inCapitals(step.text) && !inCapitals(next.text) && words(step) <= 8)
    : (words(step) <= 5 && /^[A-Z]$|^[IVX]+$|^\d+$/.test(step.number) && /^[a-z]$/.test(next.number)) ||
      (words(step) <= 8 && (next.number.startsWith(`${step.number}.`) || next.number === `${step.number}a`)));
/** `ASSEMBLE ON THE GROUND`, over what is done there. */
const inCapitals = (text: string): boolean => /^[^\p{Ll}\d]{4,}$/u.test(text.trim());
const words = ({ text }: SheetStep): number => text.split(/\s+/).length;

/** `THE FRAME BRACKET.` at the head of a paragraph of a sheet without numbers. */
export const isRunInHeading = ({ text, number, list }: SheetStep, next: SheetStep | undefined): boolean =>
  number === undefined &&
  list === undefined &&
  // A sheet that is all in capitals has none.
  /\p{Ll}{3}/u.test(next?.text ?? '') &&
  /^(?:THE )?\p{Lu}[\p{Lu} &/'-]{2,40}[.:]$/u.test(text.trim());

/** How many steps below its title a chapter is looked for. */
const REACH = 16;

/** `Fitting`, `Findings`: a chapter of any sheet, which names nothing of it. */
const OF_ANY_SHEET =
  /^(?:fitting|fitment|findings|actions|assembly|installation|mounting|method|procedure|preparation|removal|work|general|notes?|results?|torques?|tightening|disassembly|dismantling|reassembly)$/i;

/** What the chapter a step stands in is called; undefined where none is. */
export function sectionOf(steps: readonly SheetStep[], at: number): string | undefined {
  for (let above = at - 1; above >= Math.max(0, at - REACH); above--) {
    const step = steps[above];
    if (!step || step.list) return undefined;
    if (isRunInHeading(step, steps[above + 1])) {
      const name = step.text.trim().replace(/^THE |[.:]$/g, '');
      return isName(name.toLowerCase()) && !OF_ANY_SHEET.test(name) ? name : undefined;
    }
    if (isSection(step, steps[above + 1])) return OF_ANY_SHEET.test(step.text.trim()) ? undefined : step.text.trim();
  }
  return undefined;
}
