import type { Difference } from '#core/kit/look-alike.ts';
import { classText } from './class-text.ts';
import { formText } from './form-text.ts';

const mm = (value: number): string => `${Math.round(value * 100) / 100} mm`;

/** In what this piece differs from the other: `30 mm long, not 35 mm`. */
export function differenceText(difference: Difference): string {
  switch (difference.what) {
    case 'length':
      return `${mm(difference.mm)} long, not ${mm(difference.otherMm)}`;
    case 'outside':
      return `${mm(difference.mm)} outside, not ${mm(difference.otherMm)}`;
    case 'inside':
      return `${mm(difference.mm)} inside, not ${mm(difference.otherMm)}`;
    case 'thickness':
      return `${mm(difference.mm)} thick, not ${mm(difference.otherMm)}`;
    case 'thread':
      return `${difference.is}, not ${difference.otherIs}`;
    case 'class':
      return `${classText(difference.is)} on the head, not ${classText(difference.otherIs)}`;
    case 'finish':
      return `${difference.is}, not ${difference.otherIs}`;
    case 'form':
      return `${formText(difference.is)}, not ${formText(difference.otherIs)}`;
    case 'side':
      return `for the ${difference.is}, not the ${difference.otherIs}`;
    case 'mark':
      return `stamped ${difference.is}, not ${difference.otherIs}`;
    case 'hand':
      return difference.left ? 'left-hand thread' : 'right-hand thread, not left';
    case 'locking':
      return difference.locks ? 'grips by itself' : 'does not grip by itself';
  }
}

/** What comes of it when the other is used in its place; undefined where nothing follows from sizes alone. */
export function mixedUpText(difference: Difference): string | undefined {
  switch (difference.what) {
    case 'length':
      return difference.otherMm < difference.mm
        ? 'The shorter one holds by too few threads.'
        : 'The longer one may bottom before it clamps, or stand into what moves.';
    case 'thread':
      return 'It starts a turn or two, then crosses and takes the thread with it.';
    case 'class':
      return 'The weaker one stretches before the torque is reached; the stronger one takes its torque and nothing else changes.';
    case 'hand':
      return 'It does not go in.';
    case 'locking':
      return 'A plain nut where one that grips belongs shakes off.';
    case 'side':
      return 'Its holes meet, and it stands the wrong way round.';
    case 'thickness':
      return 'The bolt is left longer or shorter than the joint was worked out for.';
    case 'inside':
    case 'outside':
      return 'Its face does not carry the head as it should.';
    case 'form':
      return 'It spreads the load, or grips, in another way than the joint needs.';
    case 'mark':
    case 'finish':
      return undefined;
  }
}
