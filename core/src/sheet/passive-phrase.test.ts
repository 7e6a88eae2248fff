import { describe, expect, it } from '@jest/globals';
import { passives } from './passive-phrase.ts';

const acts = (text: string) =>
  passives(text).map(({ value }) => (value.kind === 'action' ? [value.action, value.object] : []));

describe('what is done to a thing', () => {
  it.each([
    ['The bumper is removed.', [['remove', 'bumper']]],
    ['The two nuts which hold the bump rubber are taken off.', [['remove', 'two nuts']]],
    ['The wheels are to be taken off.', [['remove', 'wheels']]],
    ['The battery must be disconnected.', [['disconnect', 'battery']]],
    ['The battery is connected again.', [['reconnect', 'battery']]],
    ['The bumper is refitted with its four bolts.', [['refit', 'bumper']]],
    [
      'The cover is taken off, and the lamp is unplugged.',
      [
        ['remove', 'cover'],
        ['disconnect', 'lamp'],
      ],
    ],
  ])('%s', (text, found) => expect(acts(text)).toEqual(found));
  it.each([
    // Only when, and not that.
    'When the bumper is removed, look for rust.',
    'Once the wheels are taken off, clean the hubs.',
    // Not done, or not by hands.
    'The bumper is not removed.',
    'The value of 190 Nm is withdrawn.',
    'A rack that has carried over 120 kg is taken out of service.',
    // Cleaned off, and no part.
    'All burrs are removed.',
    'Old grease is taken off.',
  ])('%s says no act', (text) => expect(acts(text)).toEqual([]));
  it('keeps to the place of its verb', () => {
    const text = 'The bumper is removed.';
    expect(passives(text).map(({ start, end }) => text.slice(start, end))).toEqual(['removed']);
  });
});
