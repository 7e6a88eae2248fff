import type { SpecKind } from '#core/tightening/kinds.ts';
import { inLanguage } from '../say.ts';

/** What is said of a kind of tightening on the floor and in the kit editor. */
interface KindWords {
  /** As one chooses it. */
  name: string;
  /** Over the window a pull must land in. */
  window: string;
  /** On the key that records a typed reading. */
  record: string;
  /** For kinds done by hand: what to do, and what the big key says. */
  turn: string;
  done: string;
}

const PULLED = inLanguage({ window: 'accept', record: 'Record', turn: '', done: '' });

/** Every kind of tightening in English. */
export const KIND_WORDS: Record<SpecKind, KindWords> = inLanguage({
  torque: { ...PULLED, name: 'A torque, as printed' },
  range: { ...PULLED, name: 'A window, as printed' },
  targetWithMaximum: { ...PULLED, name: 'A torque with a limit, as printed' },
  torqueAngle: { ...PULLED, name: 'Torque and angle, as printed' },
  yieldControlled: { ...PULLED, name: 'Until it yields, by gradient' },
  slot: { ...PULLED, name: 'Castle nut, to the next slot', window: 'next slot, from – to', record: 'Pin fits, record' },
  bearing: { ...PULLED, name: 'Wheel bearing' },
  procedure: { ...PULLED, name: 'A procedure: tighten, back off, turn, tighten again' },
  contact: {
    ...PULLED,
    name: 'Until it stops',
    turn: 'Turn until {stop}. No figure is given.',
    done: 'At its stop, next',
  },
  snug: { ...PULLED, name: 'Snug only', turn: 'Turn until it stops. No figure is given.', done: 'At its stop, next' },
  missing: { ...PULLED, name: 'No figure given', done: 'Look for a figure' },
});

/** Every figure a kind is made of, as the kit editor labels it. */
export const FIGURE_WORDS: Record<string, string> = inLanguage({
  thresholdNm: 'Watched from, N·m',
  maximumNm: 'Never over, N·m',
  startNm: 'Start, N·m',
  ceilingNm: 'Never over, N·m',
  slots: 'Slots',
  seatNm: 'Seat, N·m',
  backOffDeg: 'Back off, °',
  finalMinNm: 'Final from, N·m',
  finalMaxNm: 'to, N·m',
});
