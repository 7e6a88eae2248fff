import { addMonths } from '#core/quantity/add-months.ts';
import type { TorqueUnit } from '#core/quantity/unit.ts';
import { day, measure, oneOf, readings, torque, whole, yesNo } from '../cell.ts';
import { type BookTable, type Cells, type Column, needed, text } from './column.ts';

const UNIT_NAMES: Record<TorqueUnit, string[]> = {
  N·m: ['Nm'],
  lbf·ft: ['ft-lb', 'lb-ft', 'ft lb'],
  lbf·in: ['in-lb', 'lb-in'],
  kgf·m: ['kgm', 'mkg'],
  kgf·cm: ['kgcm'],
};

const COLUMNS: readonly Column[] = [
  needed(text('label', 'Label on the handle', 'W-3', 40, ['name', 'id', 'tool id', 'wrench', 'tag'])),
  {
    field: 'kind',
    label: 'Kind',
    also: ['type'],
    read: oneOf({ click: ['click type', 'trigger'], digital: ['electronic'], beam: ['dial', 'deflecting beam'] }),
    example: 'click',
  },
  {
    field: 'squareDrive',
    label: 'Square drive',
    also: ['drive', 'square', 'drive size'],
    needed: true,
    read: oneOf({
      '1/4 in': ['1/4', '1/4"', '6.3 mm', '6,3'],
      '3/8 in': ['3/8', '3/8"', '10 mm', '9.5 mm'],
      '1/2 in': ['1/2', '1/2"', '12.5 mm', '12,5'],
      '3/4 in': ['3/4', '3/4"', '20 mm'],
      '1 in': ['1', '1"', '25 mm'],
    }),
    example: '1/2 in',
  },
  {
    field: 'fullScale',
    label: 'Top of the scale',
    also: ['max', 'maximum', 'full scale', 'fullscalenm', 'range to', 'capacity', 'max torque'],
    needed: true,
    read: torque(0.5, 5000),
    example: '200 N·m or 150 ft-lb',
  },
  {
    field: 'lowest',
    label: 'Lowest it allows',
    also: ['min', 'minimum', 'lowestnm', 'range from', 'min torque'],
    read: torque(0, 5000),
    example: '40',
  },
  {
    field: 'scaleUnit',
    label: 'Unit of the scale',
    also: ['unit', 'units'],
    read: oneOf(UNIT_NAMES),
    example: 'N·m',
  },
  {
    field: 'division',
    label: 'One mark of the scale',
    also: ['divisionnm', 'division', 'graduation', 'resolution'],
    read: torque(0.001, 100),
    example: '1',
  },
  {
    field: 'lengthMm',
    label: 'Length to the grip',
    also: ['length', 'length mm'],
    read: measure('mm', 50, 3000),
    example: '480 mm',
  },
  text('serial', 'Serial', '', 40, ['serial number', 'serial no']),
  {
    field: 'intervalMonths',
    label: 'Months between calibrations',
    also: ['interval', 'interval months'],
    read: whole(1, 60),
    example: '12',
  },
  {
    field: 'calibrationDueOn',
    label: 'Calibration due',
    also: ['due', 'due date', 'next calibration', 'valid until', 'calibration due on'],
    read: day,
    example: '2027-04-03',
  },
  {
    field: 'calibratedOn',
    label: 'Last calibrated',
    also: ['calibrated', 'calibration date', 'last calibration'],
    read: day,
    example: '2026-04-03',
  },
  text('certificate', 'Certificate', 'HV-2214', 120, ['certificate number', 'cert', 'cert no']),
  {
    field: 'readings',
    label: 'Readings of the calibration, N·m',
    also: ['calibration readings'],
    read: readings,
    example: '40: 40.2 39.9 40.1 40.0 40.3; 120: …; 200: …',
  },
  { field: 'live', label: 'Sends its readings', also: ['wireless', 'connected'], read: yesNo, example: 'no' },
];

type Torque = { nm: number; unit?: TorqueUnit } | undefined;

/** Torques in N·m, the scale's unit, and the calibration that two columns and a date make. */
function finish({ fullScale, lowest, division, calibratedOn, certificate, readings: read, ...rest }: Cells): Cells {
  const top = fullScale as Torque;
  const interval = (rest.intervalMonths as number | undefined) ?? 12;
  const on = calibratedOn as string | undefined;
  return {
    kind: 'click',
    live: false,
    scaleUnit: top?.unit ?? 'N·m',
    ...rest,
    intervalMonths: interval,
    ...(top ? { fullScaleNm: top.nm } : {}),
    ...(lowest ? { lowestNm: (lowest as { nm: number }).nm } : {}),
    ...(division ? { divisionNm: (division as { nm: number }).nm } : {}),
    ...(rest.calibrationDueOn === undefined && on ? { calibrationDueOn: addMonths(on, interval) } : {}),
    ...(read || certificate
      ? { calibration: { ...(on ? { on } : {}), ...(certificate ? { certificate } : {}), readings: read ?? [] } }
      : {}),
  };
}

/** Torque wrenches, with their last calibration where its readings come along. */
export const WRENCH_TABLE: BookTable = { columns: COLUMNS, finish: finish };
