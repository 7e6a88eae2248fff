import type { BendableRule, Bender, HouseRules } from '#core/kit/house-rules.ts';
import { inLanguage } from '../say.ts';

/** A setting of the shop in words: what it is, what it changes on the floor, and why the trade disagrees. */
export interface RuleText {
  title: string;
  why: string;
}

/** What of the house rules a lead sets on the settings page. */
export type SetRule = Exclude<keyof HouseRules, 'proof' | 'heldUpBy'>;

export const RULE_TEXT: Record<
  SetRule | 'name' | 'bays' | 'pairedOnly' | 'sessionHours' | 'sharesKits' | 'wrenchPool',
  RuleText
> = inLanguage({
  sharesKits: {
    title: 'The other shops may take our kits',
    why: 'Released kits stand in their libraries to be taken over. What they took stays theirs; what they change there changes nothing here.',
  },
  wrenchPool: {
    title: 'In the wrench pool',
    why: 'Shops in the pool pull with each other’s wrenches, each called by its shop. It is calibrated where it hangs; found out there, its pulls are to be done again in every shop that used it.',
  },
  sessionHours: {
    title: 'How long a sign-in lasts',
    why: 'A tablet left lying is signed out after it. What was entered stays and is sent after the next PIN.',
  },
  stages: {
    title: 'Stages of a group',
    why: 'Shares of the final torque that a group of four and more is brought up by where its kit prints none. Each bolt takes clamp from its neighbours: schools go in one, two or three rounds. Usual is half, then all.',
  },
  leastStageNm: {
    title: 'No stage below, N·m',
    why: 'Half of 6 N·m is less than most wrenches show: a stage of the shop’s own that comes to less is left out, and the first pull is the whole figure. Stages a kit prints stand. Usual is 5; 0 leaves none out.',
  },
  dates: {
    title: 'Dates and clock',
    why: 'How they are written on screens, cards and records: 27 Nov 14:30 and on paper 2026-11-27 14:30, Nov 27 2:30 PM, or 2026-11-27 everywhere. Files for programs keep ISO 8601.',
  },
  units: {
    title: 'Units that come first',
    why: 'For whoever never chose under Settings. Every figure shows both, the sheet’s own first where it is printed.',
  },
  hours: {
    title: 'Opening hours and holidays',
    why: 'Give the day its length on the bays, and say it where a visit is planned or promised while nobody is there. It may be all the same.',
  },
  gasketStages: {
    title: 'Stages where a gasket lies between',
    why: 'A gasket that is pressed on one side first leaks on the other: many shops bring such a joint up in three rounds, from two bolts on. Nothing: as any other group.',
  },
  estimates: {
    title: 'Figures worked out by the bench',
    why: 'From size, class and finish, for a joint whose sheet gives none. Some shops tighten to nothing that is not printed. Never a safety-critical joint.',
  },
  otherKits: {
    title: 'Figures of another kit',
    why: 'The same thread is tightened differently elsewhere: for the same joint only, and in some shops not at all. Never a safety-critical joint.',
  },
  figuresBy: {
    title: 'Who may tighten to less than the joint’s own figure',
    why: 'By feel, to an estimate or to another kit’s figure: the fitter, with a name and a reason, or a lead alone.',
  },
  powerFromMm: {
    title: 'Power tools from this thread on, mm',
    why: 'A driver that is let off a moment late tears a small thread. Running down alone: the torque is pulled by hand in any case, and a kit that forbids power tools is obeyed. A lead may lift it for one bolt. Usual is 6.',
  },
  secondLook: {
    title: 'A second look before signing',
    why: 'Somebody goes over it blind, without the first readings: another pull, the stripe, or eyes and fingers where something was opened. Where lives hang on a joint: safety-critical ones and wheels. The job is not signed before; what disagrees is a finding.',
  },
  secondLookBy: {
    title: 'Who takes the second look',
    why: 'Other eyes see more. Where one works alone, the same person may look after a break; the record says so.',
  },
  apprenticePulls: {
    title: 'The final pull of a joint lives hang on',
    why: 'An apprentice who has spotted in practice what a crossed, bottomed, stripping, slippery, tight or soft joint feels like, each twice and not long ago, knows when to stop. A lead may lift it for one bolt.',
  },
  batteryOff: {
    title: 'Battery off before a plug is pulled',
    why: 'Before airbags and belt tensioners, controlled dampers, and plugs a control unit watches: pulled live they fire, or leave a fault that only a tester clears. Some shops take it off for any plug, others go by the sheet alone, since radio, windows and keys may have to be taught again. The vehicle maker’s manual says how long to wait.',
  },
  functionTests: {
    title: 'What is tried out before the vehicle goes back',
    why: 'A bolt at its torque does not show that a hose is tight, a plug is home or a wheel clears the arch. By what a kit touches: leaks, brakes, steering from lock to lock, valves, lamps, warning lamps, cameras and sensors, a road test with its distance. What a sheet asks for itself is not asked twice. Some shops go by the sheet alone and try the rest out by their own list.',
  },
  powerSeats: {
    title: 'Seating the head with a power tool',
    why: 'Running down is letting the driver off before the head touches. Where a kit leaves power tools free, a driver may seat the head as well; many shops draw the last turn by hand all the same, because nobody knows how hard it was pressed.',
  },
  bentBy: {
    title: 'Each rule, and who bends it',
    why: 'Each rule can be bent by name and with a reason, which stands on the record. On a safety-critical joint and at wheels at most a lead does. Never: above an absolute maximum, with a wrench that cannot show the torque, by feel where lives hang on it.',
  },
  againAfterKm: {
    title: 'Looked at again after, km',
    why: 'Wheels, exhaust joints, clamps and bushes settle. Where a kit’s sheet says when, the sheet counts; where it says nothing, this stands on the record. Usual for wheels is 40, for the others nothing.',
  },
  aligner: {
    title: 'Who aligns the wheels',
    why: 'What is said at hand-over where parts that carry the geometry were moved.',
  },
  untilAlignedKm: {
    title: 'Driving until it is aligned, km',
    why: 'How far the vehicle may go before its alignment. Nothing: before long drives, as usual.',
  },
  pairedOnly: {
    title: 'Only tablets a lead has let in',
    why: 'A PIN alone then opens nothing on a device nobody knows. The server’s own machine is always let in.',
  },
  name: { title: 'Name of the shop', why: 'Stands on cards, labels and records.' },
  bays: { title: 'Bays', why: 'How many rows the day has.' },
  timeZone: {
    title: 'Time zone',
    why: 'What times on cards, screens and records are told in. Without one they are in UTC.',
  },
  verify: {
    title: 'Second pass',
    why: 'Groups of four and more are gone round once again at full torque. Some shops pull once and trust it.',
  },
  driveAfter: {
    title: 'On the road after a locker',
    why: 'At handling strength the joint holds what it was torqued to; at full cure it holds what the product promises. Towing and track always wait for full cure.',
  },
  byFeel: {
    title: 'By feel',
    why: 'A joint without a figure may be tightened by feel, by name and with a reason. Never a safety-critical one, whoever asks.',
  },
  boltUses: {
    title: 'Uses of a bolt of the vehicle',
    why: 'How often one goes back where nobody says; with the next it is a new one.',
  },
  bareTolerance: {
    title: 'Deviation of a bare figure',
    why: 'How far a pull may lie from a figure that the sheet prints without limits. A click wrench itself may be off by 4 % (ISO 6789-1), so some shops take 5, others 10 %. A sheet’s own limits always win. Usual is 0.05.',
  },
  antiSeizeShare: {
    title: 'Share of a dry figure on anti-seize',
    why: 'Schools cut by 15 to 30 %. Without a share of the house the friction is worked out and a person chooses.',
  },
  runDownShare: {
    title: 'Share that running down may take',
    why: 'Above it the thread is crossed, dirty or locking harder than the figure counts on, and snug is refused. Usual is 0.3.',
  },
  lifting: {
    title: 'What vehicles are held up on',
    why: 'Lifts, stands, ramps and jacks with what their plates say they bear, stands and ramps by the pair. A lift must bear all a vehicle may weigh, stands, ramps and jack its heavier axle; what bears less is refused when the vehicle goes up. Nothing: nobody is asked.',
  },
  trays: { title: 'Sorting trays', why: 'What hardware is laid out in at check-in: name, rows × columns, one a line.' },
});

/** What may be bent, and what it lets past on the floor. */
export const BENDABLE_TEXT: Record<BendableRule, RuleText> = inLanguage({
  order: { title: 'Order of the bolts', why: 'Out of turn, or before all of a group are started or snug.' },
  compound: { title: 'Compound and its clock', why: 'No bead, past its window, before it has cured.' },
  residue: { title: 'Old locker on the thread', why: 'Cleaned off, or left with a reason. Usual: nobody leaves it.' },
  power: { title: 'Power tools', why: 'On a thread that is too small, against the kit, or where it ran down stiff.' },
  wrench: { title: 'A wrench out of calibration', why: 'Or one that failed its own check.' },
  height: { title: 'Ride height', why: 'A bush or wheel tightened while it hangs.' },
  steps: { title: 'What comes first', why: 'A step before what it waits for, an open check, something not chosen.' },
  waiver: {
    title: 'A step that is not done',
    why: 'Let go with a reason. Never a joint, and nothing that is off the vehicle.',
  },
  aftercare: { title: 'What is due later', why: 'A re-torque or a look after some distance, not asked of this owner.' },
});

export const BENDER_TEXT: Record<Bender, string> = inLanguage({
  fitter: 'Whoever answers for the work',
  lead: 'A lead',
  nobody: 'Nobody',
});

/** Values of settings that are chosen, as the page calls them. */
export const RULE_VALUES: Partial<Record<string, Record<string, string>>> = inLanguage({
  verify: { true: 'always', false: 'never unless the kit says' },
  driveAfter: { fullCure: 'full cure' },
  byFeel: { false: 'refused' },
  batteryOff: {
    watched: 'airbags, controlled dampers, watched plugs',
    anyPlug: 'any plug',
    asKit: 'as the sheet says',
  },
  functionTests: { touched: 'by what the kit touches', asKit: 'as the sheet says' },
  secondLook: { none: 'not asked', critical: 'where lives hang on it', all: 'everything' },
  apprenticePulls: { practised: 'by an apprentice who has practised it' },
  secondLookBy: { another: 'another person', afterBreak: 'the same after a break too' },
  powerSeats: { true: 'where the kit leaves them free', false: 'never' },
  estimates: { false: 'refused' },
  otherKits: { false: 'refused' },
  figuresBy: { lead: 'a lead alone' },
  dates: { monthFirst: 'Nov 27, 2026 2:30 PM', yearFirst: '2026-11-27 14:30' },
  units: { metric: 'metric', inch: 'inch and lbf' },
  aligner: { ownRack: 'on our own rack', sentOut: 'sent out' },
  pairedOnly: { true: 'yes', false: 'no' },
  sharesKits: { true: 'yes', false: 'no' },
  wrenchPool: { true: 'yes', false: 'no' },
});
