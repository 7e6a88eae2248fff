import { randomUUID } from 'node:crypto';
import type { OpenJob } from '#contract/job.ts';
import { openLog } from '#core/job/job-log.ts';
import { jobProgress } from '#core/job/job-progress.ts';
import { OPENED_NOW } from '#core/kit/house-rules.ts';
import { fitVerdicts, type ResolveError } from '#core/kit/resolve.ts';
import { fail, ok, type Result } from '#core/result.ts';
import { kitAnswers, kitPrefix, spreadAnswers } from '#core/visit/visit.ts';
import type { RecordSeal } from '../seal/record-seal.ts';
import type { CatalogRepository, PinnedDocument } from '../store/catalog-repository.ts';
import type { JobRepository } from '../store/job-repository.ts';
import { slotOf } from '../store/stored-slot.ts';
import type { Caller } from './caller.ts';
import { type SlotFault, slotFault } from './job-slot.ts';

export type OpenJobError =
  | { code: 'unknownVehicle' }
  | { code: 'unknownKit' }
  | SlotFault
  | { code: 'kitDoesNotFit'; text: string; kit: string }
  | { code: 'kitTwice'; kit: string }
  | (ResolveError & { kit: string });

/** Opens a job: the kits are pinned and fit, the plan has no question left, and what it is opened with is sealed. `id`: of a request that may come twice. */
export async function openJob(
  { catalog, jobs, seal }: { catalog: CatalogRepository; jobs: JobRepository; seal: RecordSeal },
  caller: Caller,
  input: OpenJob,
  nowMs: number,
  id: string = randomUUID(),
): Promise<Result<{ id: string }, OpenJobError>> {
  const [stored, shop, ...found] = await Promise.all([
    catalog.vehicle(caller.shopId, input.vehicle),
    catalog.shop(caller.shopId),
    ...input.kits.map((entry) =>
      typeof entry === 'string'
        ? catalog.currentPinned(caller.shopId, entry)
        : catalog.currentPinned(caller.shopId, entry.kit, entry.side),
    ),
  ]);
  if (!stored) return fail({ code: 'unknownVehicle' });
  const misplaced = await slotFault(catalog, caller.shopId, input);
  if (misplaced) return fail(misplaced);
  const kits: PinnedDocument[] = [];
  for (const kit of found) {
    if (!kit) return fail({ code: 'unknownKit' });
    // Twice only where each has a side of its own.
    if (kits.some((other) => other.id === kit.id && (!kit.side || !other.side || other.side === kit.side)))
      return fail({ code: 'kitTwice', kit: kit.document.title });
    kits.push({ ...kit, prefix: kitPrefix(kits, kit.document.id) });
  }
  // The reading of this visit is the vehicle's own from here on; the questions were answered for it as it came.
  const vehicle = input.odometerKm === undefined ? stored.vehicle : { ...stored.vehicle, odometerKm: input.odometerKm };
  const answers = spreadAnswers(kits, input.answers);
  for (const kit of kits) {
    const misfit = fitVerdicts(kit.document, vehicle, kitAnswers(kit, vehicle, answers)).find(
      (verdict) => verdict.truth === 'false',
    );
    if (misfit) return fail({ code: 'kitDoesNotFit', text: misfit.text, kit: kit.document.title });
  }
  const passRule = {
    ...OPENED_NOW,
    ...shop.houseRules,
    // No shop goes back to what is only told.
    proof: OPENED_NOW.proof,
    ...(input.heldUpBy === undefined ? {} : { heldUpBy: input.heldUpBy }),
  };
  const prefixes = kits.map(({ prefix }) => prefix);
  const opened = openLog({ kits, openedWith: prefixes, vehicle, answers, shop: passRule });
  if (!opened.ok) return opened;
  if (input.odometerKm !== undefined) await catalog.saveVehicle(caller.shopId, vehicle, stored.version);
  const planned = new Date(input.plannedStartMs).toISOString();
  const row = await jobs.insert(
    {
      id,
      shopId: caller.shopId,
      bay: input.bay,
      plannedStartMs: input.plannedStartMs,
      slot: slotOf(input),
      odometerKm: input.odometerKm,
      vehicleId: vehicle.id,
      vehicle,
      kits: kits.map(({ prefix, id, revision, side }) => ({ prefix, id, revision, ...(side ? { side } : {}) })),
      answers,
      passRule,
      openedAtMs: nowMs,
      seq: 0,
      hash: '',
      progress: jobProgress(opened.value.plan, opened.value.state),
    },
    planned.slice(2, 10).replaceAll('-', ''),
    (numbered) => seal.open(numbered, shop.name, kits, caller),
  );
  return ok({ id: row.id });
}
