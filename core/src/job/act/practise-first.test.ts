import { describe, expect, it } from '@jest/globals';
import { FRONT_RECOVERY_POINTS } from '#demo/kits.ts';
import { HOB, MIRA, NOON, pullOf, RAFE, WRENCHES } from '#demo/try-job.ts';
import { OPENED_NOW } from '../../kit/house-rules.ts';
import type { KitDocument } from '../../kit/kit-document.ts';
import { CarefulFitter } from '../../rehearse/careful-fitter.ts';
import { oneKit, openLog, takeCommand } from '../job-log.ts';
import { nextStep, pullBand } from '../next-station.ts';
import type { Person } from '../role.ts';

const CRITICAL: KitDocument = structuredClone(FRONT_RECOVERY_POINTS);
for (const station of CRITICAL.stations) station.tags = ['safetyCritical'];

/** A job whose next step is the pull of a pass, under a house that asks apprentices to practise first, or does not. */
function atPull(kit: KitDocument, pass: 'last' | 'first', apprenticePulls?: 'practised') {
  const vehicle = { modelYear: 2021, drivenWheels: 'four', body: 'dual-cab' };
  const opened = openLog({
    ...oneKit(kit),
    vehicle,
    answers: { shield: false },
    shop: { ...OPENED_NOW, stages: [0.5, 1], verify: false, ...(apprenticePulls ? { apprenticePulls } : {}) },
  });
  if (!opened.ok) throw new Error(JSON.stringify(opened.error));
  const worker = new CarefulFitter(opened.value, WRENCHES, MIRA, NOON);
  worker.checkIn();
  worker.startAll();
  const [group] = opened.value.plan.groups;
  if (!group) throw new Error('no group');
  const wanted = pass === 'first' ? 0 : group.passes.length - 1;
  for (;;) {
    const next = nextStep(worker.log.plan, worker.log.state, group.id);
    if (next.kind === 'pull' && next.pass === wanted) return { worker, station: next.station, pass: wanted };
    worker.step();
  }
}

function pulled({ worker, station, pass }: ReturnType<typeof atPull>, by: Person, unpractised?: string[]): string {
  const { plan } = worker.log;
  const target = plan.stations.find(({ id }) => id === station);
  if (!target) throw new Error('no station');
  const torqueNm = pullBand(plan, target, pass)?.targetNm ?? 0;
  const outcome = takeCommand(
    worker.log,
    WRENCHES,
    { id: 'one-pull', atMs: worker.nowMs, by, command: pullOf(station, torqueNm) },
    { unpractised },
  );
  return outcome.ok ? 'accepted' : outcome.refusal.code;
}

describe('an apprentice who has yet to practise', () => {
  const last = atPull(CRITICAL, 'last', 'practised');
  it('does not make the final pull of a safety-critical joint where the house asks for it', () => {
    expect(pulled(last, HOB, [HOB.id])).toBe('practiseFirst');
  });
  it('is let by once they have, and where nobody knows what they practised', () => {
    expect(pulled(last, HOB, [])).toBe('accepted');
    expect(pulled(last, HOB)).toBe('accepted');
  });
  it('makes the passes before it, and what is not safety-critical', () => {
    expect(pulled(atPull(CRITICAL, 'first', 'practised'), HOB, [HOB.id])).toBe('accepted');
    expect(pulled(atPull(FRONT_RECOVERY_POINTS, 'last', 'practised'), HOB, [HOB.id])).toBe('accepted');
  });
  it('holds nobody else up, and no house that does not ask', () => {
    expect(pulled(last, MIRA, [HOB.id, MIRA.id])).toBe('accepted');
    expect(pulled(atPull(CRITICAL, 'last'), HOB, [HOB.id])).toBe('accepted');
  });
  it('is let past by a lead, by name and with a reason', () => {
    const { worker, station, pass } = atPull(CRITICAL, 'last', 'practised');
    worker.give({ type: 'override', refusal: 'practiseFirst', station, reason: 'I stand beside him' }, RAFE);
    expect(pulled({ worker, station, pass }, HOB, [HOB.id])).toBe('accepted');
  });
});
