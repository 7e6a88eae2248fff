import { linesOf } from './packing-line.ts';
import type { Span } from './token.ts';
import type { InWords } from './written-out.ts';

/** `step 5, 8 Nm`, `Steps 3 and 4: 25 N·m`: a figure for what a step of the sheet tightens. */
const OF_STEP =
  /\b(?:in )?steps? (\d{1,2}[a-z]?)(?!\d)(?: (?:and|&) (\d{1,2}[a-z]?)(?!\d))?\s{0,3}[:,=–-]?\s{0,3}(?:to |at )?(?<!\d)(\d{1,3}(?:[.,]\d{1,2})? ?(?:N[·. ]?m|kgf?[·. ]?m|ft[-. ·]?lbs?f?|lbs?f?[-. ·]?ft|in[-. ·]?lbs?f?|lbs?f?[-. ·]?in))(?![\w])/gi;
const FEW = 2;
/** So far apart may the figures of one list stand, characters. */
const APART = 40;
/** What the list is headed by, in its line or above. */
const HEADED = /\b(?:torques?|tightening|settings?)\b/i;
const HEAD_REACH = 60;
/** A sentence in which something is pulled tight. */
const TIGHTENS = /\b(?:re-?)?(?:tighten|torque|secure|do up|pull up|fasten|screw|bolt|fit|attach)(?:ed|s|ing)?\b/i;
const NOT_NOW = /\b(?:do not|don['’]t|not yet|loose(?:ly)?|finger|hand)\b/i;

/** It says its own. */
const HAS_FIGURE = /\d ?(?:n[·. ]?m|ncm|ft[- ]?lb|lbs?|lbf|kgf?[·. ]?m|in[- ]?lb)/i;

export interface StepTorques extends Span {
  figures: Array<{ step: string; figure: string }>;
}

/** Lists that give figures by the numbers of steps; no joints of their own. */
export function stepTorques(text: string): StepTorques[] {
  const lists: StepTorques[] = [];
  for (const match of text.matchAll(OF_STEP)) {
    const [, first = '', second, figure = ''] = match;
    const end = match.index + match[0].length;
    const figures = [first, ...(second ? [second] : [])].map((step) => ({ step: step.toLowerCase(), figure }));
    const open = lists.at(-1);
    if (open && match.index - open.end <= APART) {
      open.end = end;
      open.figures.push(...figures);
    } else lists.push({ start: match.index, end, figures });
  }
  return lists
    .filter(
      ({ start, figures }) => figures.length >= FEW && HEADED.test(text.slice(Math.max(0, start - HEAD_REACH), start)),
    )
    .map((list) => {
      // `Torques: step 5, 8 Nm`: its heading is no step either.
      const line = text.lastIndexOf('\n', list.start - 1) + 1;
      return HEADED.test(text.slice(line, list.start)) ? { ...list, start: line } : list;
    });
}

/** The text of each numbered step, by its number; where a number comes twice it is nobody's. */
function numberedSteps(text: string): Map<string, Span | undefined> {
  const steps = new Map<string, Span | undefined>();
  let open: { number: string; span: Span } | undefined;
  for (const { text: line, start, end } of linesOf(text)) {
    const [lead, number] = /^\s*(?:step )?(\d{1,2}[a-z]?)\s?[.):]\s+(?=\p{L})/iu.exec(line) ?? [];
    if (number !== undefined && lead !== undefined) {
      const key = number.toLowerCase();
      open = { number: key, span: { start: start + lead.length, end } };
      steps.set(key, steps.has(key) ? undefined : open.span);
    } else if (line.trim() === '') open = undefined;
    else if (open) open.span.end = end;
  }
  return steps;
}

/** Where a figure is said in its step: behind what the last sentence that tightens something tightens. */
function placeIn(text: string, span: Span, figure: string): InWords | 'hasItsOwn' | undefined {
  const tightening = [...text.slice(span.start, span.end).matchAll(/[^.;]+/g)].filter(
    ([words]) => TIGHTENS.test(words) && !NOT_NOW.test(words),
  );
  const last = tightening.filter(([words]) => !HAS_FIGURE.test(words)).at(-1);
  if (!last) return tightening.length > 0 ? 'hasItsOwn' : undefined;
  // `Tighten the hooks, then look …`: what it is said of ends before the comma.
  const clause = /^.*?(?=,|\bthen\b|$)/su.exec(last[0])?.[0].trimEnd() ?? last[0];
  const end = span.start + last.index + clause.length;
  return end >= text.length ? undefined : { start: end, end: end + 1, words: ` (${figure})${text[end]}` };
}

/**
 * Figures that a list gives by the numbers of steps, said in those steps. A list of which a step is not there, or
 * tightens nothing, stays as it is: none of its figures may be lost.
 */
export function stepTorquesInWords(text: string): InWords[] {
  const lists = stepTorques(text);
  if (lists.length === 0) return [];
  const steps = numberedSteps(text);
  return lists.flatMap(({ figures }) => {
    const places = figures.map(({ step, figure }) => {
      const span = steps.get(step);
      return span && placeIn(text, span, figure);
    });
    return places.includes(undefined) ? [] : places.filter((place) => typeof place === 'object');
  });
}
