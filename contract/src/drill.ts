import { z } from 'zod';
import type { PlacedFault } from '#core/drill/drill.ts';
import { DRILL_FORMAT, DRILL_MODES, DRILL_VERSION, type Drill } from '#core/drill/drill.ts';
import { type DrillCall, type DrillRefusal, type LaidOut, meantLog } from '#core/drill/drill-run.ts';
import { FAULT_KINDS } from '#core/drill/fault-kind.ts';
import type { DrillAttempt, DrillVerdict } from '#core/drill/judge-drill.ts';
import type { Mastery } from '#core/drill/mastery.ts';
import type { Pace } from '#core/drill/pace.ts';
import { placelessFaults } from '#core/drill/place-faults.ts';
import { kitFaults } from '#core/kit/kit-integrity.ts';
import { fail, ok, type Result } from '#core/result.ts';
import { JobEventSchema } from './acts.ts';
import { AnswersSchema } from './condition.ts';
import { exactly } from './exactly.ts';
import { KitDocumentSchema } from './kit.ts';
import { faultText, type KitFileFault } from './read-kit.ts';
import { FAULT_WORDS } from './wording/en/drill.ts';
import { say } from './wording/say.ts';

const Target = z.string().min(1).max(120);
const Millis = z.number().int().min(0).max(8.64e15);
/** More faults than a job has room for. */
const MOST_FAULTS = 20;
/** A job of hundreds of stations has some thousand events. */
const MOST_EVENTS = 20_000;

export const PlacedFaultSchema = exactly<PlacedFault>()(z.strictObject({ kind: z.enum(FAULT_KINDS), target: Target }));

/** A drill as a file: its kit, what is wrong with it, how much is shown. `docs/formats/drill.md` explains each part. */
export const DrillSchema = exactly<Drill>()(
  z.strictObject({
    format: z.literal(DRILL_FORMAT),
    version: z.literal(DRILL_VERSION),
    id: z.string().min(1).max(64),
    title: z.string().min(1).max(120),
    mode: z.enum(DRILL_MODES),
    seed: z.number().int().min(0).max(2_147_483_646),
    kit: KitDocumentSchema,
    answers: AnswersSchema,
    faults: z.array(PlacedFaultSchema).max(MOST_FAULTS),
  }),
);

const CallSchema = exactly<DrillCall>()(
  z.strictObject({
    atMs: Millis,
    afterEvents: z.number().int().min(0).max(MOST_EVENTS),
    kind: z.enum(FAULT_KINDS),
    target: Target,
    right: z.boolean(),
  }),
);

const RefusalSchema = z.strictObject({
  atMs: Millis,
  afterEvents: z.number().int().min(0).max(MOST_EVENTS),
  code: z.string().min(1).max(60),
  station: Target.optional(),
}) as unknown as z.ZodType<DrillRefusal>;

const LaidOutSchema = exactly<LaidOut>()(
  z.strictObject({
    group: Target,
    order: z.array(Target).max(500),
    compound: Target.optional(),
    wrench: Target.optional(),
    figureNm: z.number().positive().max(100_000).optional(),
  }),
);

/** What a learner did, from which the server makes its own verdict. */
export const DrillAttemptSchema = z.strictObject({
  drill: DrillSchema,
  events: z.array(JobEventSchema).max(MOST_EVENTS),
  calls: z.array(CallSchema).max(500),
  refusals: z.array(RefusalSchema).max(2_000),
  laidOut: z.array(LaidOutSchema).max(100),
  beganMs: Millis,
  endedMs: Millis,
}) as unknown as z.ZodType<DrillAttempt>;

/** A drill of the shop's shelf. */
export interface DrillCard {
  id: string;
  title: string;
  mode: Drill['mode'];
  kit: string;
  faults: number;
  /** The hardest of its faults. */
  level: number;
  madeBy: string;
}

/** An attempt in a list. */
export interface AttemptCard {
  id: string;
  drill: string;
  title: string;
  mode: Drill['mode'];
  seed: number;
  beganMs: number;
  endedMs: number;
  score: number;
  caught: number;
  late: number;
  missed: number;
  falseAlarms: number;
  closed: boolean;
}

export interface AttemptAnswer {
  id: string;
  verdict: DrillVerdict;
  /** How long the same drill took at other times and others, of those who closed it. */
  pace: Pace;
}

/** What leads see of a learner: what is mastered, and no event of it. */
export interface LearnerCard {
  person: string;
  name: string;
  role: string;
  attempts: number;
  lastMs?: number;
  mastery: Mastery[];
}

/** A drill somebody is asked to do. */
export interface AssignmentCard {
  id: string;
  person: string;
  personName: string;
  drill: string;
  title: string;
  by: string;
  atMs: number;
  comment: string;
  /** The attempt that answered it. */
  attempt?: { id: string; score: number; endedMs: number };
  signed?: { by: string; atMs: number; comment: string };
}

export const AssignSchema = z.strictObject({
  person: z.string().min(1).max(64),
  drill: z.string().min(1).max(64),
  comment: z.string().max(500),
});
export const SignOffSchema = z.strictObject({ comment: z.string().max(500) });

const pathOf = (path: ReadonlyArray<PropertyKey>): string => path.map(String).join('.');

/** Faults of a drill that can be read and not be worked: of its kit, of its answers, of where its faults stand. */
export function drillFaults(drill: Drill): KitFileFault[] {
  const ofKit = kitFaults(drill.kit).map((fault) => {
    const { path, message } = faultText(fault);
    return { path: `kit.${path}`, message };
  });
  if (ofKit.length > 0) return ofKit;
  const meant = meantLog(drill);
  if (!meant.ok)
    return [{ path: 'answers', message: say('with these the kit has no plan ({code})', { code: meant.error.code }) }];
  return placelessFaults(meant.value.plan, drill.faults).map(({ kind, target }) => ({
    path: `faults[${drill.faults.findIndex((fault) => fault.kind === kind && fault.target === target)}]`,
    message: say('“{name}” has no place at {target}', { name: FAULT_WORDS[kind].name, target }),
  }));
}

/**
 * Reads a drill's file.
 *
 * @returns the drill, or every fault found, each with its path
 */
export function readDrill(text: string): Result<Drill, { code: 'drillFaulty'; faults: KitFileFault[] }> {
  let raw: unknown;
  try {
    raw = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch (error) {
    return fail({
      code: 'drillFaulty',
      faults: [{ path: '', message: say('not JSON: {message}', { message: (error as Error).message }) }],
    });
  }
  const read = DrillSchema.safeParse(raw);
  if (!read.success)
    return fail({
      code: 'drillFaulty',
      faults: read.error.issues.slice(0, 20).map(({ path, message }) => ({ path: pathOf(path), message })),
    });
  const faults = drillFaults(read.data as Drill);
  return faults.length > 0 ? fail({ code: 'drillFaulty', faults }) : ok(read.data as Drill);
}
