import { describe, expect, it } from '@jest/globals';
import { shopChangeText } from './shop-change-text.ts';

describe('the log of a shop', () => {
  it.each([
    [{ what: 'opened', name: 'Quarry Lane' }, 'Quarry Lane opened'],
    [{ what: 'setting', field: 'byFeel', to: 'false' }, 'By feel: refused, before as usual'],
    [{ what: 'setting', field: 'bays', from: '2', to: '3' }, 'Bays: 3, before 2'],
    [
      {
        what: 'setting',
        field: 'trays',
        to: '[{"name":"Red","rows":3,"columns":5},{"name":"Blue","rows":1,"columns":8}]',
      },
      'Sorting trays: Red 3 × 5, Blue 1 × 8, before as usual',
    ],
    [{ what: 'person', did: 'added', person: 'Wren Calder', to: 'fitter' }, 'Wren Calder taken in as fitter'],
    [{ what: 'person', did: 'leave', person: 'Wren Calder' }, 'Wren Calder left the shop'],
  ])('%j', (change, text) => expect(shopChangeText(change as never)).toBe(text));
});
