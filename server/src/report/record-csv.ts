import { stringify } from 'csv-stringify/sync';
import type { JobDocument } from '#contract/job.ts';
import type { RecordFile } from '#contract/record.ts';
import { actLineText } from '#contract/wording/act-line-text.ts';
import { addendumText } from '#contract/wording/addendum-text.ts';
import { careText, careWaivedText } from '#contract/wording/care-text.ts';
import { deviationText } from '#contract/wording/deviation-text.ts';
import { STANDS_WORDS } from '#contract/wording/en/record.ts';
import { jointNotes } from '#contract/wording/joint-text.ts';
import { lookLineText, lookTargetText } from '#contract/wording/look-text.ts';
import { baselineText, readText, wantedOf } from '#contract/wording/measured-text.ts';
import { pieceLineText } from '#contract/wording/piece-line-text.ts';
import { alignmentText } from '#contract/wording/raised-text.ts';
import { say } from '#contract/wording/say.ts';
import { stepTitle } from '#contract/wording/step-text.ts';
import { curveText } from '#contract/wording/trace-text.ts';
import { careList } from '#core/job/care.ts';
import type { When } from '#core/job/stamp.ts';
import { roundTo } from '#core/quantity/rounding.ts';
import { fromBase } from '#core/quantity/unit.ts';
import { recordDeviations } from '#core/record/clock-deviations.ts';
import { lookLines } from '#core/record/look-lines.ts';
import { baselineLines, checkLines } from '#core/record/measured-lines.ts';
import { pieceLines } from '#core/record/piece-lines.ts';
import { recordLines } from '#core/record/record-lines.ts';
import { stepLines } from '#core/record/step-lines.ts';
import { replay } from './replay.ts';

/** Columns of the record CSV, in order. docs/formats/record.md describes each. */
export const RECORD_COLUMNS = [
  'job',
  'group',
  'station',
  'name',
  'pass',
  'printed',
  'target_nm',
  'min_nm',
  'max_nm',
  'torque_nm',
  'torque_lbf_ft',
  'angle_deg',
  'verdict',
  'stands',
  'source',
  'wrench',
  'calibration_due',
  'fitter',
  'at_utc',
  'corrected_from_nm',
  'gradient_percent',
  'received_utc',
  'device_clock_utc',
  'clock_offset_s',
  'device',
  'record',
  'kind',
  'said',
  'wanted',
] as const;

/** The record laid out in lines: every pull, then all that is no pull; for the CSV and for the JSON alike. */
export function recordRows(job: JobDocument): Array<Array<string | number>> {
  const { plan, state } = replay(job);
  const events = new Map(job.events.map(({ event }) => [event.commandId, event]));
  const utc = (atMs: number) => new Date(atMs).toISOString();
  /** When a command came in, what its device's clock showed, how far that was off, and which device it was. */
  const origin = (command: string) => {
    const { clock, device = '' } = events.get(command) ?? {};
    return clock
      ? [
          utc(clock.receivedMs),
          utc(clock.deviceMs),
          roundTo((clock.offsetAtReceiptMs ?? clock.offsetMs) / 1000, 1),
          device,
        ]
      : ['', '', '', device];
  };
  const { breaks } = job.integrity;
  const whole = breaks.length === 0 ? 'whole' : `altered at ${breaks.join(' ')}`;
  const rows = recordLines(plan, state).flatMap(({ group, joints }) =>
    joints.flatMap(({ station, pulls }) =>
      pulls.map(({ pull, stands }) => [
        job.number,
        group.title,
        station.label,
        station.name,
        pull.pass + 1,
        station.printed,
        roundTo(pull.targetNm, 2),
        roundTo(pull.minNm, 2),
        pull.maxNm === undefined ? '' : roundTo(pull.maxNm, 2),
        roundTo(pull.torqueNm, 2),
        roundTo(fromBase(pull.torqueNm, 'lbf·ft'), 2),
        pull.angleDeg === undefined ? '' : roundTo(pull.angleDeg, 1),
        pull.verdict,
        STANDS_WORDS[stands].column,
        pull.source,
        pull.wrench.label,
        pull.wrench.calibrationDueOn,
        pull.by.name,
        new Date(pull.atMs).toISOString(),
        pull.corrections.map((correction) => roundTo(correction.from, 2)).join(' '),
        pull.gradientShare === undefined ? '' : roundTo(pull.gradientShare * 100, 0),
        ...origin(pull.commandId),
        whole,
        'pull',
        pull.curve ? curveText(pull.curve) : '',
        '',
      ]),
    ),
  );
  /** What is no pull: its name, who, when, and what it says. */
  const other = (kind: string, name: string, said: string, wanted = '', when?: When): string[] =>
    RECORD_COLUMNS.map((column) => {
      switch (column) {
        case 'job':
          return job.number;
        case 'name':
          return name;
        case 'fitter':
          return when?.by.name ?? '';
        case 'at_utc':
          return when ? utc(when.atMs) : '';
        case 'record':
          return whole;
        case 'kind':
          return kind;
        case 'said':
          return said;
        case 'wanted':
          return wanted;
        default:
          return '';
      }
    });
  const measured = [
    ...baselineLines(plan, state).map((line) => {
      const { before, after, change } = baselineText(line);
      const name = `${line.baseline.name}, ${line.place}`;
      return other(
        'measured',
        name,
        say('{before} before, {after} after', { before, after }),
        change,
        line.after ?? line.before,
      );
    }),
    ...checkLines(plan, state).map((line) => other('measured', line.text, readText(line), wantedOf(line), line)),
  ];
  const steps = stepLines(plan, state).flatMap(({ step, acts, waived }) => [
    ...acts.map((act) => other('step', stepTitle(plan, step.step), actLineText(plan, act), '', act)),
    ...(waived ? [other('waiver', stepTitle(plan, step.step), waived.reason, '', waived)] : []),
  ]);
  const departures = recordDeviations(
    plan,
    state,
    job.events.map(({ event }) => event),
  ).map((deviation) => other('deviation', '', deviationText(deviation, plan, plan), '', deviation));
  const joints = recordLines(plan, state).flatMap(({ joints: lines }) =>
    lines.flatMap((joint) =>
      jointNotes(joint).map((note) => other('joint', `${joint.station.label} ${joint.station.name}`, note)),
    ),
  );
  const looks = lookLines(plan, state).map((line) =>
    other('look', lookTargetText(plan, line.look.target), lookLineText(plan, line), '', line.look),
  );
  const addenda = (state.visit.addenda ?? []).map((addendum) =>
    other('addendum', '', addendumText(plan, addendum), '', addendum),
  );
  const aftercare = careList(plan, state).map((care) =>
    other('aftercare', '', [careText(care), careWaivedText(care)].filter(Boolean).join(' ')),
  );
  const alignment = alignmentText(plan);
  if (alignment) aftercare.push(other('aftercare', '', alignment));
  const photos = Object.entries(state.visit.photos).map(([id, photo]) => other('photo', id, photo.sha256, '', photo));
  const pieces = pieceLines(plan, state).map((line) => other('piece', '', pieceLineText(line), '', line));
  const all = [
    ...rows,
    ...joints,
    ...measured,
    ...steps,
    ...pieces,
    ...looks,
    ...departures,
    ...addenda,
    ...aftercare,
    ...photos,
  ];
  return all;
}

/** The lines as RFC 4180 CSV, with a byte-order mark for spreadsheets and formulas escaped. */
export const recordCsv = (job: JobDocument): string =>
  stringify([[...RECORD_COLUMNS], ...recordRows(job)], {
    bom: true,
    record_delimiter: '\r\n',
    escape_formulas: true,
  });

/** The same lines for the JSON, each with the names of its columns; what is empty is left out. */
export const recordLaidOut = (job: JobDocument): RecordFile['lines'] =>
  recordRows(job).map((row) =>
    Object.fromEntries(
      RECORD_COLUMNS.flatMap((column, at) => (row[at] === '' || row[at] === undefined ? [] : [[column, row[at]]])),
    ),
  );
