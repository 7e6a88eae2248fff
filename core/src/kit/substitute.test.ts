import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { type Fastener, judgeSubstitute, substitutes } from './substitute.ts';

const BOLT: Fastener = {
  kind: 'bolt',
  name: 'Flange bolt',
  thread: 'M10 x 1.5',
  lengthMm: 35,
  head: 'hexFlange',
  propertyClass: '8.8',
  finish: 'zinc',
  acrossFlatsMm: 15,
};
const told = (piece: Partial<Fastener>, wanted: Fastener = BOLT) => {
  const { verdict, differences } = judgeSubstitute(wanted, { ...wanted, ...piece });
  return [verdict, ...differences.map(({ trait, how }) => `${trait} ${how}`)].join(', ');
};

describe('a piece from the shelf in the place of one of the sheet', () => {
  it('the same is the same, whatever it is called', () => {
    expect(told({})).toBe('same');
    expect(told({ name: 'Screw, hex, flanged', thread: 'M10x1.5', lengthMm: 35.2 })).toBe('same');
  });

  it.each<[Partial<Fastener>, string]>([
    [{ thread: 'M10 x 1.25' }, 'refused, thread weaker'],
    [{ thread: '3/8-16' }, 'refused, thread weaker'],
    [{ leftHand: true }, 'refused, hand weaker'],
    [{ lengthMm: 30 }, 'refused, length weaker'],
    [{ lengthMm: undefined }, 'refused, length weaker'],
    [{ lengthMm: 40 }, 'lead, length other'],
    // ISO 898-1: the proof stress of 10.9 is above that of 8.8, of 5.8 below.
    [{ propertyClass: '10.9' }, 'lead, class other'],
    [{ propertyClass: '5.8' }, 'refused, class weaker'],
    [{ propertyClass: undefined }, 'refused, class weaker'],
    // ISO 3506-1: A2-70 yields at 450, below the 640 of 8.8.
    [{ propertyClass: 'A2-70' }, 'refused, class weaker'],
    [{ finish: 'black' }, 'lead, finish other'],
    [{ head: 'hex' }, 'refused, head weaker'],
    [{ head: 'twelvePoint', acrossFlatsMm: 10 }, 'lead, head other, flats other'],
    [{ form: 'uBolt' }, 'refused, form weaker'],
    [{ kind: 'stud' }, 'refused, kind weaker'],
    [{ lengthMm: 45, propertyClass: '4.6' }, 'refused, length other, class weaker'],
  ])('%j: %s', (piece, verdict) => expect(told(piece)).toBe(verdict));

  it('a nut that grips is stood in for by none that does not; its class by its number', () => {
    const nut: Fastener = { kind: 'nut', name: 'Nut', thread: 'M10 x 1.5', propertyClass: '8', locking: 'nylon' };
    expect(told({ locking: undefined }, nut)).toBe('refused, locking weaker');
    expect(told({ locking: 'allMetal' }, nut)).toBe('lead, locking other');
    expect(told({ propertyClass: '10' }, nut)).toBe('lead, class other');
    expect(told({ propertyClass: '6' }, nut)).toBe('refused, class weaker');
  });

  it('a washer bears on as much, and is no thinner', () => {
    const washer: Fastener = { kind: 'washer', name: 'Washer', insideMm: 10.5, outsideMm: 20, thicknessMm: 2 };
    expect(told({ outsideMm: 18 }, washer)).toBe('refused, outside weaker');
    expect(told({ outsideMm: 24 }, washer)).toBe('lead, outside other');
    expect(told({ insideMm: 13 }, washer)).toBe('refused, inside weaker');
    expect(told({ thicknessMm: 1.2 }, washer)).toBe('refused, thickness weaker');
  });

  it('what the sheet does not ask for is no difference', () => {
    expect(told({ finish: 'black', propertyClass: '8.8' }, { kind: 'bolt', name: 'Bolt', thread: 'M8 x 1.25' })).toBe(
      'same',
    );
  });

  it('offers what nobody has to decide on first, and nothing that is refused', () => {
    const shelf = [
      { ...BOLT, lengthMm: 40 },
      { ...BOLT, lengthMm: 30 },
      BOLT,
      { ...BOLT, lengthMm: 40, finish: 'black' },
    ];
    expect(substitutes(BOLT, shelf).map(({ verdict, differences }) => [verdict, differences.length])).toEqual([
      ['same', 0],
      ['lead', 1],
      ['lead', 2],
    ]);
  });

  it('never lets a weaker one through with others: a difference that is weaker stays so whatever else differs', () => {
    const any = fc.record({
      lengthMm: fc.constantFrom(30, 35, 40),
      propertyClass: fc.constantFrom('5.8', '8.8', '10.9', undefined),
      finish: fc.constantFrom('zinc', 'black'),
      head: fc.constantFrom('hexFlange' as const, 'hex' as const),
    });
    fc.assert(
      fc.property(any, (piece) => {
        const { verdict, differences } = judgeSubstitute(BOLT, { ...BOLT, ...piece });
        const weaker =
          piece.lengthMm < 35 ||
          piece.head === 'hex' ||
          piece.propertyClass === undefined ||
          piece.propertyClass === '5.8';
        expect(verdict === 'refused').toBe(weaker);
        expect(verdict === 'same').toBe(differences.length === 0);
      }),
    );
  });
});
