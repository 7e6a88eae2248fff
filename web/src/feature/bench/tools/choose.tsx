import { say } from '#contract/wording/say.ts';
import { compoundFor } from '#core/bench/compound-for.ts';
import { ANTI_SEIZE, type Caveat, LOCKER_LIMIT_C, type ThreadDuty } from '#core/compound/compound-choice.ts';
import type { BenchTool } from '../bench-tool.ts';
import { BeadOnBolt } from '../drawing/BeadOnBolt.tsx';
import { yesNo } from './joint-fields.ts';

const _CAVEAT: Record<Caveat, string> = {
  sheetFirst: say('Where the kit’s sheet names a compound, it goes before this.'),
  inactiveNeedsPrimer: say('Plated, stainless and aluminium hardly help it set: primer, or wait longer.'),
  noLockerOnLockingNut: say('A locking nut holds by itself: no locker on it.'),
  keepOffPlastic: say('Locker crazes some plastics: keep it off, or use another way.'),
  tooHotForLocker: say(
    'Above about {lockerLimitC} °C common lockers let go: a locking nut of all metal, a tab or wire.',
    { lockerLimitC: LOCKER_LIMIT_C },
  ),
  antiSeizeNeedsLessTorque: say(
    'Anti-seize loads the bolt more at the same torque: see “What a change on the thread does”.',
  ),
  galvanicPair: say('Steel in aluminium corrodes together: anti-seize keeps it removable.'),
  nylonLimit: say('Too hot for a nylon insert: an all-metal locking nut.'),
  stainlessGalls: say('Stainless galls: run it down by hand, slowly, with anti-seize where it is to come off.'),
  largeThreadHigh: say('Large thread: use the product’s grade for big gaps.'),
  heatToUndo: say('Comes off with heat only.'),
};

const CHOICE = {
  none: [say('No compound'), 'var(--rule)'],
  threadlockerLow: [say('Threadlocker, low strength'), 'var(--steel)'],
  threadlockerMedium: [say('Threadlocker, medium'), 'var(--medium)'],
  threadlockerHigh: [say('Threadlocker, high strength'), 'var(--bad)'],
  antiSeize: [say('Anti-seize'), '#a9642c'],
  grease: [say('Grease'), '#5a7d33'],
  sealant: [say('Sealant'), 'var(--ink-2)'],
  retaining: [say('Retaining compound'), '#5a7d33'],
} as const;

/** Locker or anti-seize, and which, when the sheet does not say. */
export const CHOOSE: BenchTool = {
  id: 'choose',
  title: say('Locker or anti-seize'),
  says: say('What a thread wants when the sheet does not say, and what must never meet on it.'),
  example: 'locker or anti-seize',
  words: [
    'locker or anti-seize',
    'choose',
    'which locker',
    'compound',
    'blue',
    'red',
    'medium',
    'high strength',
    'undo',
    'heat',
    'copper',
    'nickel',
  ],
  takes: ['diameter'],
  fields: [
    { key: 'diameter', label: say('Thread diameter'), initial: '10', kind: 'number', unit: 'mm' },
    { key: 'apart', label: say('Must come apart'), initial: 'yes', kind: 'choice', options: yesNo },
    { key: 'never', label: say('Must never loosen'), initial: 'no', kind: 'choice', options: yesNo },
    {
      key: 'vibration',
      label: say('Shaken hard'),
      initial: 'low',
      kind: 'choice',
      options: [
        { value: 'low', label: say('No') },
        { value: 'high', label: say('Yes') },
      ],
    },
    { key: 'hot', label: say('Gets as hot as'), initial: '80', kind: 'number', unit: '°C' },
    {
      key: 'metals',
      label: say('Metals'),
      initial: 'steel',
      kind: 'choice',
      options: [
        { value: 'steel', label: say('Steel') },
        { value: 'galvanised', label: say('Plated steel') },
        { value: 'stainless', label: say('Stainless') },
        { value: 'aluminiumWithSteel', label: say('Steel in aluminium') },
      ],
    },
    {
      key: 'nut',
      label: say('Nut'),
      initial: 'plain',
      kind: 'choice',
      options: [
        { value: 'plain', label: say('Plain, or tapped') },
        { value: 'nylonInsert', label: say('Nylon insert') },
        { value: 'allMetalLocking', label: say('All-metal locking') },
      ],
    },
    { key: 'sensor', label: say('Exhaust sensor'), initial: 'no', kind: 'choice', options: yesNo },
    { key: 'plastic', label: say('Plastic nearby'), initial: 'no', kind: 'choice', options: yesNo },
    { key: 'dirty', label: say('Old oil or compound on it'), initial: 'no', kind: 'choice', options: yesNo },
  ],
  answer(read) {
    const { show } = read;
    const duty: ThreadDuty = {
      diameterMm: read.number('diameter', 2, 60),
      mustComeApart: read.yes('apart'),
      mustNeverLoosen: read.yes('never'),
      vibration: read.choice('vibration'),
      hotC: read.number('hot', -40, 1300),
      metals: read.choice('metals'),
      nut: read.choice('nut'),
      nearPlastic: read.yes('plastic'),
      oxygenOrExhaustSensor: read.yes('sensor'),
    };
    const picked = compoundFor(duty, read.yes('dirty'));
    const [name, tint] = CHOICE[picked.choice];
    const { undo } = picked;
    return {
      main: { label: say('Use'), shown: show.text(name) },
      figures: [
        ...(picked.base
          ? [
              { label: say('Base'), shown: show.text(picked.base) },
              { label: say('Stands'), shown: show.temperature(ANTI_SEIZE[picked.base].limitC) },
            ]
          : []),
        ...(undo
          ? [{ label: say('Breaks loose at'), shown: show.text(`${undo.breakawayRatio}`, '× its torque') }]
          : []),
        ...(undo?.heatC === undefined ? [] : [{ label: say('After heating to'), shown: show.temperature(undo.heatC) }]),
      ],
      remarks: picked.remarks,
      drawing: (
        <BeadOnBolt
          diameterMm={duty.diameterMm}
          engagedMm={duty.diameterMm}
          tint={picked.choice === 'none' ? undefined : tint}
          blind={false}
          label={name}
        />
      ),
      summary: say('{name}{which} for a {diameterMm} mm thread, {metals}{which2}{which3}', {
        name,
        which: picked.base ? ` (${picked.base})` : '',
        diameterMm: duty.diameterMm,
        metals: duty.metals,
        which2: duty.mustNeverLoosen ? say(', must never loosen') : '',
        which3: duty.mustComeApart ? say(', must come apart') : '',
      }),
    };
  },
  sources: [
    {
      what: say('Locker where it must never loosen, anti-seize where it must come apart'),
      where: say('the trade’s two schools; common practice, no source'),
    },
    { what: say('Nylon nuts to 120 °C'), where: 'ISO 2320' },
  ],
};
