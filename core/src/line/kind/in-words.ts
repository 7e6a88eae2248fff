import { type ActionOf, kindOf } from '../line-kind.ts';

/** What no other act says; a press is all there is to it. */
export const inWords = kindOf<ActionOf<'do'>>({ picture: 'list' });
export const undoWords = kindOf<ActionOf<'undo'>>({ picture: 'list' });
export const followKit = kindOf<ActionOf<'followKit'>>({ picture: 'list' });
