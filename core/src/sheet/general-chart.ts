import type { Span } from './token.ts';

/** A chart of sizes for whatever has no figure of its own: `General torque chart (use only where no figure is given)`. */
const HEADING =
  /^(?!.*\b(?:our|this kit)\b).*\b(?:general|generic|standard|reference) (?:bolt )?(?:torques?|tightening)\b.*$|^.*\btorques?\b.*\b(?:where no (?:figure|value|torque) is given|unless (?:otherwise )?(?:stated|given|noted|specified))\b.*$/i;
/** A row that begins with a size. */
const SIZE_ROW = /^\s*(?:M ?\d{1,2}\b|#\d{1,2}\b|\d{1,2}\/\d{1,2}\b)/i;
/** A row of titles: no sentence, and no figure of a joint. */
const TITLE_ROW = /^\s*(?:size|thread|bolt|dia(?:meter)?|class|grade|gr\.?|\d{1,2}\.\d)\b/i;
const FEW_ROWS = 2;
/** A longer line is a paragraph, characters. */
const LONGEST_HEADING = 200;
/** The sheet sends its reader there: then its rows are what the joints are tightened to. */
const SENT_THERE =
  /\b(?:see|per|use|from|according to|as in|to) (?:the )?(?:general |standard )?(?:torque )?(?:chart|table)\b/i;

/** Where general charts of torques stand, which are no joints of the kit; none that a step of the work calls. */
export function generalCharts(text: string): Span[] {
  const charts: Span[] = [];
  let open: { start: number; end: number; rows: number; gap: boolean } | undefined;
  const close = () => {
    if (open && open.rows >= FEW_ROWS) charts.push({ start: open.start, end: open.end });
    open = undefined;
  };
  let start = 0;
  for (const line of text.split('\n')) {
    const end = start + line.length;
    const row = SIZE_ROW.test(line) || /^[\s|+:=_*-]*$/.test(line) || TITLE_ROW.test(line);
    if (line.length <= LONGEST_HEADING && HEADING.test(line)) {
      close();
      open = { start, end, rows: 0, gap: false };
    } else if (open && row) {
      // An empty line ends the rows, and not the room below the heading.
      if (line.trim() === '' && open.rows > 0) close();
      else if (SIZE_ROW.test(line)) open = { ...open, end, rows: open.rows + 1 };
    } else close();
    start = end + 1;
  }
  close();
  const outside = charts.reduceRight((rest, chart) => rest.slice(0, chart.start) + rest.slice(chart.end), text);
  return SENT_THERE.test(outside) ? [] : charts;
}
