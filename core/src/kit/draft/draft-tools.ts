import type { DriveSize } from '../../fastener/drive.ts';
import { hasSize } from '../../fastener/drive.ts';
import type { Fact, SheetDrive } from '../../sheet/fact.ts';
import type { SheetStep } from '../../sheet/step-split.ts';
import { clip, type Drafting, isKind, type Of } from './drafting.ts';

/** A sentence that asks for tools: `You need a 21 mm deep socket for those.` */
const ASKS_FOR =
  /\b(?:you(?:'ll| will)?|we) need\b[^.;]*\b(?:sockets?|spanners?|wrench(?:es)?|keys?|bits?|puller|compressor)\b/i;
/** Owned, borrowed or rented, and never improvised. */
const SPECIAL =
  /\b(?:pullers?|compressors?|separators?|splitters?|spreaders?|templates?|jigs?|drifts?|special|press(?:es)?|reamers?|lock(?:ing)? (?:tool|pins?)|alignment (?:tool|pins?))\b/i;
/** Wrenches that measure are asked for by the joints, with their ranges. */
const MEASURES = /\btorque[- ](?:wrench|key|driver|screwdriver)\b/i;
const LEAD = /^(?:\W|\d{1,2} ?[x×]\s|(?:an?|the|one|two|your|you(?:'ll| will)? need|and|plus|also)\s)+/i;

const isSize = (drive: SheetDrive): drive is DriveSize =>
  drive.kind !== 'cross' && drive.kind !== 'square' && hasSize(drive as DriveSize);

/** `Never use an impact wrench`, `no air tools`: not even to run a bolt down. */
const NO_POWER =
  /\b(?:no|never|do not use|don't use|must not be)\b[^.;]{0,24}\b(?:impact (?:tools?|guns?|wrench(?:es)?|drivers?)|air (?:tools?|guns?|wrench(?:es)?)|power (?:tools?|drivers?))\b/i;

/** The tools a sheet lists, or asks for in a sentence: what grips by its size, a special by its name. */
export function draftTools(drafting: Drafting): void {
  const { reading, inStep, kit } = drafting;
  if (reading.steps.some(({ text }) => NO_POWER.test(text))) kit.powerTools = 'never';
  reading.steps.forEach((step, at) => {
    if (step.list === 'tools' || (step.list === undefined && ASKS_FOR.test(step.text)))
      entries(drafting, step, inStep(at));
  });
}

function entries({ kit, freshId, place }: Drafting, step: SheetStep, facts: readonly Fact[]): void {
  let from = 0;
  const drives = facts.filter(isKind('drive'));
  for (const part of step.text.split(/[,;:•\n]|\.\s|\s(?:and|plus|or)\s/)) {
    const start = step.start + step.text.indexOf(part, from);
    from = start - step.start + part.length;
    const name = part
      .trim()
      .replace(LEAD, '')
      .replace(/\s(?:for|to)\s(?:the|those|that|these|it)\b.*$/i, '')
      .replace(/[.\s]+$/, '');
    if (MEASURES.test(part)) continue;
    for (const fact of drives.filter((entry) => entry.start >= start && entry.start < start + part.length)) {
      const { drive } = fact.value;
      if (!isSize(drive) || kit.tools.some((tool) => tool.drive && sameSize(tool.drive, drive))) continue;
      kit.tools.push({ id: freshId(`tool ${fact.printed}`), name: named(fact, name), drive });
      place(fact, `tools[${kit.tools.length - 1}]`);
    }
    if (SPECIAL.test(name) && !kit.tools.some((tool) => tool.name.toLowerCase() === name.toLowerCase()))
      kit.tools.push({ id: freshId(`tool ${name}`), name: clip(name, 120), special: true });
  }
}

const sameSize = (a: DriveSize, b: DriveSize): boolean => JSON.stringify(a) === JSON.stringify(b);

/** `21 mm` of `21 mm and 22 mm sockets` is a socket too. */
const named = (fact: Of<'drive'>, name: string): string =>
  clip(/\p{L}{3,}/u.test(name.replace(/\bmm\b|\binch\b/gi, '')) ? name : `${fact.printed.trim()} socket`, 120);
