import { randomUUID } from 'node:crypto';
import type { AssignmentCard, AttemptAnswer, AttemptCard, DrillCard, LearnerCard } from '#contract/drill.ts';
import { drillFaults } from '#contract/drill.ts';
import type { KitFileFault } from '#contract/read-kit.ts';
import type { Drill } from '#core/drill/drill.ts';
import { FAULTS } from '#core/drill/fault-kind.ts';
import { type DrillAttempt, type DrillVerdict, judgeDrill } from '#core/drill/judge-drill.ts';
import { FELT, type Meeting, masters, masteryOf, meetingsOf } from '#core/drill/mastery.ts';
import { type Pace, paceOf } from '#core/drill/pace.ts';
import { ON_THE_FLOOR } from '#core/job/role.ts';
import { fail, ok, type Result } from '#core/result.ts';
import type { DrillAttemptEntity, DrillEntity } from '../store/drill-entities.ts';
import type { DrillRepository } from '../store/drill-repository.ts';
import type { PersonRepository } from '../store/person-repository.ts';
import type { Caller } from './caller.ts';

type DrillError =
  | { code: 'unknownDrill' }
  | { code: 'personUnknown' }
  | { code: 'drillFaulty'; faults: KitFileFault[] };

const cardOf = ({ id, title, body, madeBy }: DrillEntity): DrillCard => ({
  id,
  title,
  mode: body.mode,
  kit: body.kit.title,
  faults: body.faults.length,
  level: Math.max(1, ...body.faults.map(({ kind }) => FAULTS[kind].level)),
  madeBy,
});

const caughtAs = ({ faults }: DrillVerdict, is: 'caught' | 'late' | 'missed'): number =>
  faults.filter(({ catch: caught }) => caught === is).length;

const attemptCard = ({ id, drillId, body, verdict }: DrillAttemptEntity): AttemptCard => ({
  id,
  drill: drillId,
  title: body.drill.title,
  mode: body.drill.mode,
  seed: body.drill.seed,
  beganMs: body.beganMs,
  endedMs: body.endedMs,
  score: verdict.score,
  caught: caughtAs(verdict, 'caught'),
  late: caughtAs(verdict, 'late'),
  missed: caughtAs(verdict, 'missed'),
  falseAlarms: verdict.falseAlarms.length,
  closed: verdict.closed,
});

/** What shows that a learner tells faults: for the certificate. */
export interface Shown {
  name: string;
  shop: string;
  mastery: ReturnType<typeof masteryOf>;
  attempts: AttemptCard[];
  signed: AssignmentCard[];
}

/** Practice. Nothing of it touches a job, a list or a record of the shop. */
export class DrillService {
  constructor(
    private readonly drills: DrillRepository,
    private readonly people: PersonRepository,
    private readonly now: () => number = Date.now,
  ) {}

  async shelf(shopId: string): Promise<DrillCard[]> {
    return (await this.drills.drills(shopId)).map(cardOf);
  }

  async drill(shopId: string, id: string): Promise<Result<Drill, DrillError>> {
    const found = await this.drills.drill(shopId, id);
    return found ? ok({ ...found.body, id }) : fail({ code: 'unknownDrill' });
  }

  /** Puts a drill on the shelf, made here or read from a file. */
  async add(caller: Caller, drill: Drill): Promise<Result<{ id: string }, DrillError>> {
    const faults = drillFaults(drill);
    if (faults.length > 0) return fail({ code: 'drillFaulty', faults });
    const id = randomUUID();
    await this.drills.add({
      id,
      shopId: caller.shopId,
      title: drill.title,
      body: { ...drill, id },
      madeBy: caller.person.name,
      madeAtMs: this.now(),
    });
    return ok({ id });
  }

  async retire(caller: Caller, id: string): Promise<Result<{ id: string }, DrillError>> {
    return (await this.drills.retire(caller.shopId, id, this.now())) ? ok({ id }) : fail({ code: 'unknownDrill' });
  }

  /** Keeps what the caller did. The verdict is the server's own, made from the events. */
  async keep(caller: Caller, attempt: DrillAttempt): Promise<Result<AttemptAnswer, DrillError>> {
    const faults = drillFaults(attempt.drill);
    if (faults.length > 0) return fail({ code: 'drillFaulty', faults });
    const verdict = judgeDrill(attempt);
    const id = randomUUID();
    await this.drills.keep({
      id,
      shopId: caller.shopId,
      userId: caller.person.id,
      drillId: attempt.drill.id,
      endedAtMs: this.now(),
      body: attempt,
      verdict,
    });
    return ok({ id, verdict, pace: await this.pace(caller, attempt.drill.id, id) });
  }

  /** How long the same drill took whoever closed it, beside one attempt. */
  private async pace({ shopId, person }: Caller, drill: string, but: string): Promise<Pace> {
    const closed = (await this.drills.verdicts(shopId)).filter(
      ({ id, drillId, verdict }) => drillId === drill && id !== but && verdict.closed,
    );
    return paceOf(
      closed.map(({ userId, verdict: { minutes } }) => ({ person: userId, minutes })),
      person.id,
    );
  }

  async attempts(caller: Caller): Promise<AttemptCard[]> {
    return (await this.drills.attempts(caller.shopId, caller.person.id)).map(attemptCard);
  }

  /** All of it, as it was kept: a learner's own. */
  async takeAlong(caller: Caller): Promise<Array<{ attempt: DrillAttempt; verdict: DrillVerdict }>> {
    const rows = await this.drills.attempts(caller.shopId, caller.person.id);
    return rows.map(({ body, verdict }) => ({ attempt: body, verdict }));
  }

  async attempt(caller: Caller, id: string): Promise<Result<{ attempt: DrillAttempt } & AttemptAnswer, DrillError>> {
    const row = await this.drills.attempt(caller.shopId, caller.person.id, id);
    if (!row) return fail({ code: 'unknownDrill' });
    return ok({ id, attempt: row.body, verdict: row.verdict, pace: await this.pace(caller, row.drillId, id) });
  }

  forget(caller: Caller): Promise<number> {
    return this.drills.forget(caller.shopId, caller.person.id);
  }

  /** What each person who works on vehicles tells, by kind of fault; never what they did. */
  async learners(shopId: string): Promise<LearnerCard[]> {
    const [people, verdicts] = await Promise.all([this.people.people(shopId), this.drills.verdicts(shopId)]);
    return people
      .filter(({ role }) => ON_THE_FLOOR.includes(role))
      .map(({ id, name, role }): LearnerCard => {
        const own = verdicts.filter(({ userId }) => userId === id);
        const met = own.flatMap(({ verdict, endedAtMs }): Meeting[] => meetingsOf(verdict, Number(endedAtMs)));
        const last = own.at(-1)?.endedAtMs;
        return {
          person: id,
          name,
          role,
          attempts: own.length,
          ...(last === undefined ? {} : { lastMs: Number(last) }),
          mastery: masteryOf(met, this.now()),
        };
      });
  }

  /** Apprentices who have yet to spot twice what each bad pull feels like, by id. */
  async unpractised(shopId: string): Promise<string[]> {
    return (await this.learners(shopId))
      .filter(({ role, mastery }) => role === 'apprentice' && !masters(mastery, FELT))
      .map(({ person }) => person);
  }

  async learner(shopId: string, person: string): Promise<LearnerCard | undefined> {
    return (await this.learners(shopId)).find((learner) => learner.person === person);
  }

  /** Who is asked to do what: everybody's for a lead, one's own for others. */
  async assignments(caller: Caller): Promise<AssignmentCard[]> {
    const { shopId, person } = caller;
    const [rows, people, drills, verdicts] = await Promise.all([
      this.drills.assignments(shopId),
      this.people.people(shopId),
      this.drills.drills(shopId),
      this.drills.verdicts(shopId),
    ]);
    return rows
      .filter(({ userId }) => person.role === 'lead' || userId === person.id)
      .map((row): AssignmentCard => {
        const done = verdicts.findLast(
          ({ userId, drillId, endedAtMs }) =>
            userId === row.userId && drillId === row.drillId && Number(endedAtMs) >= Number(row.atMs),
        );
        return {
          id: row.id,
          person: row.userId,
          personName: people.find(({ id }) => id === row.userId)?.name ?? row.userId,
          drill: row.drillId,
          title: drills.find(({ id }) => id === row.drillId)?.title ?? '',
          by: row.byName,
          atMs: Number(row.atMs),
          comment: row.comment,
          ...(done ? { attempt: { id: done.id, score: done.verdict.score, endedMs: Number(done.endedAtMs) } } : {}),
          ...(row.signedAtMs
            ? { signed: { by: row.signedBy ?? '', atMs: Number(row.signedAtMs), comment: row.signComment ?? '' } }
            : {}),
        };
      });
  }

  async assign(
    caller: Caller,
    { person, drill, comment }: { person: string; drill: string; comment: string },
  ): Promise<Result<{ id: string }, DrillError>> {
    const [people, known] = await Promise.all([
      this.people.people(caller.shopId),
      this.drills.drill(caller.shopId, drill),
    ]);
    if (!people.some(({ id }) => id === person)) return fail({ code: 'personUnknown' });
    if (!known || known.retiredAtMs) return fail({ code: 'unknownDrill' });
    const id = randomUUID();
    await this.drills.assign({
      id,
      shopId: caller.shopId,
      userId: person,
      drillId: drill,
      byName: caller.person.name,
      atMs: this.now(),
      comment,
    });
    return ok({ id });
  }

  async signOff(caller: Caller, id: string, comment: string): Promise<Result<{ id: string }, DrillError>> {
    const by = { name: caller.person.name, atMs: this.now(), comment };
    return (await this.drills.signOff(caller.shopId, id, by)) ? ok({ id }) : fail({ code: 'unknownDrill' });
  }

  /** What a learner has shown, for the certificate: their own, or asked for by a lead. */
  async shown(caller: Caller, shop: string, person: string): Promise<Result<Shown, DrillError>> {
    if (caller.person.role !== 'lead' && caller.person.id !== person) return fail({ code: 'personUnknown' });
    const learner = await this.learner(caller.shopId, person);
    if (!learner) return fail({ code: 'personUnknown' });
    const attempts = (await this.drills.attempts(caller.shopId, person)).map(attemptCard);
    const asked = await this.assignments({ ...caller, person: { ...caller.person, role: 'lead' } });
    return ok({
      name: learner.name,
      shop,
      mastery: learner.mastery,
      attempts,
      signed: asked.filter((entry) => entry.person === person && entry.signed),
    });
  }
}
