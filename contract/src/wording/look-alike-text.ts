import type { Difference } from '#core/kit/look-alike.ts';
import { classText } from './class-text.ts';
import { formText } from './form-text.ts';
import { say } from './say.ts';

const mm = (value: number): string => `${Math.round(value * 100) / 100} mm`;

/** In what this piece differs from the other: `30 mm long, not 35 mm`. */
export function differenceText(difference: Difference): string {
  switch (difference.what) {
    case 'length':
      return say('{mm} long, not {mm2}', { mm: mm(difference.mm), mm2: mm(difference.otherMm) });
    case 'outside':
      return say('{mm} outside, not {mm2}', { mm: mm(difference.mm), mm2: mm(difference.otherMm) });
    case 'inside':
      return say('{mm} inside, not {mm2}', { mm: mm(difference.mm), mm2: mm(difference.otherMm) });
    case 'thickness':
      return say('{mm} thick, not {mm2}', { mm: mm(difference.mm), mm2: mm(difference.otherMm) });
    case 'thread':
      return say('{is}, not {otherIs}', { is: difference.is, otherIs: difference.otherIs });
    case 'class':
      return say('{classText} on the head, not {classText2}', {
        classText: classText(difference.is),
        classText2: classText(difference.otherIs),
      });
    case 'finish':
      return say('{is}, not {otherIs}', { is: difference.is, otherIs: difference.otherIs });
    case 'form':
      return say('{formText}, not {formText2}', {
        formText: formText(difference.is),
        formText2: formText(difference.otherIs),
      });
    case 'side':
      return say('for the {is}, not the {otherIs}', { is: difference.is, otherIs: difference.otherIs });
    case 'mark':
      return say('stamped {is}, not {otherIs}', { is: difference.is, otherIs: difference.otherIs });
    case 'hand':
      return difference.left ? say('left-hand thread') : say('right-hand thread, not left');
    case 'locking':
      return difference.locks ? say('grips by itself') : say('does not grip by itself');
  }
}

/** What comes of it when the other is used in its place; undefined where nothing follows from sizes alone. */
export function mixedUpText(difference: Difference): string | undefined {
  switch (difference.what) {
    case 'length':
      return difference.otherMm < difference.mm
        ? say('The shorter one holds by too few threads.')
        : say('The longer one may bottom before it clamps, or stand into what moves.');
    case 'thread':
      return say('It starts a turn or two, then crosses and takes the thread with it.');
    case 'class':
      return say(
        'The weaker one stretches before the torque is reached; the stronger one takes its torque and nothing else changes.',
      );
    case 'hand':
      return say('It does not go in.');
    case 'locking':
      return say('A plain nut where one that grips belongs shakes off.');
    case 'side':
      return say('Its holes meet, and it stands the wrong way round.');
    case 'thickness':
      return say('The bolt is left longer or shorter than the joint was worked out for.');
    case 'inside':
    case 'outside':
      return say('Its face does not carry the head as it should.');
    case 'form':
      return say('It spreads the load, or grips, in another way than the joint needs.');
    case 'mark':
    case 'finish':
      return undefined;
  }
}
