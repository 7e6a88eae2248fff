import type { JobDocument } from '#contract/job.ts';
import { actLineText } from '#contract/wording/act-line-text.ts';
import { addendumText } from '#contract/wording/addendum-text.ts';
import { careText, careWaivedText } from '#contract/wording/care-text.ts';
import { deviationText } from '#contract/wording/deviation-text.ts';
import { deference } from '#contract/wording/en/hand-over.ts';
import { MAY_TEXT } from '#contract/wording/en/line.ts';
import { STANDS_WORDS } from '#contract/wording/en/record.ts';
import { BASIS_TEXT, COMPOUND_TEXT, END_TEXT, ROLE_TEXT, VERDICT_TEXT } from '#contract/wording/en/terms.ts';
import { jointNotes, pullShown } from '#contract/wording/joint-text.ts';
import { lookLineText } from '#contract/wording/look-text.ts';
import { baselineText, readText, wantedOf } from '#contract/wording/measured-text.ts';
import { pieceLineText } from '#contract/wording/piece-line-text.ts';
import { passShort, reasonsText } from '#contract/wording/plan-text.ts';
import { alignmentText } from '#contract/wording/raised-text.ts';
import { readingNote } from '#contract/wording/reading-text.ts';
import { midSentence, say } from '#contract/wording/say.ts';
import { shopMoment, shopTime } from '#contract/wording/shop-time.ts';
import { stepTitle } from '#contract/wording/step-text.ts';
import { careList } from '#core/job/care.ts';
import type { EventClock } from '#core/job/command-time.ts';
import { debtsOf } from '#core/job/debt.ts';
import { hardwareLedger } from '#core/job/hardware-ledger.ts';
import { ownPass } from '#core/kit/plan.ts';
import { written } from '#core/quantity/display.ts';
import { bothText } from '#core/quantity/show-both.ts';
import { recordDeviations } from '#core/record/clock-deviations.ts';
import { lookLines } from '#core/record/look-lines.ts';
import { baselineLines, checkLines } from '#core/record/measured-lines.ts';
import { pieceLines } from '#core/record/piece-lines.ts';
import { recordLines } from '#core/record/record-lines.ts';
import { hasLine, stepLines } from '#core/record/step-lines.ts';
import { BAD, INK_2, Sheet } from './pdf-sheet.ts';
import { replay } from './replay.ts';

/** Tells an instant by the clock of the shop. */
type When = (atMs: number) => string;

const odometerText = (job: JobDocument): string => {
  const km = job.odometerKm ?? job.vehicle.odometerKm;
  return km === undefined ? say('not read') : bothText(km, 'distance', 'metric');
};

/** An entry that came in this much later than it was made is said to have. */
const LATE_MS = 2 * 60_000;

const late = (clock: EventClock | undefined, brief: When): string => {
  if (!clock || clock.receivedMs - clock.deviceMs - clock.offsetMs < LATE_MS) return '';
  return say('received {brief}', { brief: brief(clock.receivedMs) });
};

/** For each device: how many entries, when they came in, and how far its clock was off the server's. */
function deviceTimes(job: JobDocument, when: When): string[] {
  const devices = new Map<string, EventClock[]>();
  for (const { event } of job.events)
    if (event.device && event.clock) devices.set(event.device, [...(devices.get(event.device) ?? []), event.clock]);
  const seconds = (ms: number) => `${written(ms / 1000, 1)} s`;
  return [...devices].map(([device, clocks]) => {
    const offsets = clocks.map(({ offsetMs, offsetAtReceiptMs }) => offsetAtReceiptMs ?? offsetMs);
    const received = clocks.map(({ receivedMs }) => receivedMs);
    return say(
      'Device {device}: {count} entries, received {when} to {when2}; its clock lacked {seconds} to {seconds2} to the server’s.',
      {
        device: device.slice(0, 8),
        count: clocks.length,
        when: when(Math.min(...received)),
        when2: when(Math.max(...received)),
        seconds: seconds(Math.min(...offsets)),
        seconds2: seconds(Math.max(...offsets)),
      },
    );
  });
}

/** The torque record as an A4 PDF: what was fitted, each pull, deviations, ledger, what to watch. */
export function recordPdf(job: JobDocument, shopKey?: string): Promise<Buffer> {
  const { plan, state } = replay(job);
  const { timeZone } = plan.rules;
  const when: When = (atMs) => shopTime(atMs, plan.rules);
  const brief: When = (atMs) => shopMoment(atMs, plan.rules);
  const last = job.events.at(-1);
  const closed = state.closed;
  const chain = last
    ? say('event {seq}, chain {hash}', { seq: last.seq, hash: last.hash.slice(0, 16) })
    : say('no events yet');
  const sheet = new Sheet(
    say('Torque record {number}', { number: job.number }),
    new Date(last?.event.atMs ?? job.plannedStartMs),
    say('{name} · job {number} · {chain}', { name: job.shop.name, number: job.number, chain }),
  );
  sheet.band(
    say('Torque record'),
    say('{name}, job {number}', { name: job.shop.name, number: job.number }),
    closed ? say('CLOSED') : say('NOT CLOSED: WORK IN PROGRESS'),
  );

  sheet.text(
    say('{make} {model}, {year}, plate {plate}', {
      make: job.vehicle.make,
      model: job.vehicle.model,
      year: String(job.vehicle.modelYear ?? say('year not known')),
      plate: job.vehicle.plate,
    }),
    { bold: true, size: 12 },
  );
  sheet.text(
    say('Owner: {owner}. Odometer {odometer}. Bay {bay}.', {
      owner: job.vehicle.owner,
      odometer: odometerText(job),
      bay: job.bay,
    }),
  );
  const { breaks, open } = job.integrity;
  if (breaks.length > 0)
    sheet.text(
      `${say('THIS RECORD WAS ALTERED outside of Wrenchman, at {places}.', {
        places: breaks
          .map((at) => (at === 0 ? say('what the job was opened with') : say('entry {at}', { at })))
          .join(', '),
      })}${open.length === 0 ? ` ${say('A lead has looked at it.')}` : ''}`,
      { color: BAD, bold: true },
    );
  for (const { name, person, heardAtMs, waiting } of job.unheard)
    sheet.text(
      say('MAY NOT BE COMPLETE: {name} of {person} was last heard {when} {state}.', {
        name,
        person,
        when: when(heardAtMs),
        state: waiting > 0 ? say('with {waiting} entries waiting', { waiting }) : say('with the job open'),
      }),
      { color: BAD },
    );
  for (const kit of plan.kits)
    sheet.text(
      say('{title}, {maker}, sheet revision {revision}.', {
        title: kit.title,
        maker: kit.maker,
        revision: kit.revision,
      }),
    );
  sheet.text(say('Times are by the shop’s clock, {zone}.', { zone: timeZone ?? 'UTC' }), { size: 8, color: INK_2 });
  for (const caution of plan.cautions.filter((entry) => entry.safetyCritical))
    sheet.text(caution.text, { color: BAD, bold: true });

  sheet.plate(say('What the answers decided'));
  const decided = plan.trace.filter((entry) => entry.because.length > 0 && entry.included);
  if (decided.length === 0) sheet.text(say('Nothing in this kit depended on an answer.'));
  for (const entry of decided)
    sheet.text(say('{name}, because {reasons}.', { name: entry.name, reasons: reasonsText(plan, entry.because) }));

  const clocks = new Map(job.events.map(({ event }) => [event.commandId, event.clock]));
  for (const { group, joints } of recordLines(plan, state)) {
    sheet.plate(group.title);
    const rows = joints.flatMap((joint) => {
      const { station, mark, fastener, treated, stop, looks, pulls } = joint;
      const name = `${station.name}${fastener?.thread ? `, ${fastener.thread}` : ''}${treated ? `, ${midSentence(COMPOUND_TEXT[treated.kind])}` : ''}${station.basis ? say(', figure for {basisText}', { basisText: BASIS_TEXT[station.basis] }) : ''}`;
      const notes = jointNotes(joint).map((note) => ({
        cells: ['', note, '', '', '', '', '', '', ''],
        bad: false,
        struck: false,
      }));
      if (pulls.length === 0) {
        const said = stop ? say('stop confirmed, {name}', { name: stop.by.name }) : mark;
        return [
          { cells: [station.label, name, station.printed, '', '', '', '', '', said], bad: mark === 'bad' },
          ...notes,
        ];
      }
      const atMark = looks.map((look) => ({
        cells: ['', '', '', say('2nd look'), '', '', '', say('mark'), `${look.by.name}, ${brief(look.atMs)}`],
        bad: false,
        struck: false,
      }));
      const pulled = pulls.map((line, index) => {
        const { pull, pass, stands, stroke } = line;
        const { aimed, pulled: figure, inOther } = pullShown(station, line);
        return {
          cells: [
            index === 0 ? station.label : '',
            index === 0 ? name : '',
            index === 0 ? station.printed : '',
            passShort(pass, ownPass(station, pull.pass)),
            aimed,
            figure,
            inOther,
            pull.wrench.label,
            [
              `${pull.by.name}, ${brief(pull.atMs)}`,
              late(clocks.get(pull.commandId), brief),
              readingNote(station.spec, pull),
              stroke ? say('a stroke of the turn') : pull.verdict === 'accepted' ? '' : VERDICT_TEXT[pull.verdict],
              STANDS_WORDS[stands].behind,
            ]
              .filter(Boolean)
              .join(', '),
          ],
          bad: pull.verdict !== 'accepted' && !stroke,
          struck: stands === 'takenBack',
        };
      });
      return [...pulled, ...atMark, ...notes];
    });
    sheet.table(
      [
        { title: say('No.'), width: 0.05, figures: true },
        { title: say('Joint'), width: 0.17 },
        { title: say('As printed'), width: 0.12 },
        { title: say('Pass'), width: 0.09 },
        { title: say('Aimed at'), width: 0.11, figures: true, align: 'right' },
        { title: say('Pulled'), width: 0.13, figures: true, align: 'right' },
        { title: say('that is'), width: 0.12, figures: true, align: 'right' },
        { title: say('Wrench'), width: 0.08, figures: true },
        { title: say('Who and when'), width: 0.13 },
      ],
      rows,
    );
  }

  if (hasLine(state)) {
    sheet.plate(say('The line, step by step'));
    for (const { step, acts, waived } of stepLines(plan, state)) {
      sheet.text(`${step.number}  ${stepTitle(plan, step.step)}`, { bold: true });
      for (const act of acts)
        sheet.text(`${actLineText(plan, act)} (${act.by.name}, ${brief(act.atMs)})`, act.met ? {} : { color: BAD });
      if (waived)
        sheet.text(say('LET GO by {name}: {reason}', { name: waived.by.name, reason: waived.reason }), { color: BAD });
    }
  }

  const looks = lookLines(plan, state);
  if (looks.length > 0) sheet.plate(say('Second look'));
  for (const line of looks) sheet.text(`${lookLineText(plan, line)} (${line.look.by.name}, ${when(line.look.atMs)})`);

  const pieces = pieceLines(plan, state);
  if (pieces.length > 0) sheet.plate(say('Pieces'));
  for (const line of pieces) sheet.text(`${pieceLineText(line)} (${line.by.name}, ${brief(line.atMs)})`);

  const addenda = state.visit.addenda ?? [];
  if (addenda.length > 0) {
    sheet.plate(say('Added after the close'));
    for (const addendum of addenda)
      sheet.text(`${when(addendum.atMs)}, ${addendum.by.name}: ${addendumText(plan, addendum)}`, { bold: true });
  }

  sheet.plate(say('Deviations'));
  const departures = recordDeviations(
    plan,
    state,
    job.events.map(({ event }) => event),
  );
  if (departures.length === 0) sheet.text(say('None.'));
  for (const deviation of departures)
    sheet.text(`${when(deviation.atMs)}, ${deviation.by.name}: ${deviationText(deviation, plan, plan)}`);

  const times = deviceTimes(job, when);
  if (times.length > 0) {
    sheet.plate(say('Clocks'));
    for (const line of times) sheet.text(line);
  }

  const debts = debtsOf(plan, state).filter((debt) => debt.opened !== undefined);
  if (debts.length > 0) {
    sheet.plate(say('What came off, and where it ended'));
    // A figure stands with the pull that reached it; jobs of before have only the word.
    const told = plan.rules.proof === 'told';
    for (const debt of debts) {
      const ends = [...new Set(debt.ends.map(({ end }) => END_TEXT[end]))].join(', ');
      const open = debt.count - debt.ended;
      sheet.text(
        `${debt.count > 1 ? `${debt.count} × ` : ''}${debt.name}: ${ends}${open > 0 ? `${ends ? ', ' : ''}${say('{open} NOT ACCOUNTED FOR', { open })}` : ''}${told && debt.printed && open === 0 ? `, ${debt.printed}` : ''}.`,
        open > 0 ? { color: BAD, bold: true } : {},
      );
    }
  }
  const baselines = baselineLines(plan, state);
  const checks = checkLines(plan, state);
  if (baselines.length + checks.length > 0) {
    sheet.plate(say('Measured'));
    for (const line of baselines) {
      const { before, after, change, missed } = baselineText(line);
      sheet.text(
        `${line.baseline.name}, ${line.place}: ${say('{before} before, {after} after', { before, after })}${change ? `; ${change}` : ''}.`,
        missed ? { color: BAD, bold: true } : {},
      );
    }
    for (const line of checks) {
      const wanted = wantedOf(line);
      sheet.text(
        `${line.text}${line.instrument ? say(', with {instrument}', { instrument: line.instrument }) : ''}: ${readText(line)}${wanted ? say('; wanted {wanted}', { wanted }) : ''}. ${line.by.name}, ${when(line.atMs)}.`,
        line.read.some(({ met }) => !met) ? { color: BAD, bold: true } : {},
      );
    }
  }

  sheet.plate(say('Hardware'));
  sheet.table(
    [
      { title: say('Line'), width: 0.08, figures: true },
      { title: say('What'), width: 0.36 },
      { title: say('Supplied'), width: 0.11, figures: true, align: 'right' },
      { title: say('Fitted'), width: 0.11, figures: true, align: 'right' },
      { title: say('Spare'), width: 0.11, figures: true, align: 'right' },
      { title: say('Scrapped'), width: 0.11, figures: true, align: 'right' },
      { title: say('Missing'), width: 0.12, figures: true, align: 'right' },
    ],
    hardwareLedger(plan, state).map((line) => ({
      cells: [
        line.item.line,
        line.item.name,
        ...[line.supplied, line.fitted, line.spare, line.scrapped, line.missing].map(String),
      ],
      bad: line.unaccounted < 0,
    })),
  );
  sheet.text(say('Spare pieces go to the owner with the vehicle.'), { color: INK_2 });

  sheet.plate(say('To watch and to come back for'));
  const due = careList(plan, state);
  if (due.length === 0) sheet.text(say('Nothing is due.'));
  for (const care of due) {
    const waived = careWaivedText(care);
    sheet.text(careText(care), { bold: care.from === 'raised' && !waived, ...(waived ? { color: INK_2 } : {}) });
    if (waived) sheet.text(waived);
  }
  const alignment = alignmentText(plan);
  if (alignment) sheet.text(alignment);

  const told = closed?.releases ?? [];
  if (told.length > 0) {
    sheet.plate(say('For the driver'));
    for (const { condition } of told) sheet.text(condition, { bold: true });
  }
  if (closed?.unfinished)
    sheet.text(
      say('NOT FINISHED: {reason} The vehicle may {may}.', {
        reason: closed.unfinished.reason,
        may: MAY_TEXT[closed.unfinished.may],
      }),
      {
        color: BAD,
        bold: true,
      },
    );

  sheet.plate(say('Signed'));
  sheet.text(
    closed
      ? `${say('{signature}, {when} (signed in as {name}, {role}).', {
          signature: closed.signature,
          when: when(closed.atMs),
          name: closed.by.name,
          role: midSentence(ROLE_TEXT[closed.by.role]),
        })}${closed.note ? ` ${closed.note}` : ''}`
      : say('Not signed: the job is not closed.'),
  );
  const signing = job.events.find(({ event }) => event.type === 'jobClosed')?.event;
  if (signing?.proof)
    sheet.text(
      signing.proof === 'pin'
        ? say('Signed with the PIN of {name}.', { name: signing.by.name })
        : say('Signed with the passkey of {name}.', { name: signing.by.name }),
    );
  if (last && shopKey)
    sheet.text(
      say('The shop’s key: {shopKey}. The record as JSON is checked with `npm run -s wm -- verify FILE`.', { shopKey }),
      {
        color: INK_2,
        size: 8,
      },
    );
  if (last)
    sheet.text(say('Chain of {seq} events, last hash {hash}', { seq: last.seq, hash: last.hash }), {
      color: INK_2,
      size: 8,
    });
  sheet.text(deference(), { color: INK_2, size: 8 });
  return sheet.finish();
}
