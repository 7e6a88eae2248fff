import { stringify } from 'csv-stringify/sync';
import type { JobDocument } from '#contract/job.ts';
import { STANDS_WORDS } from '#contract/wording/en/record.ts';
import { roundTo } from '#core/quantity/rounding.ts';
import { fromBase } from '#core/quantity/unit.ts';
import { recordLines } from '#core/record/record-lines.ts';
import { replay } from './record-file.ts';

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
] as const;

/** Every pull as a line of RFC 4180 CSV, with a byte-order mark for spreadsheets and formulas escaped. */
export function recordCsv(job: JobDocument): string {
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
      ]),
    ),
  );
  return stringify([[...RECORD_COLUMNS], ...rows], { bom: true, record_delimiter: '\r\n', escape_formulas: true });
}
