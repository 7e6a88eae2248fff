import { compoundFor } from '#core/bench/compound-for.ts';
import { ANTI_SEIZE, type Caveat, LOCKER_LIMIT_C, type ThreadDuty } from '#core/compound/compound-choice.ts';
import type { BenchTool } from '../bench-tool.ts';
import { BeadOnBolt } from '../drawing/BeadOnBolt.tsx';
import { yesNo } from './joint-fields.ts';

const _CAVEAT: Record<Caveat, string> = {
  sheetFirst: 'Where the kit’s sheet names a compound, it goes before this.',
  inactiveNeedsPrimer: 'Plated, stainless and aluminium hardly help it set: primer, or wait longer.',
  noLockerOnLockingNut: 'A locking nut holds by itself: no locker on it.',
  keepOffPlastic: 'Locker crazes some plastics: keep it off, or use another way.',
  tooHotForLocker: `Above about ${LOCKER_LIMIT_C} °C common lockers let go: a locking nut of all metal, a tab or wire.`,
  antiSeizeNeedsLessTorque:
    'Anti-seize loads the bolt more at the same torque: see “What a change on the thread does”.',
  galvanicPair: 'Steel in aluminium corrodes together: anti-seize keeps it removable.',
  nylonLimit: 'Too hot for a nylon insert: an all-metal locking nut.',
  stainlessGalls: 'Stainless galls: run it down by hand, slowly, with anti-seize where it is to come off.',
  largeThreadHigh: 'Large thread: use the product’s grade for big gaps.',
  heatToUndo: 'Comes off with heat only.',
};

const CHOICE = {
  none: ['No compound', 'var(--rule)'],
  threadlockerMedium: ['Threadlocker, medium', 'var(--medium)'],
  threadlockerHigh: ['Threadlocker, high strength', 'var(--bad)'],
  antiSeize: ['Anti-seize', '#a9642c'],
  grease: ['Grease', '#5a7d33'],
  sealant: ['Sealant', 'var(--ink-2)'],
  retaining: ['Retaining compound', '#5a7d33'],
} as const;

/** Locker or anti-seize, and which, when the sheet does not say. */
export const CHOOSE: BenchTool = {
  id: 'choose',
  title: 'Locker or anti-seize',
  says: 'What a thread wants when the sheet does not say, and what must never meet on it.',
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
    { key: 'diameter', label: 'Thread diameter', initial: '10', kind: 'number', unit: 'mm' },
    { key: 'apart', label: 'Must come apart', initial: 'yes', kind: 'choice', options: yesNo },
    { key: 'never', label: 'Must never loosen', initial: 'no', kind: 'choice', options: yesNo },
    {
      key: 'vibration',
      label: 'Shaken hard',
      initial: 'low',
      kind: 'choice',
      options: [
        { value: 'low', label: 'No' },
        { value: 'high', label: 'Yes' },
      ],
    },
    { key: 'hot', label: 'Gets as hot as', initial: '80', kind: 'number', unit: '°C' },
    {
      key: 'metals',
      label: 'Metals',
      initial: 'steel',
      kind: 'choice',
      options: [
        { value: 'steel', label: 'Steel' },
        { value: 'galvanised', label: 'Plated steel' },
        { value: 'stainless', label: 'Stainless' },
        { value: 'aluminiumWithSteel', label: 'Steel in aluminium' },
      ],
    },
    {
      key: 'nut',
      label: 'Nut',
      initial: 'plain',
      kind: 'choice',
      options: [
        { value: 'plain', label: 'Plain, or tapped' },
        { value: 'nylonInsert', label: 'Nylon insert' },
        { value: 'allMetalLocking', label: 'All-metal locking' },
      ],
    },
    { key: 'sensor', label: 'Exhaust sensor', initial: 'no', kind: 'choice', options: yesNo },
    { key: 'plastic', label: 'Plastic nearby', initial: 'no', kind: 'choice', options: yesNo },
    { key: 'dirty', label: 'Old oil or compound on it', initial: 'no', kind: 'choice', options: yesNo },
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
      main: { label: 'Use', shown: show.text(name) },
      figures: [
        ...(picked.base
          ? [
              { label: 'Base', shown: show.text(picked.base) },
              { label: 'Stands', shown: show.temperature(ANTI_SEIZE[picked.base].limitC) },
            ]
          : []),
        ...(undo ? [{ label: 'Breaks loose at', shown: show.text(`${undo.breakawayRatio}`, '× its torque') }] : []),
        ...(undo?.heatC === undefined ? [] : [{ label: 'After heating to', shown: show.temperature(undo.heatC) }]),
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
      summary: `${name}${picked.base ? ` (${picked.base})` : ''} for a ${duty.diameterMm} mm thread, ${duty.metals}${duty.mustNeverLoosen ? ', must never loosen' : ''}${duty.mustComeApart ? ', must come apart' : ''}`,
    };
  },
  sources: [
    {
      what: 'Locker where it must never loosen, anti-seize where it must come apart',
      where: 'the trade’s two schools; common practice, no source',
    },
    { what: 'Nylon nuts to 120 °C', where: 'ISO 2320' },
  ],
};
