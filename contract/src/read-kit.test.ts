import { readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import { Ajv2020 } from 'ajv/dist/2020.js';
import fc from 'fast-check';
import { DEMO_KITS, FRONT_RECOVERY_POINTS } from '#demo/kits.ts';
import { kitJsonSchema } from './kit-json-schema.ts';
import { readKit, writeKit } from './read-kit.ts';

/** A kit to be broken on purpose. */
interface Loose {
  items: object[];
  stations: Array<{ specs: object[] }>;
  groups: object[];
  fits: object[];
}

describe('kit files', () => {
  it('the demo kits read back equal', () => {
    for (const kit of DEMO_KITS) expect(readKit(writeKit(kit))).toEqual({ ok: true, value: kit });
  });
  it('a byte-order mark is no fault', () => expect(readKit(`\uFEFF${writeKit(FRONT_RECOVERY_POINTS)}`).ok).toBe(true));

  const faults = (change: (kit: Loose) => void) => {
    const kit = structuredClone(FRONT_RECOVERY_POINTS) as unknown as Loose;
    change(kit);
    const read = readKit(JSON.stringify(kit));
    return read.ok ? [] : read.error.faults.map((fault) => fault.path);
  };
  it.each<[string, (kit: Loose) => void]>([
    ['version', (kit) => Object.assign(kit, { version: 8 })],
    ['items[0].quantity', (kit) => Object.assign(kit.items[0] as object, { quantity: 0 })],
    ['items[0]', (kit) => Object.assign(kit.items[0] as object, { colour: 'blue' })],
    [
      'stations[2].specs[0].spec.targetNm',
      (kit) =>
        Object.assign(kit.stations[2]?.specs[0] as object, {
          spec: { kind: 'torque', targetNm: -4 },
        }),
    ],
    [
      'stations[2].specs[0].spec.kind',
      (kit) => Object.assign(kit.stations[2]?.specs[0] as object, { spec: { kind: 'by feel' } }),
    ],
    [
      'groups[0].torqueOrder.pattern',
      (kit) => Object.assign(kit.groups[0] as object, { torqueOrder: { pattern: 'spiral' } }),
    ],
    ['fits[0].when', (kit) => Object.assign(kit.fits[0] as object, { when: { question: 'modelYear' } })],
  ])('names %s', (path, change) => {
    const found = faults(change);
    expect(found.some((entry) => entry.startsWith(path))).toBe(true);
  });
  it('reports all faults in one go', () => {
    const found = faults((kit) => {
      Object.assign(kit.items[0] as object, { quantity: -1 });
      Object.assign(kit.items[3] as object, { line: '' });
      Object.assign(kit, { title: 5 });
    });
    expect(found).toHaveLength(3);
  });
  it('whatever the text, it is read or refused with a place, never thrown', () => {
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.json()), (text) => {
        const read = readKit(text);
        if (!read.ok) expect(read.error.faults.length).toBeGreaterThan(0);
      }),
    );
  });
});

describe('the published JSON Schema', () => {
  const published = JSON.parse(readFileSync('docs/formats/wrenchman-kit.schema.json', 'utf8'));
  it('is in step with the schema the application reads with (npm run schema)', () =>
    expect(published).toEqual(JSON.parse(JSON.stringify(kitJsonSchema()))));
  it('is valid draft 2020-12, accepts the demo kits and refuses a broken one (ajv)', () => {
    const valid = new Ajv2020({ strict: false }).compile(published);
    for (const kit of DEMO_KITS) expect(valid(kit)).toBe(true);
    expect(valid({ ...FRONT_RECOVERY_POINTS, stations: {} })).toBe(false);
  });
});
