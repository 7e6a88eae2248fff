import { describe, expect, it } from '@jest/globals';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { resolveVisit } from '#core/visit/resolve-visit.ts';
import { STRUT_LIFT_40, TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { DEMO_VEHICLES } from '#demo/shop.ts';
import { effectsText } from './effects-text.ts';

const TUSSOCK = DEMO_VEHICLES.find(({ id }) => id === 'v-tussock');
if (!TUSSOCK) throw new Error('no vehicle');
const effects = (document: KitDocument, vehicle?: Parameters<typeof effectsText>[1]) => {
  const plan = resolveVisit([{ document, prefix: '' }], TUSSOCK, {});
  if (!plan.ok) throw new Error(plan.error.code);
  return effectsText(plan.value, vehicle);
};

describe('what the kits of a visit do, before a spanner is lifted', () => {
  it('is told by their own claims, and by what is set here', () => {
    expect(effects(STRUT_LIFT_40)).toEqual([
      'Ride height at the front, hub to arch: +35 to +45 mm; left and right within 6 mm.',
      'Camber: afterwards at least -1, at most 0 °; left and right within 0.5 °.',
      'Camber: set here, between -0.90° and -0.10°; an eccentric moves it 1.2° each way.',
    ]);
  });
  it('adds what the vehicle weighs and may carry then', () => {
    const bar: KitDocument = {
      ...TRANSFER_CASE_GUARD,
      questions: [],
      loads: { massKg: 40, aheadOfRearAxleMm: -1000, hitch: [{ name: 'receiver', trailerKg: 2500, tongueKg: 100 }] },
    };
    const told = effects(bar, {
      ratings: { kerbKg: 2000, grossKg: 2900 },
      dimensions: { wheelbaseMm: 3000, kerbFrontKg: 1100 },
      fitted: [],
    });
    expect(told).toEqual(
      expect.arrayContaining([
        expect.stringMatching(/weighs 40 kg more than what it replaces\.$/),
        'Payload: 900 kg to 860 kg.',
        'Front axle, empty: 1,100 kg to 1,087 kg.',
        'Rear axle, empty: 900 kg to 953 kg.',
        'Trailer then at most 2,500 kg, by the receiver.',
        'On the ball at most 100 kg, by the receiver.',
        'Plate ratings do not rise.',
      ]),
    );
  });
  it('says nothing of a guard that changes none of it', () =>
    expect(effects(TRANSFER_CASE_GUARD, TUSSOCK)).toEqual([]));
});
