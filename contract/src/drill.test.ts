import { readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import Ajv2020 from 'ajv/dist/2020.js';
import { FAULT_KINDS, FAULTS } from '#core/drill/fault-kind.ts';
import { CATCHES } from '#core/drill/judge-drill.ts';
import { playDrill, STYLES } from '#core/drill/scripted-learner.ts';
import { demoDrills } from '#demo/drills.ts';
import { DrillAttemptSchema, DrillSchema, readDrill } from './drill.ts';
import { drillJsonSchema } from './drill-json-schema.ts';
import { kitJsonSchema } from './kit-json-schema.ts';
import { consequenceText } from './wording/drill-text.ts';
import { CATCH_WORDS, FAULT_WORDS, HOLE_WORDS, MODE_WORDS, ROOM_WORDS } from './wording/en/drill.ts';

const published = 'docs/formats/wrenchman-drill.schema.json';
const [drill] = demoDrills();
if (!drill) throw new Error('no drill');
const faultsOf = (change: object) => {
  const read = readDrill(JSON.stringify({ ...drill, ...change }));
  return read.ok ? [] : read.error.faults.map(({ path, message }) => `${path}: ${message}`);
};

describe('a drill’s file', () => {
  it.each(demoDrills().map((each) => [each.title, each] as const))('%s goes out and comes back as it is', (_, each) => {
    expect(readDrill(JSON.stringify(each))).toEqual({ ok: true, value: each });
  });
  it('is described by the schema that is published, as another validator reads it', () => {
    const schema = JSON.parse(readFileSync(published, 'utf8')) as object;
    expect(schema).toEqual(JSON.parse(JSON.stringify(drillJsonSchema())));
    const validate = new Ajv2020({ strict: false, allErrors: true, logger: false })
      .addSchema(kitJsonSchema(), 'wrenchman-kit.schema.json')
      .compile(schema);
    for (const each of demoDrills())
      expect([each.title, validate(each), validate.errors]).toEqual([each.title, true, null]);
    expect(validate({ ...drill, mode: 'loud' })).toBe(false);
  });
  it('that is none says where and what', () => {
    expect(readDrill('{').ok).toBe(false);
    expect(faultsOf({ seed: 1.5 }).join()).toContain('seed');
    expect(faultsOf({ mode: 'loud' }).join()).toContain('mode');
    expect(faultsOf({ extra: 1 }).length).toBeGreaterThan(0);
    expect(faultsOf({ faults: [{ kind: 'crossed', target: 'nowhere' }] })).toEqual([
      'faults[0]: “Crossed thread” has no place at nowhere',
    ]);
    const kit = { ...drill.kit, groups: [] };
    expect(faultsOf({ kit }).join()).toContain('kit.');
  });
});

describe('an attempt', () => {
  it('of any style is read as it was made', () => {
    for (const style of Object.values(STYLES)) {
      const { attempt } = playDrill(drill, style, 3);
      const sent = JSON.parse(JSON.stringify(attempt)) as object;
      expect(DrillAttemptSchema.safeParse(sent).error?.issues).toBeUndefined();
    }
  });
});

describe('the words of a drill', () => {
  it('are there for every fault, with a rule, its source and one thing to do', () => {
    for (const kind of FAULT_KINDS)
      for (const words of Object.values(FAULT_WORDS[kind])) expect([kind, words.length > 3]).toEqual([kind, true]);
    expect(new Set(FAULT_KINDS.map((kind) => FAULT_WORDS[kind].name)).size).toBe(FAULT_KINDS.length);
    for (const { mistakes } of Object.values(FAULTS)) expect(mistakes.length).toBeGreaterThan(0);
  });
  it('are there for modes, rooms, looks and outcomes', () => {
    expect(Object.keys(MODE_WORDS)).toEqual(DrillSchema ? ['guided', 'plain', 'blank'] : []);
    expect(Object.keys(CATCH_WORDS)).toEqual([...CATCHES]);
    expect(Object.values(ROOM_WORDS).every(Boolean)).toBe(true);
    expect(Object.values(HOLE_WORDS).every(Boolean)).toBe(true);
  });
  it.each([
    [{ code: 'fewerBolts', bolts: 3, of: 4, loadEach: 1.33 }, '3 of 4 bolts would carry it: each 133 % of its load.'],
    [{ code: 'leftOut', joints: 1 }, 'One joint would stand without it.'],
    [{ code: 'leftOut', joints: 2 }, '2 joints would stand without it.'],
    [{ code: 'overloaded', loadShare: 1.36 }, 'The bolt would hold 136 % of its load.'],
    [
      { code: 'overloaded', loadShare: 10, yieldShare: 7.2 },
      'The bolt would hold 1000 % of its load, at 720 % of what it yields at.',
    ],
    [{ code: 'loadLost', leftShare: 0.6 }, '60 % of the clamp load would be left.'],
    [{ code: 'threadShort', byMm: 10, diameters: 0.83 }, '10 mm less thread would hold, 0.83 of its diameter.'],
    [{ code: 'threadShort', byMm: 5 }, '5 mm less thread would hold.'],
    [{ code: 'unknownLoad' }, 'Nobody would know what the joint holds.'],
    [{ code: 'wrongPlace' }, 'The part would stand on the wrong side.'],
    [{ code: 'bondBroken' }, 'The bond would hold nothing.'],
  ] as const)('%j', (consequence, text) => expect(consequenceText(consequence)).toBe(text));
});
