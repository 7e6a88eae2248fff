import { join } from 'node:path';
import type { Page } from '@playwright/test';
import type { CommandBatchAnswer, JobDocument } from '#contract/job.ts';
import { askText } from '#contract/wording/ask-text.ts';
import { planActionText } from '#contract/wording/step-text.ts';
import { actGate } from '#core/job/act/do-act.ts';
import { hardwareLedger } from '#core/job/hardware-ledger.ts';
import { appendEvents, type JobLog, openLog } from '#core/job/job-log.ts';
import { clockOfAct } from '#core/job/line-clocks.ts';
import { asksNow } from '#core/job/line-known.ts';
import { jointNext, type NextOnLine, nextOnLine } from '#core/job/line-next.ts';
import { debtTouched, lineProgress } from '#core/job/line-progress.ts';
import { type NextStep, pullBand } from '#core/job/next-station.ts';
import type { Person } from '#core/job/role.ts';
import { indexOf } from '#core/kit/plan.ts';
import type { Answer, Answers, Ask } from '#core/line/ask.ts';
import type { LineAct } from '#core/line/line.ts';
import { lineKind } from '#core/line/line-kinds.ts';
import { CarefulFitter } from '#core/rehearse/careful-fitter.ts';
import { rightAnswers } from '#core/rehearse/right-answers.ts';
import { asksOf } from '#core/tightening/kinds.ts';
import { rankWrenches } from '#core/wrench/suitable-wrench.ts';
import { missedAnswers } from '#demo/answers.ts';
import { expect, give, provePin } from './app.ts';

const origin = (page: Page): string => new URL(page.url()).origin;

interface Fetched {
  document: JobDocument;
  log: JobLog;
  person: Person;
}

/**
 * A job as the server has it, and who is signed in on the page.
 *
 * @param before - as it was fetched last: only what came since is worked out anew
 */
async function fetched(page: Page, job: string, before?: Fetched): Promise<Fetched> {
  const document = (await (await page.request.get(`${origin(page)}/api/jobs/${job}`)).json()) as JobDocument;
  if (before && before.document.kits.length === document.kits.length) {
    const fresh = document.events.slice(before.document.events.length).map(({ event }) => event);
    return { document, person: before.person, log: fresh.length > 0 ? appendEvents(before.log, fresh) : before.log };
  }
  const session = (await (await page.request.get(`${origin(page)}/api/session`)).json()) as { person: Person };
  const { kits, openedWith, vehicle, answers, shop } = document;
  const opened = openLog({ kits, openedWith, vehicle, answers, shop });
  if (!opened.ok) throw new Error(JSON.stringify(opened.error));
  return {
    document,
    log: appendEvents(
      opened.value,
      document.events.map(({ event }) => event),
    ),
    person: session.person,
  };
}

/**
 * The same job after what the server answered the page: undefined where somebody else's events lie between, and the whole
 * of it has to be asked for.
 */
function answered(before: Fetched, { events }: CommandBatchAnswer): Fetched | undefined {
  const known = before.document.events;
  const [first] = events;
  if (!first || first.seq !== known.length + 1) return undefined;
  return {
    ...before,
    document: { ...before.document, events: [...known, ...events] },
    log: appendEvents(
      before.log,
      events.map(({ event }) => event),
    ),
  };
}

/** Works the line through the API, for tests whose subject comes later on it. */
export async function workLine(page: Page, job: string, open: (worker: CarefulFitter) => boolean): Promise<void> {
  const { document, log, person } = await fetched(page, job);
  // What a live wrench read has to come from it: through the API it is typed.
  const typed = document.wrenches.filter(({ live }) => !live);
  const worker = new CarefulFitter(log, typed, person, Date.now(), { bottles: document.bottles });
  worker.while(open);
  if (worker.commands.length > 0) await give(page, job, ...worker.commands);
}

/** For {@link workLine}: while what is next is not this act. */
export const untilAct =
  (is: (act: LineAct) => boolean) =>
  ({ log, by }: CarefulFitter): boolean => {
    const next = nextOnLine(log.plan, log.state, by.id, Date.now());
    return next !== undefined && !is(next.act);
  };

/** The parts that go on before any bolt is started. */
export const fitParts = (page: Page, job: string): Promise<void> =>
  workLine(
    page,
    job,
    untilAct(({ action }) => lineKind(action).byStations === true),
  );

/** How a fitter's hands give what the screen asks. */
export interface Hands {
  /** The one big action. */
  big(page: Page): Promise<void>;
  answer(page: Page, ask: Ask, answer: Answer): Promise<void>;
  /** A reading of a wrench that cannot speak, N·m. */
  reading(page: Page, torqueNm: number): Promise<void>;
}

const PHOTO = join(import.meta.dirname, '../../docs/screenshots/bays.png');
const optionAt = (ask: Ask, answer: Answer): number =>
  ask.kind === 'oneOf' ? ask.options.findIndex(({ value }) => value === answer) + 1 : 0;

/** Keys alone. */
export const KEYBOARD: Hands = {
  big: (page) => page.keyboard.press('Space'),
  async answer(page, ask, answer) {
    if (ask.kind === 'tick' || (ask.kind === 'oneOf' && ask.usual === answer)) await page.keyboard.press('Space');
    else if (ask.kind === 'oneOf') await page.keyboard.press(String(optionAt(ask, answer)));
    else if (ask.kind === 'pieces')
      for (const item of answer as string[])
        await page.keyboard.press(String(ask.among.findIndex((piece) => piece.item === item) + 1));
    else if (ask.kind === 'photo') await page.locator('input[type=file]').setInputFiles(PHOTO);
    else {
      const field = page.locator('aside form input').first();
      await field.focus();
      await field.fill(String(answer));
      await page.keyboard.press('Enter');
    }
  },
  async reading(page, torqueNm) {
    await page.getByLabel('Unit').selectOption('N·m');
    await page.getByLabel(/^Reading from/).fill(String(torqueNm));
    await page.keyboard.press('Enter');
  },
};

/** What the keypad calls what is no digit. */
const SIGNS: Readonly<Record<string, string>> = { '.': 'Decimal point', '-': 'Plus or minus' };

/** A finger on glass. */
export const TOUCH: Hands = {
  big: (page) => page.locator('.thumb-bar').tap(),
  async answer(page, ask, answer) {
    if (ask.kind === 'tick' || (ask.kind === 'oneOf' && ask.usual === answer)) await page.locator('.thumb-bar').tap();
    else if (ask.kind === 'oneOf')
      await page
        .locator('aside fieldset button')
        .nth(optionAt(ask, answer) - 1)
        .tap();
    else if (ask.kind === 'pieces')
      for (const item of answer as string[]) {
        const name = ask.among.find((piece) => piece.item === item)?.name ?? '';
        await page.locator('aside').getByRole('button', { name }).first().tap();
      }
    else if (ask.kind === 'photo') await page.locator('input[type=file]').setInputFiles(PHOTO);
    else if (ask.kind === 'number') {
      for (const digit of String(answer))
        await page.getByRole('button', { name: SIGNS[digit] ?? digit, exact: true }).tap();
      await page.locator('.thumb-bar').tap();
    } else {
      await page.locator('aside form input').first().fill(String(answer));
      await page.locator('.thumb-bar').tap();
    }
  },
  async reading(page, torqueNm) {
    await page.getByLabel('Unit').selectOption('N·m');
    await page.getByLabel(/^Reading from/).fill(String(torqueNm));
    await page.getByRole('button', { name: /Record/ }).tap();
  },
};

/** One thing at a station, as the screen asks it. */
async function station(page: Page, hands: Hands, job: JobLog, document: JobDocument, next: NextStep): Promise<void> {
  if (next.kind === 'compound') {
    // A locker of no named strength: the lead at work says which.
    const grade = page.getByRole('button', { name: /^Medium: / });
    if ((await grade.count()) > 0) {
      await grade.click();
      await page.getByLabel('Product, as it stands on the bottle').fill('Medium threadlocker');
      await page.getByRole('button', { name: 'This product' }).click();
      await expect(grade).toHaveCount(0);
    }
    // A bottle is picked once, and stays in the hand.
    const pick = page.getByRole('button', { name: /^Take it/ }).first();
    if ((await pick.count()) > 0) await pick.click();
  }
  if (next.kind === 'stage') {
    const spec = indexOf(job.plan).stations.get(next.station)?.spec;
    const stage = spec?.kind === 'procedure' ? spec.stages[next.stage] : undefined;
    if (stage?.do === 'tighten') await hands.reading(page, stage.torqueNm);
    else await hands.big(page);
    return;
  }
  // A joint without a figure is done by feel, with a name and a reason.
  if (next.kind === 'confirmStop' && indexOf(job.plan).stations.get(next.station)?.spec.kind === 'missing') {
    await hands.big(page);
    const sheet = page.getByRole('dialog');
    await sheet.getByRole('button', { name: /By feel$/ }).click();
    await sheet.getByLabel(/how it was judged/).fill('The sheet ends at a turn back; the bearing runs free.');
    await sheet.getByRole('button', { name: 'Done by feel, on the record' }).click();
    return;
  }
  if (next.kind !== 'pull') {
    await hands.big(page);
    return;
  }
  const { plan } = job;
  const found = indexOf(plan).stations.get(next.station);
  if (!found) throw new Error(`No station ${next.station}`);
  const band = pullBand(plan, found, next.pass);
  if (!band) throw new Error(`No band for ${next.station}`);
  const best = rankWrenches(document.wrenches, band, Date.now()).find(({ faults }) => faults.length === 0);
  if (best?.wrench.live) {
    await expect(page.getByRole('button', { name: /Pull to click/ })).toBeEnabled();
    await hands.big(page);
    if (asksOf(found.spec).includes('pinFits')) {
      await expect(page.getByText('Does the pin go through?')).toBeVisible();
      await page.getByRole('button', { name: 'Pin goes through' }).click();
      await page.getByRole('button', { name: 'A leg over the end' }).click();
    }
    return;
  }
  const bar = page.locator('.thumb-bar').first();
  // What clicks is set once, and clicks once a bolt; what shows an angle is read.
  if (/ set to /.test((await bar.textContent()) ?? '')) {
    await hands.big(page);
    await expect(bar).not.toContainText(' set to ');
  }
  if (/^Clicked at/.test((await bar.textContent()) ?? '')) await hands.big(page);
  else await hands.reading(page, Math.round(band.targetNm * 10) / 10);
  if (asksOf(found.spec).includes('pinFits')) {
    await hands.big(page);
    await hands.big(page);
  }
}

/** A wait that is over by the time it is begun: it began long enough ago. */
async function beganEarlier(page: Page, minutes: number): Promise<void> {
  const since = new Date(Date.now() - (minutes + 2) * 60_000);
  const two = (value: number) => String(value).padStart(2, '0');
  await page.getByLabel('It began earlier, at').fill(`${two(since.getHours())}:${two(since.getMinutes())}`);
  await page.getByRole('button', { name: 'Since then' }).click();
}

/** A clock that runs, let go by the lead at work, with a reason and their PIN. */
async function letBeOver(page: Page, pin: string): Promise<void> {
  await page.getByRole('button', { name: /^Let it be over/ }).click();
  await page.getByRole('button', { name: 'Allow it' }).click();
  await page.getByLabel('Reason, kept on the record').fill('The test cannot wait half an hour.');
  await page.getByRole('dialog').getByRole('button', { name: 'Allow it' }).click();
  await provePin(page, pin);
}

/** What a plain wrench shows: the rest of such a round may be typed through the API. */
const PLAIN_KINDS = new Set<string>(['torque', 'range', 'targetWithMaximum']);

/**
 * Whether the rest of a round over a pattern may go through the API: the first of it is done on the screen, and the others
 * are the same press again. Always so for the nuts of a wheel; for any pattern where rounds are kept short.
 */
function sameAgain(
  { plan }: JobLog,
  act: LineAct,
  next: NextStep | undefined,
  { shortRounds: short = false, wrenches }: { shortRounds?: boolean; wrenches: JobDocument['wrenches'] },
): boolean {
  const group = 'group' in act.action ? indexOf(plan).groups.get(act.action.group ?? '') : undefined;
  if (!group || !(group.again || short) || group.stations.length < 3 || !next || !('station' in next)) return false;
  const { kind } = next;
  if (kind !== 'start' && kind !== 'snug' && kind !== 'pull') return false;
  const station = indexOf(plan).stations.get(next.station);
  if (!station || !PLAIN_KINDS.has(station.spec.kind)) return false;
  const band = kind === 'pull' ? pullBand(plan, station, next.pass) : undefined;
  const typed = wrenches.filter(({ live }) => !live);
  if (band && !rankWrenches(typed, band, Date.now()).some(({ faults }) => faults.length === 0)) return false;
  const order = kind === 'pull' ? group.torqueOrder : kind === 'snug' ? group.snugOrder : group.startOrder;
  return next.station !== order[0];
}

/**
 * What a fitter sees and presses at an act, whatever it is done to: the kind of act with what it asks, or what a station
 * wants. Undefined for what is not the same twice: clocks, debts, what only a wrench with a line says.
 */
function shapeOf({ log, document }: Fetched, { act, untilMs }: NextOnLine): string | undefined {
  const { plan, state } = log;
  const kind = lineKind(act.action);
  const debt = debtTouched(act.action);
  if (untilMs !== undefined || kind.clock || debt || actGate(plan, state, act, {}, Date.now())) return undefined;
  if (!kind.byStations)
    return `${act.action.type} ${asksNow(plan, state, act, {})
      .map((ask) => ask.kind)
      .join(' ')}`;
  const step = jointNext(plan, state, act);
  const station = 'station' in step ? indexOf(plan).stations.get(step.station) : undefined;
  if (!station || !PLAIN_KINDS.has(station.spec.kind)) return undefined;
  const band = step.kind === 'pull' ? pullBand(plan, station, step.pass) : undefined;
  const typed = document.wrenches.filter(({ live }) => !live);
  if (band && !rankWrenches(typed, band, Date.now()).some(({ faults }) => faults.length === 0)) return undefined;
  return `${act.action.type} ${step.kind} ${station.spec.kind}`;
}

/** What is measured or looked at, and may be otherwise. */
const CHECKS = new Set<string>(['check', 'test', 'align', 'shim']);

export interface FitterOptions {
  hands?: Hands;
  /** PIN of the lead at work, where one is to let a clock go. */
  leadPin?: string;
  /** Another fitter works on the same job at the same time. */
  alongside?: boolean;
  /** Of each round over a pattern the first is done on the screen, the others through the API. */
  shortRounds?: boolean;
  /** What was done on the screen once already is done through the API when it comes again: the same press once more. */
  onceEach?: boolean;
  /** Every check is missed once before it is met. */
  missFirst?: boolean;
  /** Stops before the act that is next, where this holds. */
  until?: (log: JobLog, act: LineAct) => boolean;
}

/**
 * Works a job's line on the screen as a careful fitter would: what is next is asked of the same functions the screen asks,
 * and given with hands. Returns how many acts were done and how many times something was pressed or entered.
 */
export async function workOnScreen(
  page: Page,
  job: string,
  options: FitterOptions = {},
): Promise<{ acts: number; presses: number }> {
  const {
    hands = KEYBOARD,
    until,
    leadPin = '1357',
    alongside = false,
    missFirst = false,
    shortRounds = false,
    onceEach = false,
  } = options;
  const familiar = new Set<string>();
  const missed = new Set<string>();
  let acts = 0;
  let presses = 0;
  let behind = 0;
  // What the other fitter finishes first goes from the screen; nothing is waited for that long.
  if (alongside) page.setDefaultTimeout(2000);
  let now = await fetched(page, job);
  for (let left = 600; left > 0; left -= 1) {
    const { document, log, person } = now;
    const { plan, state } = log;
    const next = nextOnLine(plan, state, person.id, Date.now());
    if (!next || until?.(log, next.act)) return { acts, presses };
    const { act } = next;
    const kind = lineKind(act.action);
    const seq = document.events.length;
    if (
      kind.byStations &&
      sameAgain(log, act, jointNext(plan, state, act), { shortRounds, wrenches: document.wrenches })
    ) {
      const same = (job: JobLog): boolean => {
        const then = nextOnLine(job.plan, job.state, person.id, Date.now());
        return (
          then?.act.id === act.id &&
          sameAgain(job, then.act, jointNext(job.plan, job.state, then.act), {
            shortRounds,
            wrenches: document.wrenches,
          })
        );
      };
      await workLine(page, job, (worker) => same(worker.log)).catch((error: unknown) => {
        // The other fitter was at the same bolts: what is left is asked anew.
        if (!alongside) throw error;
      });
      now = await fetched(page, job, now);
      continue;
    }
    // What is missed first is done on the screen each time.
    const shape = missFirst && CHECKS.has(act.action.type) ? undefined : shapeOf(now, next);
    if (onceEach && shape !== undefined && familiar.has(shape)) {
      await workLine(page, job, ({ log }) => {
        const then = nextOnLine(log.plan, log.state, person.id, Date.now());
        const again =
          then && !(missFirst && CHECKS.has(then.act.action.type)) ? shapeOf({ ...now, log }, then) : undefined;
        return again !== undefined && familiar.has(again);
      }).catch((error: unknown) => {
        // The other fitter was at the same acts: what is left is asked anew.
        if (!alongside) throw error;
      });
      now = await fetched(page, job, now);
      continue;
    }
    if (shape !== undefined) familiar.add(shape);
    acts += 1;
    // The act stands on the screen by its name; another fitter on the same job may do it meanwhile.
    const step = kind.byStations ? jointNext(plan, state, act) : undefined;
    const title =
      step && 'station' in step
        ? `Station ${indexOf(plan).stations.get(step.station)?.label ?? ''}`
        : planActionText(plan, act.action);
    const heading = page.getByRole('heading', { name: title, exact: true });
    // A step that takes two waits for a word where all others have something in hand.
    const holds = page.getByRole('button', { name: 'Somebody holds: begin' });
    await heading
      .or(holds)
      .first()
      .waitFor({ timeout: 1500 })
      .catch(() => undefined);
    if (await holds.isVisible()) await holds.click();
    const here = await heading
      .first()
      .waitFor({ timeout: 1500 })
      .then(() => true)
      .catch(() => false);
    if (!here) {
      // What was pressed last reaches the server after a while on a slow machine; the screen is ahead until then.
      now = await fetched(page, job, now);
      behind = now.document.events.length > seq ? 0 : behind + 1;
      if (behind > 15 && !alongside) throw new Error(`The screen does not show “${title}”, which is next`);
      acts -= 1;
      continue;
    }
    behind = 0;
    const withHands = async () => {
      if (step) {
        const ride = page.getByRole('button', { name: 'At ride height', exact: true });
        if (step.kind === 'pull' && (await ride.count()) > 0) {
          const wanted = indexOf(plan).groups.get('group' in act.action ? (act.action.group ?? '') : '')?.rideHeight;
          for (const place of wanted?.places ?? [])
            await page.getByLabel(`${place}, mm`).fill(String(((wanted?.min ?? 500) + (wanted?.max ?? 500)) / 2));
          await ride.click();
          presses += 1;
          await expect(ride).toHaveCount(0);
          return;
        }
        const tyre = page.getByRole('button', { name: 'The tyre touches', exact: true });
        if (step.kind === 'pull' && (await tyre.count()) > 0) {
          await tyre.click();
          presses += 1;
          await expect(tyre).toHaveCount(0);
          return;
        }
        await station(page, hands, log, document, step);
        presses += 1;
      } else {
        const debt = debtTouched(act.action);
        const owed = debt && !debt.opens ? lineProgress(plan, state).debts.get(debt.id) : undefined;
        if (owed?.asks.includes('torque')) {
          await hands.big(page);
          await page.getByLabel('Torque with its unit').fill('70 lbf·ft');
          await page.getByLabel('Which manual and page').fill('Workshop manual, page 31');
          await page.getByRole('button', { name: 'Use this figure' }).click();
          presses += 2;
        } else if (actGate(plan, state, act, {}, Date.now())?.code === 'fluidMissing') {
          await hands.big(page);
          presses += 1;
        } else {
          const minutes = kind.clock?.(act.action).minutes;
          const running = clockOfAct(plan, state, act);
          if (next.untilMs !== undefined && minutes === undefined) {
            // What is on the threads has not set.
            await letBeOver(page, leadPin);
            presses += 1;
          } else if (minutes !== undefined && (!running || next.untilMs !== undefined)) {
            if (running) await letBeOver(page, leadPin);
            else await beganEarlier(page, minutes);
            presses += 1;
          } else {
            const misses = missFirst && CHECKS.has(act.action.type) && !missed.has(act.id);
            missed.add(act.id);
            const right = misses ? missedAnswers(plan, state, act) : rightAnswers(plan, state, act);
            const given: Record<string, Answer> = {};
            const open = (so: Answers): Ask | undefined =>
              asksNow(plan, state, act, so).find(({ key }) => so[key] === undefined);
            let ask = open(given);
            if (!ask) {
              await hands.big(page);
              presses += 1;
            }
            for (; ask; ask = open(given)) {
              const answer = right[ask.key] as Answer;
              await hands.answer(page, ask, answer);
              given[ask.key] = answer;
              presses += ask.kind === 'pieces' ? ask.order.length : 1;
              // The next question is on the screen before it is answered; one of the same words a frame later.
              await page.waitForTimeout(20);
              const following = open(given);
              if (following)
                await page
                  .locator('aside')
                  .getByText(askText(following), { exact: true })
                  .first()
                  .waitFor({ timeout: 2000 })
                  .catch(() => undefined);
            }
          }
        }
      }
    };
    const taken = page
      .waitForResponse((response) => response.url().endsWith(`/api/jobs/${job}/commands`), { timeout: 5000 })
      .then((response) => response.json() as Promise<CommandBatchAnswer>)
      .catch(() => undefined);
    try {
      await withHands();
    } catch (error) {
      // The other fitter did it while the hand was on its way.
      if (!alongside) throw error;
    }
    // What was given is on the server before the next is asked; the whole job is a long answer, asked for where it must be.
    const answer = await taken;
    const after = answer && !alongside ? answered(now, answer) : undefined;
    if (after) {
      now = after;
      continue;
    }
    await expect
      .poll(
        async () => {
          now = await fetched(page, job, now);
          return now.document.events.length;
        },
        { timeout: alongside ? 3000 : 30_000, intervals: [40, 80, 200] },
      )
      .toBeGreaterThan(seq)
      .catch((error: unknown) => {
        if (!alongside) throw error;
      });
  }
  throw new Error('The line leads nowhere');
}

/** Counts every line of the packing lists as the sheets say, through the API. */
export async function countAll(page: Page, job: string): Promise<void> {
  const { log } = await fetched(page, job);
  const counts = log.plan.items
    .filter(({ id }) => log.state.lines[id]?.count === undefined)
    .map(({ id, quantity, mark }) => ({ type: 'countLine', item: id, found: quantity, damaged: 0, read: mark }));
  await give(page, job, ...counts);
}

/** Counts what is left on the tray, as the close-out screen asks it. */
export async function countTray(page: Page): Promise<void> {
  const job = /jobs\/([^/]+)/.exec(page.url())?.[1] ?? '';
  const { log } = await fetched(page, job);
  for (const { item, onTray } of hardwareLedger(log.plan, log.state)) {
    if (onTray <= 0) continue;
    const field = page.getByLabel(`${item.line} ${item.name}, pieces on the tray`, { exact: true });
    await field.fill(String(onTray));
    await field.press('Enter');
  }
}
