import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { PlanAction, PlanStep } from '../kit/plan.ts';
import { reverseSteps } from './reverse-strip.ts';
import { withRefit } from './with-refit.ts';

const step = (id: string, phase: PlanStep['phase'], actions: PlanAction[], after: string[] = []): PlanStep => ({
  id,
  kit: 'k',
  because: [],
  text: id,
  phase,
  actions,
  needs: [],
  after,
  covers: [id],
});
/** One after another, as a sheet lists them. */
const listed = (steps: PlanStep[]): PlanStep[] =>
  steps.map((entry, index) => ({ ...entry, after: index > 0 ? [(steps[index - 1] as PlanStep).id] : [] }));

const anyAction: fc.Arbitrary<PlanAction> = fc.oneof(
  fc.record({ type: fc.constantFrom('remove' as const, 'refit' as const), removed: fc.string() }),
  fc.record({ type: fc.constantFrom('disconnect' as const, 'reconnect' as const), disconnect: fc.string() }),
  fc.record({ type: fc.constantFrom('loosen' as const, 'retighten' as const), neighbour: fc.string() }),
  fc.record({
    type: fc.constantFrom('lift' as const, 'lower' as const),
    end: fc.constantFrom('front' as const, 'rear' as const),
  }),
  fc.record({ type: fc.constantFrom('do' as const, 'undo' as const), text: fc.string() }),
);
const anyStrip = fc
  .array(fc.array(anyAction, { minLength: 1, maxLength: 4 }), { maxLength: 12 })
  .map((all) => listed(all.map((actions, index) => step(`s${index}`, 'strip', actions))));

describe('the reverse of removal', () => {
  it('reversed twice is the strip again (property)', () =>
    fc.assert(fc.property(anyStrip, (strip) => expect(reverseSteps(reverseSteps(strip))).toEqual(strip))));

  it('turns the order round, each action to its opposite (property)', () =>
    fc.assert(
      fc.property(anyStrip, (strip) => {
        const back = reverseSteps(strip);
        expect(back.map((entry) => entry.undoes)).toEqual(strip.map((entry) => entry.id).reverse());
        expect(back.flatMap((entry) => entry.actions)).toHaveLength(strip.flatMap((entry) => entry.actions).length);
      }),
    ));

  const strip = listed([
    step('up', 'strip', [{ type: 'lift', end: 'front' }]),
    step('wheels', 'strip', [{ type: 'remove', removed: 'wheels' }]),
    step('guard', 'strip', [
      { type: 'remove', removed: 'bolts' },
      { type: 'remove', removed: 'clips' },
      { type: 'remove', removed: 'tray' },
    ]),
    step('sensor', 'strip', [{ type: 'disconnect', disconnect: 'sensor' }]),
    step('on', 'loose', [{ type: 'fit', item: 'bar' }]),
    step('tight', 'torque', [{ type: 'torque', group: 'g' }]),
    step('look', 'refit', [{ type: 'check', check: 'gap' }]),
  ]);
  const removals = new Map([
    ['wheels', { count: 2, fate: 'refit' as const }],
    ['bolts', { count: 14, fate: 'refit' as const }],
    ['clips', { count: 6, fate: 'transfer' as const }],
    ['tray', { count: 1, fate: 'scrap' as const }],
  ]);
  const words = (steps: readonly PlanStep[]) =>
    steps.map((entry) => `${entry.id}: ${entry.actions.map((action) => action.type).join(', ')}`);

  it('is written out after the new part, last off first on, and what is scrapped stays off', () =>
    expect(words(withRefit(strip, removals)).slice(6)).toEqual([
      'refit:sensor: reconnect',
      'refit:guard: refit, refit',
      'refit:wheels: refit',
      'refit:up: lower',
      'look: check',
    ]));

  it('leaves to the sheet what the sheet puts back, and asks for the pieces it forgets', () => {
    const sheet = listed([...strip, step('back', 'refit', [{ type: 'refit', removed: 'bolts', count: 10 }])]);
    const made = withRefit(sheet, removals);
    const bolts = made.flatMap((entry) =>
      entry.actions.flatMap((action) => (action.type === 'refit' && action.removed === 'bolts' ? [action.count] : [])),
    );
    expect(bolts.sort()).toEqual([10, 4]);
  });

  it('comes before the vehicle is let down for a joint at ride height', () => {
    const down = listed([
      ...strip.slice(0, 5),
      step('down', 'torque', [{ type: 'lower' }]),
      step('loaded', 'torque', [{ type: 'torque', group: 'g' }]),
    ]);
    expect(words(withRefit(down, removals)).slice(-4)).toEqual([
      'refit:guard: refit, refit',
      'refit:wheels: refit',
      'down: lower',
      'loaded: torque',
    ]);
  });

  it('is nothing where nothing comes off', () => {
    const plain = listed([step('a', 'loose', [{ type: 'start', group: 'g' }])]);
    expect(withRefit(plain, new Map())).toEqual(plain);
  });
});
