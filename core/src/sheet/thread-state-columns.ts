/** How the threads of a column's figures are: `DRY   LUBED`. */
export type ThreadState = 'dry' | 'wet';

const WET = `(?:lubed?|lubricated|oiled|greased|wet|with (?:oil|grease|lube|anti-?seize|locker))`;
const STATE = new RegExp(String.raw`\b(?:(dry|unlubricated|clean)|(${WET}))\b(?: threads?)?`, 'i');

/** What a column of one state is called, and what else its heading says (its unit); undefined for another column. */
export function threadStateOf(heading: string): { state: ThreadState; rest: string } | undefined {
  const [said, dry] = STATE.exec(heading) ?? [];
  if (said === undefined) return undefined;
  const rest = heading
    .replace(said, ' ')
    .replace(/[()[\],:]/g, ' ')
    .trim();
  return { state: dry ? 'dry' : 'wet', rest };
}

/** `Use the lubed column with the anti-seize on A`, `dry column for B and C` */
const USES = new RegExp(
  String.raw`\b(?:use|take|go by|read|from) (?:the )?(dry|${WET})(?: threads?)? (?:column|figures?|values?|torques?)\b([^.\n]*)`,
  'gi',
);
/** `B and C go on dry` */
const GO_DRY =
  /((?:\b[A-Z]\b(?:, ?| and | & |\/)?)+) (?:go|goes|are|is|fit|stay)(?: on| in| together| fitted)? dry\b/gi;

const labelsIn = (text: string): string[] =>
  [...text.matchAll(/\b([A-Z])\b(?!['’])/g)].flatMap(([, letter]) => letter ?? []);

/**
 * Which of a table's columns for dry and for lubricated threads a sheet says to use, by the letter of the row, or for
 * all; undefined where it does not say.
 */
export function usedThreadState(text: string): (label: string) => ThreadState | undefined {
  const ofLabel = new Map<string, ThreadState>();
  let ofAll: ThreadState | undefined;
  for (const [, said = '', rest = ''] of text.matchAll(USES)) {
    const state = threadStateOf(said)?.state ?? 'wet';
    const labels = labelsIn(rest);
    if (labels.length === 0) ofAll = state;
    for (const label of labels) ofLabel.set(label, state);
  }
  for (const [, labels = ''] of text.matchAll(GO_DRY)) for (const label of labelsIn(labels)) ofLabel.set(label, 'dry');
  return (label) => ofLabel.get(label.trim()) ?? ofAll;
}
