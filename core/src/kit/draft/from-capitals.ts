/** What is written in capitals in any text: sizes, sides, and the short names of the trade. */
const STAYS = /^(?:[A-Z]?\d.*|[A-Z]|M\d.*|[LR]H|[NO]S|[NO]\/S|OEM|ABS|ECU|LED|EGR|TPMS|UNC|UNF|[A-Z]{1,3}\d+.*)$/;

/** A name from a sheet in capitals as it is written elsewhere: `U-BOLTS, REAR SPRING` is `U-bolts, rear spring`. */
export function fromCapitals(text: string): string {
  if (/\p{Ll}/u.test(text) || (text.match(/\p{Lu}/gu)?.length ?? 0) < 3) return text;
  const plain = text
    .split(/(?<=[\s(])/)
    .map((word) => (STAYS.test(word.replace(/[\s),.;:]+$/, '')) ? word : word.toLowerCase()))
    .join('')
    // `U-bolt`, `T-nut`: the shape before it stays.
    .replace(/\b([utj])-(?=\p{Ll})/gu, (_, letter: string) => `${letter.toUpperCase()}-`);
  return `${plain[0]?.toUpperCase()}${plain.slice(1)}`;
}
