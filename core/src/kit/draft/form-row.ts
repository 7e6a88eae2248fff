/** A cell of a form that is left for what is found or who did it: `_____`, `OK / not OK`, `[ ]`. */
const LEFT_OPEN = /^(?:_{2,}|\.{4,}|\[ ?\]|(?:ok|yes|pass)\s*\/\s*(?:not ok|no|n\.?ok|fail)|[□☐])$/i;

/**
 * A row of a work sheet as the sentence it stands for: `Clamp screws | 18 Nm | ____ | ___` is `Clamp screws, 18 Nm`.
 * What has no bars, or a blank with its unit behind it, is left as it is; a row of blanks says nothing.
 */
export function formRow(text: string): string {
  const cells = text.split('|').map((cell) => cell.trim());
  const filled = cells.filter((cell) => cell !== '' && !LEFT_OPEN.test(cell));
  return cells.length > 1 && filled.length < cells.length ? filled.join(', ') : text;
}
