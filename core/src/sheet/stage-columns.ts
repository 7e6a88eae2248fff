import { cellsOf } from './table.ts';

const ORDINAL = ['first', 'second', 'third', 'fourth'];
/** `step 1`, `Stage 2 (N·m)`, `2nd pass`, `pre-torque`, `final`: where a column stands in the order of its row's stages. */
const NUMBERED = /^(?:stage|pass|step|round) ?([1-4])$|^([1-4])(?:st|nd|rd|th)? ?(?:stage|pass|step|round)$/i;
const WORDED = new RegExp(`^(${ORDINAL.join('|')})(?: (?:stage|pass|step|round))?$`, 'i');
const BEFORE_LAST = /^(?:pre-?torque|snug|seat(?:ing)?)$/i;
const LAST = /^(?:final(?: torque)?|full(?: torque)?)$/i;
/** A unit that the heading gives its column. */
const UNIT = /[\s,]*[([]?\b(?:n[·.∙]?m|(?:ft|in|lb)[ -]?(?:lbs?|ft|in))\b[)\]]?$/i;
const LAST_RANK = 99;

function rankOf(title: string): number | undefined {
  const plain = title.replace(UNIT, '').trim();
  const numbered = NUMBERED.exec(plain);
  if (numbered) return Number(numbered[1] ?? numbered[2]);
  const worded = WORDED.exec(plain)?.[1];
  if (worded !== undefined) return ORDINAL.indexOf(worded.toLowerCase()) + 1;
  if (BEFORE_LAST.test(plain)) return 0;
  return LAST.test(plain) ? LAST_RANK : undefined;
}

/**
 * Where the stages of a row stand that has a column for each: `step 1 | step 2` over `50 Nm | 110 Nm`. Each place is
 * that of a cell's first character, with the place of the cell whose stage goes before it.
 */
export function stageColumns(text: string): ReadonlyMap<number, number> {
  const before = new Map<number, number>();
  let columns: number[] | undefined;
  let offset = 0;
  for (const line of text.split('\n')) {
    const start = offset;
    offset += line.length + 1;
    const cells = cellsOf(line, start);
    const ranked = cells.flatMap((cell) => {
      const rank = rankOf(cell.text);
      return rank === undefined ? [] : [{ from: cell.from, rank }];
    });
    const rising = ranked.every(({ rank }, at) => at === 0 || rank > (ranked[at - 1]?.rank ?? 0));
    if (ranked.length > 1 && rising) {
      columns = ranked.map(({ from }) => from);
      continue;
    }
    if (columns === undefined || line.trim() === '') {
      columns = undefined;
      continue;
    }
    const [first = 0] = columns;
    const last = columns.at(-1) ?? 0;
    // A cell may be set a little to the left or right of its heading.
    const staged = cells.filter(
      ({ from, text: said }) => from > first - SET_OFF && from < last + SET_OFF && /\d/.test(said),
    );
    for (const [at, cell] of staged.entries()) {
      const previous = staged[at - 1];
      if (previous) before.set(cell.start, previous.start);
    }
  }
  return before;
}
const SET_OFF = 4;
