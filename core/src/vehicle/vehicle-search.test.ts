import { describe, expect, it } from '@jest/globals';
import { findVehicles, toldBy } from './vehicle-search.ts';

const CAR = { plate: 'HL 20 TSK', owner: 'Una Farrow', make: 'Aldren', model: 'Tussock', vin: '1AAAA11A1AA123456' };
const VAN = { plate: 'HL 20 TSX', owner: 'Tom Farrow', make: 'Aldren', model: 'Carrick' };

describe('looking for a vehicle', () => {
  it('an exact plate or the last six of the VIN comes first', () => {
    expect(findVehicles([VAN, CAR], 'hl20tsk')[0]).toBe(CAR);
    expect(findVehicles([VAN, CAR], '123456')).toEqual([CAR]);
    // By a number off a part that was fitted, as a recall names it.
    const fitted = { ...VAN, fitted: [{ word: 'helper leaves', serials: ['BS 0417'] }] };
    expect(findVehicles([CAR, fitted], 'bs-0417')).toEqual([fitted]);
    expect(findVehicles([CAR, fitted], 'BS 041')).toEqual([]);
    expect(findVehicles([CAR, VAN], 'farrow tom')).toEqual([VAN]);
    expect(findVehicles([CAR, VAN], '  ')).toEqual([CAR, VAN]);
  });
});

describe('what a search that found nothing has told', () => {
  it.each([
    ['qx 77 new', { plate: 'QX 77 NEW' }],
    ['1AAAA11A1AA123456', { vin: '1AAAA11A1AA123456' }],
    ['Una Farrow', { owner: 'Una Farrow' }],
    [' ', {}],
  ])('%j', (query, told) => expect(toldBy(query)).toEqual(told));
});
