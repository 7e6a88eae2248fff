import type { PullCommand } from '#core/job/act/pull.ts';
import type { JobCommand } from '#core/job/acts.ts';
import type { CommandEnvelope } from '#core/job/command-envelope.ts';
import { type CommandOutcome, type JobLog, oneKit, openLog, takeCommand } from '#core/job/job-log.ts';
import { nextStep } from '#core/job/next-station.ts';
import type { Person } from '#core/job/role.ts';
import { OPENED_NOW } from '#core/kit/house-rules.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { CarefulFitter } from '#core/rehearse/careful-fitter.ts';
import { FRONT_RECOVERY_POINTS, REAR_ANTI_ROLL_BAR, TRANSFER_CASE_GUARD } from './kits.ts';
import { demoWrenches } from './shop.ts';

/** Jobs and people to try commands on, as the tests of the acts do. */
export const NOON = Date.UTC(2026, 10, 25, 12);
export const WRENCHES = demoWrenches(NOON);
export const MIRA: Person = { id: 'mira', name: 'Mira', role: 'fitter' };
export const TAM: Person = { id: 'tam', name: 'Tam', role: 'fitter' };
export const RAFE: Person = { id: 'rafe', name: 'Rafe', role: 'lead' };
export const HOB: Person = { id: 'hob', name: 'Hob', role: 'apprentice' };
export const ISA: Person = { id: 'isa', name: 'Isa', role: 'counter' };

/** A fresh job of one kit on the dual-cab. */
export function openKit(kit: KitDocument, answers: Record<string, string | number | boolean> = {}): JobLog {
  const vehicle = { modelYear: 2021, drivenWheels: 'four', body: 'dual-cab' };
  const opened = openLog({ ...oneKit(kit), vehicle, answers, shop: OPENED_NOW });
  if (!opened.ok) throw new Error(JSON.stringify(opened.error));
  return opened.value;
}
export const workerOn = (kit: KitDocument, answers: Record<string, string | number | boolean> = {}): CarefulFitter =>
  new CarefulFitter(openKit(kit, answers), WRENCHES, MIRA, NOON);
export const plate = (shield = false): CarefulFitter => workerOn(FRONT_RECOVERY_POINTS, { shield });
export const guard = (): CarefulFitter => workerOn(TRANSFER_CASE_GUARD);
export const bar = (): CarefulFitter => workerOn(REAR_ANTI_ROLL_BAR, { bush: 'rubber' });

let serial = 0;
/** One command at the worker's time, and what came of it; the worker's own job stays as it is. */
export function tryCommand(worker: CarefulFitter, command: JobCommand, by: Person = MIRA, laterMs = 0): CommandOutcome {
  serial += 1;
  const envelope: CommandEnvelope = { id: `t-${serial}`, atMs: worker.nowMs + laterMs, by, command };
  return takeCommand(worker.log, WRENCHES, envelope);
}
/** The code of the refusal, or `accepted`. */
export function refusal(worker: CarefulFitter, command: JobCommand, by?: Person, laterMs?: number): string {
  const outcome = tryCommand(worker, command, by, laterMs);
  return outcome.ok ? 'accepted' : outcome.refusal.code;
}
/** A typed pull with the demo's middle wrench. */
export const pullOf = (station: string, torqueNm: number, extra: Partial<PullCommand> = {}): PullCommand => ({
  type: 'pull',
  station,
  torqueNm,
  wrench: 'w-3',
  source: 'typed',
  ...extra,
});

/** Recovery plate, all started, beaded and snug, first pull of pass one due on its first station. */
export function platesSnug(): { worker: CarefulFitter; first: string } {
  const worker = plate();
  worker.checkIn();
  worker.startAll();
  for (;;) {
    const next = nextStep(worker.log.plan, worker.log.state, 'plate');
    if (next.kind === 'pull') return { worker, first: next.station };
    worker.step();
  }
}

/** A job worked until all of a group are snug. */
export function untilSnug(worker: CarefulFitter, group: string): CarefulFitter {
  worker.checkIn();
  worker.startAll();
  for (;;) {
    const next = nextStep(worker.log.plan, worker.log.state, group);
    if (next.kind !== 'snug' && next.kind !== 'compound') return worker;
    worker.step();
  }
}
