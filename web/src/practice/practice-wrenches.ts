import { dayOf } from '#core/wrench/suitable-wrench.ts';
import type { Wrench } from '#core/wrench/wrench.ts';

const YEAR_MS = 365 * 86_400_000;

const RANGES = [
  { label: 'P-1', squareDrive: '3/8 in', lowestNm: 10, fullScaleNm: 60, divisionNm: 0.5 },
  { label: 'P-2', squareDrive: '1/4 in', lowestNm: 1, fullScaleNm: 25, divisionNm: 0.1 },
  { label: 'P-3', squareDrive: '1/2 in', lowestNm: 40, fullScaleNm: 340, divisionNm: 1 },
  { label: 'P-4', squareDrive: '3/4 in', lowestNm: 150, fullScaleNm: 1_000, divisionNm: 5 },
] as const;

/** Click wrenches that hang nowhere, for what a kit may ask. */
export const practiceWrenches = (nowMs: number): Wrench[] =>
  RANGES.map(({ label, ...range }) => ({
    id: `practice-${label.toLowerCase()}`,
    label,
    kind: 'click',
    scaleUnit: 'N·m',
    calibrationDueOn: dayOf(nowMs + YEAR_MS),
    live: false,
    ...range,
  }));
