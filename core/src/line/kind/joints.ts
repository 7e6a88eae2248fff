import type { Ask } from '../ask.ts';
import { type ActionOf, kindOf, words } from '../line-kind.ts';

/** The stations of a group do these one by one. */
export const start = kindOf<ActionOf<'start'>>({ picture: 'map', byStations: true });
export const snug = kindOf<ActionOf<'snug'>>({ picture: 'map', byStations: true });
export const torque = kindOf<ActionOf<'torque'>>({ picture: 'map', byStations: true });
export const verify = kindOf<ActionOf<'verify'>>({ picture: 'map', byStations: true });
export const apply = kindOf<ActionOf<'apply'>>({ picture: 'map', byStations: true });

/** Dry is something a thread is made to be, not something that was left out. */
export const leaveDry = kindOf<ActionOf<'leaveDry'>>({ picture: 'map' });

/** Who or what keeps it from turning, before it is turned. */
export const hold = kindOf<ActionOf<'hold'>>({
  picture: 'outline',
  asks({ action }, answers) {
    const by: Ask = {
      kind: 'oneOf',
      key: 'by',
      about: 'holdBy',
      what: action.with,
      options: [
        { value: action.by, is: 'right', why: action.say },
        ...(action.otherwise ? [{ value: 'otherwise', label: action.otherwise, is: 'right' as const }] : []),
      ],
      usual: action.by,
    };
    const helped = action.by === 'helperPedal' && answers.by !== 'otherwise';
    return helped ? [by, words('helper', 'helper')] : [by];
  },
});
