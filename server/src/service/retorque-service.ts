import { randomUUID } from 'node:crypto';
import type { OpenRetorque } from '#contract/retorque.ts';
import { say } from '#contract/wording/say.ts';
import { type RetorqueChoice, retorqueChoices, retorqueKit } from '#core/hand-over/retorque-kit.ts';
import { fail, type Result } from '#core/result.ts';
import type { CatalogRepository } from '../store/catalog-repository.ts';
import type { Caller } from './caller.ts';
import type { JobService } from './job-service.ts';
import type { OpenJobError } from './open-job.ts';

/** Re-torque visits: short jobs whose kit is made from the record of the job before. */
export class RetorqueService {
  constructor(
    private readonly jobs: JobService,
    private readonly catalog: CatalogRepository,
    private readonly now: () => number = Date.now,
  ) {}

  /** Joints that may be pulled again; undefined where the shop has no such signed job. */
  async choices(shopId: string, job: string, care?: string): Promise<RetorqueChoice[] | undefined> {
    const log = await this.jobs.log(shopId, job);
    return log?.state.closed ? retorqueChoices(log.plan, log.state, care) : undefined;
  }

  /** Opens the visit on the same vehicle. */
  async open(
    caller: Caller,
    { job, care, groups, ...slot }: OpenRetorque,
  ): Promise<Result<{ id: string }, OpenJobError | { code: 'unknownJob' | 'nothingToRetorque' }>> {
    const { shopId } = caller;
    const [log, head] = await Promise.all([this.jobs.log(shopId, job), this.jobs.head(shopId, job)]);
    if (!log?.state.closed || !head) return fail({ code: 'unknownJob' });
    const { number, vehicleId } = head;
    const id = `again-${randomUUID()}`;
    const kit = retorqueKit(log.plan, log.state, {
      id,
      job,
      number,
      title: say('Re-torque of {number}', { number }),
      ...(care === undefined ? {} : { care }),
      groups,
    });
    if (kit.stations.length === 0) return fail({ code: 'nothingToRetorque' });
    await this.catalog.addKit(shopId, kit, this.now());
    const opened = await this.jobs.open(caller, { vehicle: vehicleId, kits: [id], answers: {}, ...slot });
    // A kit no job came of is offered to nobody.
    if (!opened.ok) await this.catalog.withdraw(shopId, id, kit.revision, say('no visit was opened'), this.now());
    return opened;
  }
}
