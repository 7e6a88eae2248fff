import { describe, expect, it } from '@jest/globals';
import { platesSnug, pullOf, tryCommand } from '#demo/try-job.ts';
import { indexOf, type PlanStation } from '../kit/plan.ts';
import { deviations } from '../record/deviations.ts';
import type { AcceptBand } from '../tightening/band.ts';
import { textbookPull } from '../trace/fixture/textbook-pull.ts';
import { packTrace } from '../trace/pack-trace.ts';
import type { ShownKind } from '../trace/pull-trace.ts';
import { stationState } from './job-state.ts';
import { pullBand } from './next-station.ts';
import { curveOf, curveWarns, isChecking, traceJointOf } from './pull-curve.ts';
import { stackJoint } from './stack-joint.ts';

function atFirst() {
  const { worker, first } = platesSnug();
  const { plan } = worker.log;
  const station = indexOf(plan).stations.get(first) as PlanStation;
  const band = pullBand(plan, station, 0) as AcceptBand;
  const joint = traceJointOf(plan, station, band);
  if (!joint) throw new Error('no joint');
  const trace = (kind: ShownKind, seed = 4) => packTrace(textbookPull(joint, kind, seed));
  return { worker, plan, first, station, band, joint, trace };
}

describe('what is known of a joint before it is pulled', () => {
  it('is read off its stack and its figure', () => {
    const { station, plan, joint, band } = atFirst();
    expect(stackJoint(plan, station)).toMatchObject({
      propertyClass: '10.9',
      gripMm: 14,
      part: 'steel',
      locking: false,
    });
    expect(joint).toMatchObject({ targetNm: band.targetNm, minNm: band.minNm, maxNm: band.maxNm, gripMm: 14 });
    expect(joint.frictionMin).toBeLessThan(joint.frictionMax ?? 0);
  });
  it('is nothing where an angle or a yield point bends the curve on purpose, or a bush is clamped', () => {
    const { station, plan, band } = atFirst();
    expect(traceJointOf(plan, station, { ...band, angle: { minDeg: 85, maxDeg: 95, targetDeg: 90 } })).toBeUndefined();
    const bush = station.stack.map((piece) =>
      piece.kind === 'clamped' ? { ...piece, material: 'rubber' as const } : piece,
    );
    expect(traceJointOf(plan, { ...station, stack: bush }, band)).toBeUndefined();
    expect(traceJointOf(plan, { ...station, stack: [] }, band)).toBeUndefined();
  });
});

describe('the curve of a pull', () => {
  it('is judged by the act, kept with the pull, and a suspicious one stands among the departures', () => {
    const { worker, first, band, trace } = atFirst();
    const pulled = tryCommand(
      worker,
      pullOf(first, band.targetNm, { source: 'live', movementDeg: 40, trace: trace('crossed') }),
    );
    expect(pulled).toMatchObject({ ok: true, events: [{ type: 'pullRecorded', curve: { kind: 'crossed' } }] });
    worker.give(pullOf(first, band.targetNm, { source: 'live', movementDeg: 40, trace: trace('crossed') }));
    const [pull] = stationState(worker.log.state, first).pulls;
    expect(pull?.trace).toBe(trace('crossed'));
    expect(pull?.verdict).toBe('accepted');
    expect(deviations(worker.log.plan, worker.log.state)).toEqual([
      expect.objectContaining({ kind: 'curve', station: first, curve: expect.objectContaining({ kind: 'crossed' }) }),
    ]);
  });
  it('of a good joint is kept and says nothing', () => {
    const { worker, first, band, trace } = atFirst();
    worker.give(pullOf(first, band.targetNm, { source: 'live', movementDeg: 40, trace: trace('good') }));
    expect(stationState(worker.log.state, first).pulls[0]?.curve).toMatchObject({ kind: 'good' });
    expect(deviations(worker.log.plan, worker.log.state)).toEqual([]);
  });
  it('of a typed reading is not believed: no wrench vouches for it', () => {
    const { worker, first, band, trace } = atFirst();
    worker.give(pullOf(first, band.targetNm, { trace: trace('crossed') }));
    expect(stationState(worker.log.state, first).pulls[0]).toMatchObject({ trace: undefined, curve: undefined });
  });
  it('that cannot be read is none', () => {
    const { plan, station, band } = atFirst();
    for (const text of ['', '!!', 'AAAA']) expect(curveOf(plan, station, band, text)).toBeUndefined();
  });
  it('knows the drag of a locking nut by its free run', () => {
    const { plan, station, band, joint } = atFirst();
    const locking = {
      ...plan,
      items: plan.items.map((item) => (item.kind === 'nut' ? { ...item, locking: 'nylon' as const } : item)),
    };
    const dragging = { ...joint, prevailingNm: 0.22 * joint.targetNm };
    const trace = packTrace(textbookPull(dragging, 'good', 6));
    expect(curveOf(locking, station, band, trace)).toMatchObject({ kind: 'good' });
  });
});

describe('whether a curve is worth a word', () => {
  const curve = { kind: 'alreadyTight' as const, confidence: 0.95, also: [] };
  it('is for what speaks against the joint, said surely', () => {
    expect(curveWarns({ ...curve, kind: 'yielding' }, false)).toBe(true);
    expect(curveWarns({ ...curve, kind: 'yielding', confidence: 0.4 }, false)).toBe(false);
    for (const kind of ['good', 'cannotTell'] as const) expect(curveWarns({ ...curve, kind }, false)).toBe(false);
    expect(curveWarns(undefined, false)).toBe(false);
  });
  it('is not for a check that moved nothing: that is what it is to show', () => {
    expect(curveWarns(curve, false)).toBe(true);
    expect(curveWarns(curve, true)).toBe(false);
    const { plan } = atFirst();
    const group = plan.groups[0];
    expect(group?.passes.map((_, pass) => isChecking(group, pass))).toEqual([false, false, true]);
    expect(isChecking(undefined, 0)).toBe(false);
  });
});
