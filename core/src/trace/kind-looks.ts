import type { ShownKind } from './pull-trace.ts';

/**
 * What is weighed, each without a unit, so that one table serves every size.
 *
 * - `steep`: ln of how far the elastic rise lies outside what a sound joint may do; 0 inside
 * - `ended`: how far the peak lies below the least (negative) or above the most, share of it; 0 inside
 * - `turned`: angle of the rise over the least a sound joint needs
 * - `ran`: degrees of free run
 * - `early`: degrees under torque before the elastic rise, over that rise's own degrees
 * - `long`: the same in degrees
 * - `earlyLoad`: torque where the elastic rise begins, share of the target
 * - `edge`: the steepest fair rise before it, share of its slope
 * - `stood`: 1 where it began tight and hardly moved
 * - `drop`, `flat`: lost, and degrees at a standstill, before the elastic rise
 * - `paused`: whichever of both is more, 1 where it would be seen for certain
 * - `jerks`: drops and rises again
 * - `gave`: degrees less than half as steep at the end, over the elastic rise's
 * - `fell`: share of the peak lost while the handle went on
 * - `kneeOfYield`: torque at which it gave over the least at which this bolt may yield
 * - `settled`: share lost while it stood still
 */
export type Sign =
  | 'steep'
  | 'ended'
  | 'turned'
  | 'ran'
  | 'early'
  | 'long'
  | 'earlyLoad'
  | 'edge'
  | 'stood'
  | 'drop'
  | 'flat'
  | 'paused'
  | 'jerks'
  | 'gave'
  | 'fell'
  | 'kneeOfYield'
  | 'settled';

/** Anything between `from` and `to` is as good as anything else; outside it falls off by `spread`. */
interface Expected {
  from?: number;
  to?: number;
  spread: number;
}

/** What friction alone may do to the rise, as `steep`. */
export type Reach = { low: number; high: number };
export type Expectation = Expected | ((reach: Reach) => readonly Expected[]);

/** How a sound pull looks. Widths chosen by us, on pulls of model joints with noise, drift and hands of their own. */
export const SOUND: Record<Sign, Expectation | undefined> = {
  steep: { from: 0, to: 0, spread: 0.11 },
  ended: { from: 0, to: 0, spread: 0.015 },
  turned: { from: 0.75, spread: 0.12 },
  ran: undefined,
  early: { to: 0.9, spread: 0.3 },
  long: undefined,
  earlyLoad: undefined,
  edge: undefined,
  stood: undefined,
  drop: { to: 0.035, spread: 0.015 },
  flat: { to: 0.08, spread: 0.06 },
  paused: undefined,
  jerks: { to: 1, spread: 0.6 },
  gave: { to: 0.12, spread: 0.08 },
  fell: { to: 0.03, spread: 0.02 },
  kneeOfYield: undefined,
  settled: { to: 0.025, spread: 0.012 },
};

const FREE: Expected = { spread: 1 };
/** A stiff rise carries a hand past the end a little before it stops. */
const SHORT_REACH: Expected = { from: 0, to: 0.12, spread: 0.03 };
/** A joint with another fault may rise a little off as well. */
const ABOUT: Expected = { from: 0, to: 0, spread: 0.3 };

/** What a kind of pull looks like where it differs from a sound one. `undefined` drops a sign. */
const LOOKS: Record<ShownKind, Partial<Record<Sign, Expectation | undefined>>> = {
  good: {},
  crossed: {
    steep: { from: -1.2, to: 0.1, spread: 0.3 },
    ended: FREE,
    early: { from: 1.8, spread: 0.4 },
    long: { from: 120, spread: 25 },
    earlyLoad: { from: 0.2, spread: 0.08 },
    edge: { to: 0.3, spread: 0.08 },
    settled: FREE,
    drop: { to: 0.06, spread: 0.03 },
    flat: FREE,
    jerks: FREE,
    gave: FREE,
  },
  bottomed: {
    steep: ({ high }) => [{ from: Math.max(0.8, high + 0.4), spread: 0.08 }],
    ended: { from: 0, spread: 0.015 },
    turned: { to: 0.5, spread: 0.1 },
    ran: { from: 30, spread: 10 },
    early: FREE,
    gave: FREE,
    fell: { to: 0.05, spread: 0.04 },
  },
  notSeated: {
    steep: ABOUT,
    early: { from: 0.3, to: 3.5, spread: 0.6 },
    earlyLoad: { from: 0.1, spread: 0.05 },
    edge: { from: 0.35, spread: 0.1 },
    drop: FREE,
    paused: { from: 1, spread: 0.3 },
    flat: FREE,
    jerks: { to: 2, spread: 0.6 },
    fell: FREE,
    settled: FREE,
  },
  stripping: {
    steep: ABOUT,
    ended: { to: 0, spread: 0.03 },
    turned: FREE,
    jerks: { to: 2, spread: 0.6 },
    gave: { from: 0.35, spread: 0.12 },
    fell: { from: 0.09, spread: 0.025 },
    // What is lost between two strokes of a ratchet is lost by giving way, and much.
    settled: () => [
      { to: 0.03, spread: 0.015 },
      { from: 0.2, spread: 0.05 },
    ],
  },
  yielding: {
    steep: ABOUT,
    ended: FREE,
    jerks: { to: 2, spread: 0.6 },
    gave: { from: 0.4, spread: 0.09 },
    fell: { to: 0.05, spread: 0.02 },
    kneeOfYield: { from: 0.5, spread: 0.2 },
  },
  slippery: { steep: ({ low }) => [{ from: Math.min(-0.3, low), to: -0.2, spread: 0.08 }], ended: SHORT_REACH },
  dry: {
    steep: ({ high }) => [{ from: 0.2, to: Math.max(0.3, high), spread: 0.08 }],
    ended: SHORT_REACH,
    stood: { to: 0, spread: 0.5 },
    turned: { from: 0.45, spread: 0.1 },
  },
  soft: {
    steep: { to: -0.35, spread: 0.15 },
    ended: { from: -0.05, to: 0, spread: 0.03 },
    early: { to: 3, spread: 1 },
    settled: { from: 0.035, to: 0.25, spread: 0.012 },
  },
  alreadyTight: {
    steep: { from: 0.15, spread: 0.15 },
    ended: { from: -0.03, spread: 0.03 },
    turned: { to: 0.65, spread: 0.08 },
    ran: { to: 4, spread: 1.5 },
    stood: { from: 1, spread: 0.5 },
    early: FREE,
    gave: FREE,
  },
  stickSlip: {
    steep: FREE,
    early: FREE,
    drop: { to: 0.18, spread: 0.05 },
    flat: FREE,
    jerks: { from: 3, spread: 0.7 },
    gave: FREE,
    fell: { to: 0.16, spread: 0.05 },
    settled: FREE,
  },
  overrun: { ended: { from: 0.02, spread: 0.008 }, early: FREE, gave: { to: 0.4, spread: 0.2 } },
  wrongStiffness: {
    steep: ({ low, high }) => [
      // What hardly rises at all is no joint of any length.
      { from: low - 1.6, to: low - 0.08, spread: 0.06 },
      { from: high + 0.06, to: high + 0.34, spread: 0.06 },
    ],
    ended: SHORT_REACH,
    stood: { to: 0, spread: 0.5 },
    turned: { from: 0.3, spread: 0.1 },
  },
};

/** How common a kind is before anything is seen, as a logarithm: most pulls are good. Chosen by us. */
export const BEFOREHAND: Record<ShownKind, number> = {
  good: 2,
  crossed: 0,
  bottomed: 0,
  notSeated: 0,
  stripping: 0,
  yielding: 0,
  slippery: 0,
  dry: 0,
  // That one joint is soft is rarer than that something is on its thread; a settling shows it.
  soft: -1,
  alreadyTight: 0,
  stickSlip: 0,
  overrun: 0,
  wrongStiffness: -0.5,
};

/** What a kind looks like by one sign: its own, or a sound pull's. */
export const looksOf = (kind: ShownKind, sign: Sign): Expectation | undefined =>
  sign in LOOKS[kind] ? LOOKS[kind][sign] : SOUND[sign];
