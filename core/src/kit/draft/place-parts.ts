import type { Item } from '../kit-document.ts';
import type { Step } from '../kit-step.ts';
import type { Drafting } from './drafting.ts';
import { partWords } from './joint-words.ts';

/** What a compound comes in: used up, and fitted nowhere. */
const CONTAINER =
  /\b(?:tube|sachet|bottle|pot|tin|packet|syringe|cartridge)s?\b.*\b(?:locker|threadlock\w*|anti-?seize|grease|sealant|paste|glue|adhesive|compound)\b|\b(?:threadlocker|anti-?seize|grease|sealant)\b.{0,12}\b(?:tube|sachet|bottle|pot|tin|packet)\b/i;
/** What goes to the owner as it is, or is a tool of the kit. */
const NOT_FITTED =
  /\b(?:instructions?|manual|sheet|leaflet|stickers?|decals?|key|tool|spanner|socket|template|gloves?|spare)\b/i;

const torqued = ({ actions }: Step): string | undefined =>
  actions.flatMap((action) => (action.type === 'torque' ? [action.group] : []))[0];

/**
 * Parts of the list go on with the joint that holds them: the next one torqued from where a step first speaks of the part.
 * A part no step speaks of goes on with the last joint, so that it is not handed to the owner as left over. Always said as
 * an assumption.
 */
export function placeParts({ kit, assume }: Drafting): void {
  const last = kit.steps.flatMap((step) => torqued(step) ?? []).at(-1);
  if (last === undefined) return;
  // The step that speaks of a word first, and what is torqued from each step on.
  const spoken = new Map<string, number>();
  kit.steps.forEach(({ text }, at) => {
    for (const word of partWords(text)) if (!spoken.has(word)) spoken.set(word, at);
  });
  const nextFrom: Array<string | undefined> = [];
  for (let at = kit.steps.length - 1; at >= 0; at--) nextFrom[at] = torqued(kit.steps[at] as Step) ?? nextFrom[at + 1];
  const titles = new Map(kit.groups.map(({ id, title }) => [id, title]));
  const words = kit.items.map(({ name }) => partWords(name));
  kit.items.forEach((item: Item, at) => {
    if (item.kind !== 'part' || item.source !== 'kit' || item.fittedWith !== undefined) return;
    if (CONTAINER.test(item.name)) {
      item.kind = 'compound';
      // `Tube of sealant` is no pipe.
      delete item.form;
      return;
    }
    if (NOT_FITTED.test(item.name)) return;
    const first = Math.min(...(words[at] ?? []).map((word) => spoken.get(word) ?? Number.POSITIVE_INFINITY));
    item.fittedWith = nextFrom[first] ?? last;
    assume(`items[${at}]`, 'partGoesOnWith', `${item.name}, ${titles.get(item.fittedWith) ?? ''}`);
  });
}
