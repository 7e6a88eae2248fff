import type { DayDocument, DayJobCard, DoneStep } from '#contract/day.ts';
import { OPEN_DAYS } from '#contract/day.ts';
import type { JobCard } from '#contract/job.ts';
import { openWindows } from '#contract/open-windows.ts';
import { stepTitle } from '#contract/wording/step-text.ts';
import type { JobWork } from '#core/day/day-work.ts';
import { estimator, type StepHistory } from '#core/day/estimate.ts';
import { baseMinutes, type EstimateFor, jobWork, stepName } from '#core/day/job-work.ts';
import type { JobLog } from '#core/job/job-log.ts';
import { lineProgress } from '#core/job/line-progress.ts';
import type { Plan } from '#core/kit/plan.ts';
import { type Skilled, skillsMissing } from '#core/readiness/skill-need.ts';
import { type StepTime, stepTimes } from '#core/record/step-times.ts';
import type { BookService } from './book-service.ts';
import type { JobService } from './job-service.ts';
import type { ShopService } from './shop-service.ts';
import type { ShopWrenches } from './shop-wrenches.ts';

const DAY_MS = 86_400_000;

/** What a job that cannot be read comes to: one stretch, as long as its kit says. */
const unread = ({ id, estimatedMinutes, kitTitle }: JobCard): JobWork => ({
  job: id,
  steps: [
    {
      step: 'all',
      number: 1,
      text: kitTitle,
      phase: 'prepare',
      estimate: { minutes: estimatedMinutes, lowMin: estimatedMinutes, highMin: estimatedMinutes, jobs: 0 },
      leftMin: estimatedMinutes,
      leftLowMin: estimatedMinutes,
      leftHighMin: estimatedMinutes,
      people: 1,
      needs: [],
      tools: [],
      free: true,
    },
  ],
  skills: [],
  lags: [],
  cannot: [],
  driveAfterMin: 0,
  lockers: [],
  claims: [],
});

/** What the steps that are done took, against what was expected of them before. */
function doneSteps({ plan, state }: JobLog, times: readonly StepTime[], by: EstimateFor): DoneStep[] {
  const { steps } = lineProgress(plan, state);
  const base = baseMinutes(plan);
  return times.flatMap(({ step, tookMin }) => {
    const of = plan.steps.find(({ id }) => id === step);
    const usual = base.get(step);
    if (!of || !usual || !steps.has(step)) return [];
    const { minutes } = by.estimator.estimate({
      kit: of.kit,
      step: stepName(step),
      baseMin: usual.minutes,
      stated: usual.stated,
      ...(by.fitter === undefined ? {} : { fitter: by.fitter }),
      ...(by.vehicle === undefined ? {} : { vehicle: by.vehicle }),
    });
    const number = plan.steps.indexOf(of) + 1;
    return [{ number, text: stepTitle(plan, { ...of, number: undefined }), expectedMin: minutes, tookMin }];
  });
}

/** Steps by what the floor calls them: what a sheet writes no step for has a name of ours. */
const titled = (plan: Plan, work: JobWork): JobWork => ({
  ...work,
  steps: work.steps.map((step) => {
    const of = plan.steps.find(({ id }) => id === step.step);
    return of ? { ...step, text: stepTitle(plan, { ...of, number: undefined }) } : step;
  }),
});

/** What the shop's days are planned from: the work left in every job, and who and what there is to do it with. */
export class DayService {
  constructor(
    private readonly jobs: JobService,
    private readonly book: BookService,
    private readonly shop: ShopService,
    private readonly wrenches: ShopWrenches,
    private readonly failedLater: (error: unknown) => void,
    private readonly now: () => number = Date.now,
  ) {}

  async day(shopId: string, fromMs: number, toMs: number): Promise<DayDocument> {
    const nowMs = Math.max(this.now(), fromMs);
    const [cards, settings, wrenches] = await Promise.all([
      this.jobs.cards(shopId, fromMs, toMs),
      this.shop.settings(shopId),
      this.wrenches.of(shopId),
    ]);
    const open = cards.filter(
      ({ closedAtMs, calledOff, plannedStartMs }) => closedAtMs === undefined && !calledOff && plannedStartMs < toMs,
    );
    const logs = new Map<string, JobLog>();
    const times = new Map<string, StepTime[]>();
    for (const { id } of open)
      try {
        const log = await this.jobs.log(shopId, id);
        if (!log) continue;
        logs.set(id, log);
        times.set(id, stepTimes(log.plan, await this.jobs.events(shopId, id)));
      } catch (error) {
        // One job that cannot be read must not keep the others out of the plan.
        this.failedLater(error);
      }
    // What is not in the book yet is there for the next plan.
    this.book.catchUp(shopId).catch(this.failedLater);
    const kits = [...new Set([...logs.values()].flatMap(({ plan }) => plan.kits.map(({ id }) => id)))];
    const paces = estimator(await this.paces(shopId, kits, logs));
    const { lifting = [] } = settings.rules;
    const lifts = lifting.filter(({ kind }) => kind === 'lift').length;
    // Who is at the counter has no hand on a vehicle.
    const hands = settings.people.filter(({ leftAtMs, role }) => leftAtMs === undefined && role !== 'counter');
    return {
      nowMs,
      jobs: open.map((card) =>
        this.dayJob(
          card,
          logs.get(card.id),
          { nowMs, dayEndMs: fromMs + DAY_MS },
          { estimator: paces, wrenches },
          hands,
          times.get(card.id),
        ),
      ),
      people: hands.map(({ id, name, initials, role, skills }) => ({
        id,
        name,
        initials,
        leads: role !== 'apprentice',
        skills,
      })),
      bays: settings.bays,
      ...(lifts > 0 ? { lifts } : {}),
      open: openWindows(settings.rules, nowMs, OPEN_DAYS),
    };
  }

  /** What steps took, against what their sheets say or, where they say nothing, what such steps commonly take. */
  private async paces(shopId: string, kits: string[], logs: ReadonlyMap<string, JobLog>): Promise<StepHistory[]> {
    const usual = new Map<string, number>();
    for (const { plan } of logs.values())
      for (const [step, { minutes }] of baseMinutes(plan)) {
        const kit = plan.steps.find(({ id }) => id === step)?.kit;
        usual.set(`${kit} ${stepName(step)}`, minutes);
      }
    return (await this.book.paces(shopId, kits)).map((row) => ({
      ...row,
      plannedMin: row.plannedMin ?? usual.get(`${row.kit} ${row.step}`),
    }));
  }

  private dayJob(
    card: JobCard,
    log: JobLog | undefined,
    { nowMs, dayEndMs }: { nowMs: number; dayEndMs: number },
    from: EstimateFor,
    people: readonly Skilled[],
    times: readonly StepTime[] = [],
  ): DayJobCard {
    const { id, slot = {}, bay, plannedStartMs, vehicle } = card;
    const [fitter] = slot.fitters ?? [];
    const by = {
      ...from,
      vehicle: `${vehicle.make} ${vehicle.model}`,
      ...(fitter === undefined ? {} : { fitter }),
    };
    const skills = log ? skillsMissing(log.plan, people, slot.fitters ?? []) : [];
    const left = log ? titled(log.plan, jobWork(id, log.plan, log.state, nowMs, by)) : unread(card);
    const cannot = [...left.cannot, ...skills.map(({ skill }) => ({ kind: 'noSkill' as const, skill }))];
    const work = { ...left, cannot };
    // What was begun and then put to a later day waits until then.
    const begun =
      plannedStartMs < dayEndMs && card.progress.phases.some(({ phase, done }) => phase !== 'checkIn' && done > 0);
    return {
      id,
      card,
      work,
      ...((slot.place ?? 'bay') === 'bay' ? { bay } : {}),
      fromMs: plannedStartMs,
      ...(slot.promisedMs === undefined ? {} : { promisedMs: slot.promisedMs }),
      fitters: slot.fitters ?? [],
      done: log ? doneSteps(log, times, by) : [],
      begun,
      ...(log ? {} : { unread: true as const }),
    };
  }
}
