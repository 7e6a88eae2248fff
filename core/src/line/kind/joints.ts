import type { Ask, AskOption } from '../ask.ts';
import { type ActionOf, kindOf, words } from '../line-kind.ts';

/** The stations of a group do these one by one. */
export const start = kindOf<ActionOf<'start'>>({ picture: 'map', byStations: true });
export const snug = kindOf<ActionOf<'snug'>>({ picture: 'map', byStations: true });
export const torque = kindOf<ActionOf<'torque'>>({ picture: 'map', byStations: true });
export const verify = kindOf<ActionOf<'verify'>>({ picture: 'map', byStations: true });
export const apply = kindOf<ActionOf<'apply'>>({ picture: 'map', byStations: true });

/** Dry is something a thread is made to be, not something that was left out. */
export const leaveDry = kindOf<ActionOf<'leaveDry'>>({ picture: 'map' });

/**
 * What else the trade takes, for whoever is alone or has no pedal to press. An electric parking brake is warned of: its
 * gear gives before the nut does.
 */
function waysToHold(action: ActionOf<'hold'>): AskOption[] {
  // What is counter-held has a second tool on it; nothing else turns it back.
  if (action.by === 'counterHold') return [];
  const others: AskOption[] = [
    { value: 'helperPedal', is: 'right', trade: { code: 'pedalHolds' } },
    { value: 'tyreContact', is: 'right', trade: { code: 'tyreHolds' } },
    { value: 'bar', is: 'right', trade: { code: 'barHolds' } },
    { value: 'handBrake', is: 'right', trade: { code: 'handBrakeHolds' } },
    { value: 'electricBrake', is: 'wrong', trade: { code: 'electricBrake' } },
  ];
  return others.filter(({ value }) => value !== action.by);
}

/** Who or what keeps it from turning, before it is turned. */
export const hold = kindOf<ActionOf<'hold'>>({
  picture: 'outline',
  asks({ action }, answers) {
    const options: AskOption[] = [
      { value: action.by, is: 'right', why: action.say },
      ...(action.otherwise ? [{ value: 'otherwise', label: action.otherwise, is: 'right' as const }] : []),
      ...waysToHold(action),
    ];
    const by: Ask = { kind: 'oneOf', key: 'by', about: 'holdBy', what: action.with, options, usual: action.by };
    const taken = options.find(({ value }) => value === answers.by);
    const helped = (taken?.value ?? action.by) === 'helperPedal';
    return [
      by,
      ...(helped ? [words('helper', 'helper')] : []),
      ...(taken?.is === 'wrong' ? [words('methodReason', 'methodReason')] : []),
    ];
  },
});
