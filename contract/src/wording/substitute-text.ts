import type { HeadShape, ItemKind, PieceForm } from '#core/kit/piece-kind.ts';
import type { SubstituteDifference, SubstituteTrait } from '#core/kit/substitute.ts';
import { classText } from './class-text.ts';
import { HEAD_TEXT } from './en/terms.ts';
import { formText } from './form-text.ts';
import { inLanguage, say } from './say.ts';

const NAME: Record<SubstituteTrait, string> = inLanguage({
  kind: 'another kind of piece',
  form: 'made another way',
  thread: 'thread',
  hand: 'the thread turns the other way',
  length: 'length',
  class: 'class',
  finish: 'finish',
  head: 'head',
  flats: 'across flats',
  inside: 'inside',
  outside: 'outside',
  thickness: 'thickness',
  locking: 'grip of its own',
});

function valueText(trait: SubstituteTrait, value: string | undefined): string {
  if (value === undefined) return trait === 'locking' || trait === 'form' ? 'none' : say('not known');
  switch (trait) {
    case 'class':
      return classText(value);
    case 'head':
      return HEAD_TEXT[value as HeadShape];
    case 'form':
      return formText(value as PieceForm);
    case 'kind':
      return value satisfies string as ItemKind;
    default:
      return value;
  }
}

/** What follows from it, where it does not say so itself. */
function thenText({ trait, how }: SubstituteDifference): string {
  if (trait === 'length')
    return how === 'other' ? say(', may bottom before it clamps') : say(', holds by too few threads');
  if (trait === 'class') return how === 'other' ? say(', stronger') : say(', not known to hold as much');
  if (trait === 'head' && how === 'weaker') return say(', presses on a smaller face');
  return '';
}

/** In what a piece from the shelf differs from the sheet’s: `length 40 mm in place of 35 mm, may bottom before it clamps`. */
export function substituteText(difference: SubstituteDifference): string {
  const { trait, wanted, is } = difference;
  if (trait === 'hand') return NAME.hand;
  // A class says itself that it is one.
  const name = trait === 'class' ? '' : `${NAME[trait]} `;
  return say('{name}{valueText} in place of {valueText2}{thenText}', {
    name,
    valueText: valueText(trait, is),
    valueText2: valueText(trait, wanted),
    thenText: thenText(difference),
  });
}
