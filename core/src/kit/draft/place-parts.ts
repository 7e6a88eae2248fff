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
  const spoken = kit.steps.map(({ text }) => new Set(partWords(text)));
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
    const own = words[at] ?? [];
    const first = own.length === 0 ? -1 : spoken.findIndex((said) => own.some((word) => said.has(word)));
    const next = first < 0 ? undefined : kit.steps.slice(first).flatMap((step) => torqued(step) ?? [])[0];
    item.fittedWith = next ?? last;
    assume(
      `items[${at}]`,
      'partGoesOnWith',
      `${item.name}, ${kit.groups.find(({ id }) => id === item.fittedWith)?.title ?? ''}`,
    );
  });
}
