import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { type Findable, findInShop, scannedPlace } from './find.ts';

const job = (id: string, number: string, plate: string, closedAtMs?: number) => ({
  id,
  number,
  bay: 1,
  plannedStartMs: 0,
  estimatedMinutes: 60,
  kitTitle: 'Transfer case guard',
  vehicle: { make: 'Sallow', model: 'Carrick', plate },
  progress: {} as never,
  closedAtMs,
});
const SHOP: Findable = {
  jobs: [job('j1', '261128-1', 'TG 14 KLO'), job('j2', '261128-11', 'PR 88 ANA', 1)],
  vehicles: [
    { id: 'v1', plate: 'TG 14 KLO', make: 'Sallow', model: 'Carrick', owner: 'Upper Rivers Board' },
    { id: 'v2', plate: 'PR 88 ANA', make: 'Dorn', model: 'Gorse', owner: 'Ismay Fenn' },
  ],
  kits: [{ id: 'transfer-case-guard', title: 'Transfer case guard', maker: 'Harrow Plate', revision: 3 }],
  people: [{ id: 'p1', name: 'Ismay Fenn', initials: 'IF', role: 'counter' }],
};
const keys = (text: string) => findInShop(text, SHOP).map(({ key }) => key);

describe('find in the shop', () => {
  it.each([
    ['tg14klo', ['job j1', 'vehicle v1']],
    ['TG-14', ['job j1', 'vehicle v1']],
    ['261128-1', ['job j1', 'job j2']],
    ['guard', ['job j1', 'job j2', 'kit transfer-case-guard']],
    ['ismay', ['person p1', 'vehicle v2']],
    ['carrick guard', ['job j1', 'job j2']],
    ['no such thing', []],
    ['   ', []],
  ])('%j', (text, expected) => expect(keys(text).sort()).toEqual([...expected].sort()));
  it('what was typed whole goes before what only begins so', () => {
    expect(keys('261128-1')[0]).toBe('job j1');
    expect(keys('261128-11')[0]).toBe('job j2');
  });
  it('a closed job says so, and everything leads somewhere', () => {
    expect(findInShop('PR 88 ANA', SHOP)[0]?.says).toContain('closed');
    for (const { to } of findInShop('a', SHOP)) expect(to).toMatch(/^\/(jobs|vehicles|kits|shop)/);
  });
  it('every plate finds its own, however it is spaced (property)', () => {
    fc.assert(
      fc.property(fc.constantFrom(...SHOP.vehicles), fc.constantFrom('', ' ', '-'), (vehicle, gap) => {
        expect(keys(vehicle.plate.replaceAll(' ', gap))).toContain(`vehicle ${vehicle.id}`);
      }),
    );
  });
});

describe('what a scanner reads', () => {
  const CRIB: Findable = {
    ...SHOP,
    wrenches: [{ id: 'w1', label: 'Bay 2 middle', serial: 'HL-3105', kind: 'digital' }],
    tools: [{ id: 't1', name: 'Spring compressor', place: 'wall 3' }],
    bottles: [
      { id: 'b1', name: 'Medium locker', lot: '77-A' },
      { id: 'b2', name: 'Medium locker', lot: '78-B' },
    ],
  };
  const place = (code: string) => scannedPlace(code, 'http://shop:8600', CRIB);
  it('leads to the one thing that is called so, gaps and dashes apart', () => {
    expect(place('TG14KLO')).toBe('/vehicles/v1');
    expect(place('hl3105')).toBe('/crib');
    expect(place('77-a')).toBe('/crib/compounds');
    expect(place('spring compressor')).toBe('/crib/tools');
  });
  it('leads nowhere by part of a name, or where two are called so', () => {
    expect(place('TG14')).toBeUndefined();
    expect(place('Medium locker')).toBeUndefined();
    expect(place('261128-1')).toBe('/jobs/j1');
  });
  it('takes an address of this application and of no other', () => {
    expect(place('http://shop:8600/jobs/j1/line?line=a1')).toBe('/jobs/j1/line?line=a1');
    expect(place('http://elsewhere/jobs/j1')).toBeUndefined();
    expect(place('http://')).toBeUndefined();
  });
});
