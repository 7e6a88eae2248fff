/** Fewer numbers in a row are no running numbers (chosen by us): `4 bolts`, `5 nuts` may stand below each other. */
const FEWEST = 4;
/** A number at the head of a line or of a column, before a name. */
const LEADING = /(?<=^[ \t|]*|[ \t]{3,})(\d{1,2})[.):]?[ \t]{1,4}(?=[\p{L}"'])/gmu;

/**
 * Places of numbers that only count the rows of a list: one below the other in a column, each one more than the last.
 * `10  hub nut`, `11  jam nuts` are the tenth and eleventh row, and not so many nuts.
 */
export function runningNumbers(text: string): ReadonlySet<number> {
  const columns = new Map<number, Array<{ at: number; value: number }>>();
  for (const match of text.matchAll(LEADING)) {
    const digits = match[1] ?? '';
    // Numbers are set flush left or flush right; the end of one digit more is the same column.
    const column = match.index - text.lastIndexOf('\n', match.index - 1) + digits.length;
    const known = [column, column - 1, column + 1].find((place) => columns.has(place)) ?? column;
    const list = columns.get(known) ?? [];
    list.push({ at: match.index, value: Number(digits) });
    columns.set(known, list);
  }
  const places = new Set<number>();
  for (const list of columns.values()) {
    let run: typeof list = [];
    const close = () => {
      if (run.length >= FEWEST) for (const { at } of run) places.add(at);
    };
    for (const entry of list) {
      if (run.length > 0 && entry.value !== (run.at(-1)?.value ?? 0) + 1) {
        close();
        run = [];
      }
      run.push(entry);
    }
    close();
  }
  return places;
}
