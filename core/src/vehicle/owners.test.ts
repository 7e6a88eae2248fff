import { describe, expect, it } from '@jest/globals';
import { likelyDoubles, oneSlipApart, ownersOf } from './owners.ts';
import type { Vehicle } from './vehicle.ts';

let serial = 0;
const vehicle = (owner: string, contact?: string): Vehicle => {
  serial += 1;
  return {
    id: `v-${serial}`,
    make: 'Tolvan',
    model: 'Carrick',
    plate: `P ${serial}`,
    owner,
    ...(contact ? { contact } : {}),
  };
};

describe('owners', () => {
  it('are one where only blanks, case or accents differ; the name most written counts', () => {
    const owners = ownersOf([
      vehicle('Ines Harrow', '555 0142'),
      vehicle('ines  harrow'),
      vehicle('Inés Harrow'),
      vehicle('Ines Harrow', 'ines@example.org'),
      vehicle(''),
    ]);
    expect(owners).toHaveLength(1);
    expect(owners[0]).toMatchObject({ name: 'Ines Harrow', contacts: ['555 0142', 'ines@example.org'] });
    expect(owners[0]?.vehicles).toHaveLength(4);
  });
});

describe('likely doubles', () => {
  const pairs = (...vehicles: Vehicle[]) =>
    likelyDoubles(ownersOf(vehicles)).map(({ first, second, because }) => [first.name, second.name, because]);
  it.each([
    ['Ines Harrow', 'Harrow, Ines', 'order'],
    ['Ines Harrow', 'Ines Harow', 'spelling'],
    ['Ines Harrow', 'Ines Harrwo', 'spelling'],
  ])('%s and %s: %s', (one, other, because) =>
    expect(pairs(vehicle(one), vehicle(other))).toEqual([[expect.any(String), expect.any(String), because]]),
  );
  it('by the same number, however it is written', () =>
    expect(pairs(vehicle('Ada Quarrie', '+1 555-0142'), vehicle('Quarry Ltd', '15550142'))).toEqual([
      ['Ada Quarrie', 'Quarry Ltd', 'contact'],
    ]));
  it('not by chance: short names, other people, other numbers', () =>
    expect(
      pairs(
        vehicle('Ann'),
        vehicle('Ana'),
        vehicle('Ines Harrow', '555 0142'),
        vehicle('Tomas Farrow', '555 0143'),
        vehicle('Rafe', '12'),
        vehicle('Mira', '12'),
      ),
    ).toEqual([]));
});

describe('one slip of the pen (Damerau 1964)', () => {
  it.each([
    ['harrow', 'harow', true],
    ['harrow', 'harrrow', true],
    ['harrow', 'hurrow', true],
    ['harrow', 'harorw', true],
    ['harrow', 'harrow', false],
    ['harrow', 'hraorw', false],
    ['harrow', 'har', false],
  ])('%s, %s: %s', (one, other, apart) => {
    expect(oneSlipApart(one, other)).toBe(apart);
    expect(oneSlipApart(other, one)).toBe(apart);
  });
});
