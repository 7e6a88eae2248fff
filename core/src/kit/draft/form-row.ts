/** A cell of a form that is left for what is found or who did it, or says none: `_____`, `OK / not OK`, `[ ]`, `-`. */
const LEFT_OPEN = /^(?:_{2,}|\.{4,}|\[ ?\]|(?:ok|yes|pass)\s*\/\s*(?:not ok|no|n\.?ok|fail)|[□☐]|:?-+:?|[–—])$/i;
/** `3 | Hitch on the beam`: the number of a row's step. */
const ROW_NUMBER = /^(\d{1,2})[.)]?$/;

const cellsOfRow = (text: string): string[] => text.split('|').map((cell) => cell.trim());
const filledIn = (cells: readonly string[]): string[] => cells.filter((cell) => cell !== '' && !LEFT_OPEN.test(cell));

/**
 * A row of a work sheet as the sentence it stands for: `Clamp screws | 18 Nm | ____ | ___` is `Clamp screws, 18 Nm`.
 * What has no bars, or a blank with its unit behind it, is left as it is; a row of blanks says nothing.
 */
export function formRow(text: string): string {
  const cells = cellsOfRow(text);
  const filled = filledIn(cells);
  if (cells.length < 2 || filled.length === cells.length) return text;
  return (filled.length > 1 && ROW_NUMBER.test(filled[0] ?? '') ? filled.slice(1) : filled).join(', ');
}

/** The number a row between bars gives its step. */
export function rowNumber(text: string): string | undefined {
  const cells = cellsOfRow(text);
  return cells.length < 3 ? undefined : ROW_NUMBER.exec(filledIn(cells)[0] ?? '')?.[1];
}

/** Whether a row names the columns below it: a rule stands under it. */
export const isTitleRow = (text: string, below: string | undefined): boolean =>
  text.includes('|') && below !== undefined && /^[\s|:+-]*-{3}[\s|:+-]*$/.test(below);

/** What columns are called that a sheet's rows of work stand below. Common practice, no source. */
const COLUMN =
  /^(?:line|code|descriptions?|hrs|hours|time|specs?|ops?\.?|operations?|work|tasks?|joints?|fasteners?|fixings?|where|tools?|n·?m|ft-?lbs?|torques?|remarks?|notes?|comments?|qty|quantity|items?|parts?|steps?|no\.?|pos\.?|positions?|bolts?|washers?|nuts?|ref\.?|sign(?:ed)?|initials|done|checked|values?|units?|sizes?|threads?|locker|compound|pass(?:es)?|stages?|rounds?)$/i;

/** Whether a line only names columns: `LINE  CODE   DESCRIPTION   HRS   SPEC`. */
export function namesColumns(text: string): boolean {
  const cells = text
    .trim()
    .split(/\s{2,}|\s*\|\s*/)
    .filter((cell) => cell !== '');
  // `PASS   SPEC`
  const enough = cells.length > 2 || (cells.length === 2 && /^(?:pass|stage|step|round)s?$/i.test(cells[0] ?? ''));
  return enough && cells.every((cell) => COLUMN.test(cell.replace(/\s*[([].*$/, '')));
}

/** `VEHICLE  …   KIT  …`, `Customer: …`: what a form says the work is for. */
export const namesTheJob = (text: string): boolean =>
  /^\s*(?:(?:condition|cause|labou?r|models?|parts)(?=\s*:)|vehicle|kit|customer|owner|date|reg(?:istration)?|vin|job(?: (?:no|card))?|work order|bay|mileage|odometer|technician|fitter)\b\.?(?::| {2,})/i.test(
    text,
  );
