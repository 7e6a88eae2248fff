import { describe, expect, it } from '@jest/globals';
import { TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { MIRA, NOON, openKit, RAFE, refusal, tryCommand, WRENCHES } from '#demo/try-job.ts';
import type { KitDocument } from '../../kit/kit-document.ts';
import { CarefulFitter } from '../../rehearse/careful-fitter.ts';
import type { FigureSource } from '../figure.ts';
import { oneKit, openLog } from '../job-log.ts';

/** The guard with no figure on its first joint. */
function without(tags: KitDocument['stations'][number]['tags']): KitDocument {
  const kit: KitDocument = structuredClone(TRANSFER_CASE_GUARD);
  const [first] = kit.stations;
  if (!first) throw new Error('no station');
  first.specs = [{ spec: { kind: 'missing', why: 'notGiven' }, printed: 'not given' }];
  first.tags = tags;
  return kit;
}
const figure = { spec: { kind: 'torque' as const, targetNm: 48 }, printed: '48 N·m' };
const give = (source: FigureSource, station: string) => ({
  type: 'giveFigure' as const,
  target: station,
  source,
  note: 'page 12',
  ...(source === 'byFeel' ? {} : { figure }),
});

describe('a joint without a figure', () => {
  const [first] = TRANSFER_CASE_GUARD.stations;
  const station = first?.id ?? '';
  const workerOn = (kit: KitDocument) => new CarefulFitter(openKit(kit), WRENCHES, MIRA, NOON);

  it.each<[FigureSource, string]>([
    ['kitSheet', 'accepted'],
    ['vehicleMaker', 'accepted'],
    ['otherKit', 'notForSafety'],
    ['estimate', 'notForSafety'],
    ['byFeel', 'notForSafety'],
  ])('that lives hang on, by %s: %s, from a lead too', (source, outcome) => {
    const worker = workerOn(without(['safetyCritical']));
    for (const by of [MIRA, RAFE]) expect(refusal(worker, give(source, station), by)).toBe(outcome);
  });
  it('of another kind is done by feel where the house lets it', () => {
    expect(refusal(workerOn(without([])), give('byFeel', station), RAFE)).toBe('accepted');
  });
  it('is not said to have reached its stop where lives hang on it, nor where the house tightens nothing by feel', () => {
    const stop = { type: 'confirmStop' as const, station, reason: 'Hand tight' };
    expect(refusal(workerOn(without(['safetyCritical'])), stop, RAFE)).toBe('notForSafety');
    const opened = openLog({
      ...oneKit(without([])),
      vehicle: { modelYear: 2021, drivenWheels: 'four', body: 'dual-cab' },
      answers: {},
      shop: { byFeel: false },
    });
    if (!opened.ok) throw new Error(opened.error.code);
    const strict = new CarefulFitter(opened.value, WRENCHES, MIRA, NOON);
    expect(tryCommand(strict, stop, RAFE)).toMatchObject({ refusal: { code: 'byFeelNotHere' } });
  });
});
