import { describe, expect, it } from '@jest/globals';
import type { KitDocument } from '#core/kit/kit-document.ts';
import type { StepAction } from '#core/kit/step-action.ts';
import { doubts } from '#core/sheet/doubt.ts';
import { readSheet } from '#core/sheet/read-sheet.ts';
import { ONE_OF_EACH } from '#demo/any-acts.ts';
import { DEMO_KITS } from '#demo/kits.ts';
import { StepSchema } from '../kit/step.ts';
import { ACTION_FIELDS, actionOf, actionText, canBeAdded, neededFields } from './action-text.ts';
import { conditionText } from './condition-text.ts';
import { doubtText, FACT_KIND_TEXT, factText } from './fact-text.ts';
import { misfitText } from './plan-text.ts';

const KIT = {
  ...(structuredClone(DEMO_KITS[0]) as KitDocument),
  removed: [{ id: 'cover', name: 'cover bolts', count: 6, fate: 'refit' as const }],
  disconnects: [{ id: 'lamp', name: 'fog lamp', kind: 'connector' as const }],
  neighbours: [{ id: 'link', name: 'drop link' }],
  temporary: [{ id: 'tape', name: 'tape', goneBefore: { close: true as const } }],
  baselines: [{ id: 'height', name: 'ride height', quantity: 'rideHeight' as const, places: ['front left'] }],
  checks: [{ id: 'gap', text: 'gap even' }],
  irreversible: [{ id: 'cut', text: 'cut the bracket' }],
};

describe('an action in words', () => {
  it.each<[StepAction, string]>([
    [{ type: 'remove', removed: 'cover' }, 'Remove: cover bolts (6)'],
    [{ type: 'refit', removed: 'cover', count: 4 }, 'Refit: cover bolts (6), how many 4'],
    [{ type: 'disconnect', disconnect: 'lamp' }, 'Disconnect: fog lamp'],
    [{ type: 'retighten', neighbour: 'link' }, 'Tighten again: drop link'],
    [{ type: 'clear', temporary: 'tape' }, 'Take away: tape'],
    [{ type: 'measure', baseline: 'height' }, 'Measure: ride height'],
    [{ type: 'drill', diameterMm: 8.5 }, 'Drill: 8.5 mm'],
    [{ type: 'wait', minutes: 30 }, 'Wait: 30 min'],
    [{ type: 'wait', minutes: 1440 }, 'Wait: 1 day'],
    [{ type: 'lift' }, 'Lift the vehicle'],
    [{ type: 'followKit', kit: 'brace', part: 'B' }, 'Go to another kit: brace, B'],
    [{ type: 'do', text: 'Polish the badge' }, 'Polish the badge'],
    [{ type: 'remove', removed: 'gone' }, 'Remove: something this kit no longer has'],
  ])('%j', (action, text) => expect(actionText(KIT, action)).toBe(text));
  it('is nothing while a field it needs is empty, and with them all one the file format takes', () => {
    for (const whole of Object.values(ONE_OF_EACH)) {
      const values = whole as unknown as Record<string, unknown>;
      const needed = neededFields(whole.type).map(({ field }) => field);
      const given = Object.fromEntries(needed.map((field) => [field, values[field]]));
      for (const field of needed) expect(actionOf(whole.type, { ...given, [field]: '' })).toBeUndefined();
      const action = actionOf(whole.type, given);
      const step = { id: 't1', text: 'Step', phase: 'prepare', actions: [action] };
      expect({ type: whole.type, ...StepSchema.safeParse(step) }).toMatchObject({ type: whole.type, success: true });
    }
  });
  it('cannot be added where the kit has nothing of what it names', () => {
    expect(canBeAdded({ ...KIT, removed: [] }, 'remove')).toBe(false);
    expect(canBeAdded(KIT, 'remove')).toBe(true);
    expect(canBeAdded({ ...KIT, stations: [] }, 'drill')).toBe(true);
  });
  it('every field of every action has a place in the editor', () => {
    for (const action of Object.values(ONE_OF_EACH)) {
      const edited = new Set(['type', ...ACTION_FIELDS[action.type].map(({ field }) => field)]);
      expect(Object.keys(action).filter((field) => !edited.has(field))).toEqual([]);
    }
  });
});

describe('why a kit does not fit', () => {
  const questions: KitDocument['questions'] = [
    { id: 'body', text: 'Body?', kind: 'choice', choices: [{ value: 'lwb', label: 'long wheelbase' }] },
    { id: 'year', text: 'Model year?', kind: 'number' },
    { id: 'air', text: 'Are air springs fitted?', kind: 'yesNo' },
    { id: 'built', text: 'Built in?', kind: 'number', from: 'buildMonth' },
  ];
  const reason = (question: string, answer: string | number | boolean, holds = false) => ({
    text: 'as its sheet says',
    because: [{ question, comparison: 'is' as const, value: 'x', answer, holds }],
  });
  it('is said of the vehicle, not of the kit', () => {
    expect(misfitText({ questions }, reason('body', 'lwb'))).toBe('not for long wheelbase');
    expect(misfitText({ questions }, reason('year', 2018))).toBe('not for model year 2018');
    expect(misfitText({ questions }, reason('built', 201_903))).toBe('not for built in March 2019');
    expect(misfitText({ questions }, reason('air', true, true))).toBe('“Are air springs fitted?” is yes');
    expect(misfitText({ questions }, { text: 'as its sheet says', because: [] })).toBe(
      'not for this vehicle (as its sheet says)',
    );
  });
});

describe('a condition in words', () => {
  const kit = {
    questions: [
      { id: 'year', text: 'Model year?', kind: 'number' as const },
      { id: 'bush', text: 'Bush?', kind: 'choice' as const, choices: [{ value: 'soft', label: 'Soft rubber' }] },
    ],
  };
  it.each([
    [undefined, 'always'],
    [{ question: 'year', atLeast: 2016 }, 'Model year ≥ 2016'],
    [{ question: 'bush', is: 'soft' }, 'Bush: Soft rubber'],
    [{ not: { question: 'year', atMost: 2015 } }, 'not Model year ≤ 2015'],
    [
      {
        all: [
          { question: 'year', atLeast: 2016 },
          {
            any: [
              { question: 'bush', is: 'soft' },
              { question: 'gone', is: true },
            ],
          },
        ],
      },
      'Model year ≥ 2016 and (Bush: Soft rubber or gone: yes)',
    ],
  ])('%j', (when, text) => expect(conditionText({ choices: [], ...kit }, when)).toBe(text));
});

describe('a fact in words', () => {
  it.each([
    ['Torque to 46 ft-lb', '46 lbf·ft, = 62.4 N·m'],
    ['Torque to 3 Nm, never over 4 Nm', '3 N·m, never over 4 N·m'],
    ['Torque to 120 ± 6 Nm', '120 N·m, ± 6 N·m'],
    ['Torque to 74 ft-lb plus 90°', '74 lbf·ft, = 100.3 N·m, then 90°'],
    ['Torque to 30 Nm (30 ft-lb)', '30 N·m, but also 30 lbf·ft: they disagree'],
    ['Torque to 40 lb', '40 lb is no torque'],
    ['M10 x 55 bolt', 'M10 × 1.5, 55 mm (2.165 in) long'],
    ['2016 and newer', 'model year 2016 and newer'],
    ['2011-2015 models', 'model years 2011 to 2015'],
    ['Allow 24 hours to cure', '24 h, to wait'],
    ['Check every 5,000 miles', 'every 8047 km'],
    ['grade 8 bolts', 'grade 8'],
  ])('%s', (text, words) => expect(readSheet(text).facts.map(({ value }) => factText(value))).toContain(words));
  it('has a name for every kind that is read, and words for every doubt', () => {
    const { facts } = readSheet(
      'M10 bolts 38 ft-lb. M10 nuts 41 ft-lb. M10 studs 470 ft-lb. Use thread locker on two 16 mm bolts. 45 ft-1b. 40 lb torque. 30 Nm (30 ft-lb). M12 90, M8 20 ft-lb',
    );
    for (const { value } of facts) expect(FACT_KIND_TEXT[value.kind]).toBeTruthy();
    for (const doubt of doubts(facts).values()) expect(doubtText(doubt)).toMatch(/\.$/);
  });
});
