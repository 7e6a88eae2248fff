import type { Joints } from './draft-joints.ts';
import type { Drafting } from './drafting.ts';
import { partWords, tellingWords } from './joint-words.ts';

/** `The chassis leg ones again, same eighty eight`, `go round the clamp bolts once more`. */
const AGAIN = /\b(?:again|once more|a second time)\b/i;
/** What is done again is a pull, and nothing that is looked at or put on. */
const PULLED =
  /\b(?:same (?:figure|value|torque|setting|number|again)|same (?:\d|(?:ten|eleven|twelve|\w+teen|twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety|one)\b)|tighten|torque|pull|wrench|click)/i;
/** Said of what is not done now. */
const NOT_NOW =
  /\b(?:after (?:the first )?\d|after (?:a|one|two|three|four|\w+ (?:hundred|thousand))\b|km|miles?|weeks?|months?|days?|never|not|if)\b/i;

/**
 * A step that has a joint pulled once more and does not print its figure again pulls that joint: the one that is
 * tightened before it and shares its words, where there is only one.
 */
export function againInWords({ kit }: Drafting, { words }: Pick<Joints, 'words'>): void {
  const done = new Set<string>();
  for (const step of kit.steps) {
    const pulls = step.actions.flatMap((action) => (action.type === 'torque' ? [action.group] : []));
    const plain = step.actions.every(({ type }) => type === 'do');
    if (plain && AGAIN.test(step.text) && PULLED.test(step.text) && !NOT_NOW.test(step.text)) {
      const said = new Set([...tellingWords(step.text), ...partWords(step.text)]);
      const shares = [...done].map((group) => ({
        group,
        count: (words.get(group) ?? []).filter((word) => said.has(word)).length,
      }));
      const most = Math.max(0, ...shares.map(({ count }) => count));
      const meant = shares.filter(({ count }) => count > 0 && count === most);
      const [only] = meant;
      if (only && meant.length === 1) {
        step.actions = [{ type: 'torque', group: only.group }];
        step.phase = 'torque';
      }
    }
    for (const group of pulls) done.add(group);
  }
}
