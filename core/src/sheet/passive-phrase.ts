import type { FactValue, SheetAction } from './fact.ts';
import { isSpoken } from './sentence.ts';
import type { Span } from './token.ts';

/** Verbs of the work as what is done to a thing says them: `the bumper is taken off`. Common practice, no source. */
const DONE: ReadonlyArray<readonly [SheetAction, string]> = [
  [
    'remove',
    'removed|taken (?:off|out|away|down)|unscrewed|unbolted|undone|unclipped|dismantled|dismounted|demounted|detached|extracted|pulled (?:off|out)|lifted (?:off|out|away)',
  ],
  [
    'refit',
    'refitted|reinstalled|reattached|remounted|put back(?: on| in)?|screwed back(?: on)?|bolted back(?: on)?|fitted again|mounted again|clipped back(?: on| in)?',
  ],
  ['disconnect', 'disconnected|unplugged'],
  ['reconnect', 'reconnected|connected again|plugged (?:back )?in again|plugged back in'],
  ['loosen', 'loosened|slackened'],
  ['lower', 'lowered|let down'],
];
const VERBS = DONE.map(([, words]) => words).join('|');
/** How it is said that it is done: `is`, `must be`, `are to be`. */
const IS =
  '(?:is|are)(?: to be)?|(?:must|should|shall|has to|have to|can|may|will) (?:now |then )?be|(?:gets?|(?:must|should) get)';
const PASSIVE = new RegExp(
  String.raw`(?<=^|[.;:!?]["')]?\s+|\n\s*(?:\(?[\da-z]{1,3}[.):]\s+|[-•*]\s+)?|, (?:then |and )?| and )(?:(?:then|now|next|first|finally)[, ]+)?(?:the |both |all |each |its |their )?((?:[\p{L}\d][\p{L}\d'’()/-]*[ ]){1,10}?)(?:${IS})(?: (?:now|then|first|next|also|carefully|completely|only|both|all))* (${VERBS})\b(?! (?:from the factory|by the maker|of (?:service|use)))`,
  'giu',
);
/** A clause that only says when, or which one. */
const WHEN =
  /^(?:when|if|once|until|after|before|while|as|unless|that|which|who|where|what|so|because|since|should|it|this|they|there|he|she|we|you|i|nothing|none|no|not|care|force)\b/i;
/** What is cleaned off, and no part. */
const LEAVINGS =
  /\b(?:burrs?|swarf|chips|dirt|rust|grease|oil|paint|coating|wax|sealant|sealer|residues?|remains|film|foil|tape|dust|mud|air|play|slack|water|weight|load|pressure|tension)\b/i;
/** `which hold the bump rubber`: what else is said of the thing. */
const RELATIVE = / (?:which|that|who|holding|securing|of which)\b.*$/i;

/** What is done to a thing, where a sentence says it of the thing: `The two nuts which hold the rubber are taken off`. */
export function passives(text: string): Array<Span & { value: FactValue }> {
  if (isSpoken(text)) return [];
  return [...text.matchAll(PASSIVE)].flatMap((match) => {
    const [whole, written = '', verb = ''] = match;
    const said = written.trim().replace(/^(?:and|then) (?:then )?(?:the |all |both )?/i, '');
    const object = said.replace(RELATIVE, '').trim();
    const action = DONE.find(([, words]) => new RegExp(`^(?:${words})$`, 'i').test(verb))?.[0];
    if (action === undefined || WHEN.test(said) || LEAVINGS.test(object) || !/\p{L}{3}/u.test(object)) return [];
    const end = match.index + whole.length;
    return [{ start: end - verb.length, end, value: { kind: 'action' as const, action, object } }];
  });
}
