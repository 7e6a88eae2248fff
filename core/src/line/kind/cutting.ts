import type { Ask } from '../ask.ts';
import { type ActionOf, kindOf, tick, words } from '../line-kind.ts';

/** What a hole may differ from the drill that made it, mm (chosen by us). */
const DRILL_PLAY_MM = 0.1;

const photo: Ask = { kind: 'photo', key: 'photo', about: 'photo' };

/** A hole cannot be taken back: the drill in the chuck is asked by its size, then what makes it a good hole. */
export const drill = kindOf<ActionOf<'drill'>>({
  picture: 'hole',
  asks: ({ action }) => [
    ...(action.template ? [tick('template', 'template', action.template)] : []),
    tick('punched', 'punched'),
    ...(action.pilotMm ? [tick('piloted', 'piloted', `${action.pilotMm} mm`)] : []),
    {
      kind: 'number',
      key: 'drill',
      about: 'drillSize',
      what: action.size,
      unit: 'mm',
      min: Number((action.diameterMm - DRILL_PLAY_MM).toFixed(2)),
      max: Number((action.diameterMm + DRILL_PLAY_MM).toFixed(2)),
      outside: 'refused',
      expected: action.diameterMm,
    },
    ...(action.edgeMm
      ? [
          {
            kind: 'number' as const,
            key: 'edge',
            about: 'edgeDistance' as const,
            unit: 'mm',
            min: action.edgeMm,
            outside: 'refused' as const,
          },
        ]
      : []),
    tick('deburred', 'deburred'),
    ...(action.treatWith ? [tick('treated', 'treated', action.treatWith)] : []),
    photo,
  ],
});

export const ream = kindOf<ActionOf<'ream'>>({
  picture: 'hole',
  asks: ({ action }) => [
    {
      kind: 'number',
      key: 'drill',
      about: 'drillSize',
      unit: 'mm',
      min: Number((action.diameterMm - DRILL_PLAY_MM).toFixed(2)),
      max: Number((action.diameterMm + DRILL_PLAY_MM).toFixed(2)),
      outside: 'refused',
      expected: action.diameterMm,
    },
    tick('deburred', 'deburred'),
    photo,
  ],
});

export const cut = kindOf<ActionOf<'cut'>>({
  picture: 'list',
  asks: ({ action }) => [words('reason', 'reason', action.what), tick('deburred', 'deburred'), photo],
});
export const bend = kindOf<ActionOf<'bend'>>({
  picture: 'list',
  asks: ({ action }) => [words('reason', 'reason', action.what), photo],
});

/** The way that can be taken back stands first; the other needs a reason and a photo. */
export const decide = kindOf<ActionOf<'decide'>>({
  picture: 'list',
  asks({ plan, action }, answers) {
    const entry = plan.irreversible.find(({ id }) => id === action.irreversible);
    const way: Ask = {
      kind: 'oneOf',
      key: 'way',
      about: 'way',
      what: entry?.text,
      options: [
        ...(entry?.reversibleWay
          ? [{ value: 'reversible', label: entry.reversibleWay, is: 'right' as const }]
          : [{ value: 'leftAlone', is: 'right' as const }]),
        { value: 'forGood', label: entry?.text, is: 'right' },
      ],
    };
    return answers.way === 'forGood' ? [way, words('reason', 'reason', entry?.text), photo] : [way];
  },
});
