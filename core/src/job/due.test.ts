import { describe, expect, it } from '@jest/globals';
import { draftKit } from '../kit/draft/draft-kit.ts';
import type { Aftercare } from '../kit/kit-document.ts';
import { readSheet } from '../sheet/read-sheet.ts';
import type { Care } from './care.ts';
import { dueFrom } from './due.ts';

const DAY = 86_400_000;
const AT = { closedAtMs: 1000 * DAY, odometerKm: 50_000 };
const due = (when: Partial<Aftercare>) =>
  dueFrom({ from: 'sheet', key: 'a', entry: { id: 'a', text: 'Again.', ...when } } as unknown as Care, AT);

describe('when something falls due', () => {
  it.each([
    [{ afterDays: 14 }, 1014],
    [{ afterHours: 36 }, 1001.5],
    // Once a day, near enough (chosen by us).
    [{ afterHeatCycles: 3 }, 1003],
    // Whichever comes first.
    [{ afterDays: 14, afterHeatCycles: 3 }, 1003],
    [{ afterDays: 2, afterHeatCycles: 10 }, 1002],
  ])('%j counts from the signature', (when, day) => expect(due(when).atMs).toBe(day * DAY));
  it('by distance counts from the odometer of the visit, and by what happens from nothing', () => {
    expect(due({ afterKm: 80 })).toMatchObject({ atKm: 50_080 });
    expect(due({ event: 'first tow' })).not.toHaveProperty('atMs');
  });
});

describe('what a sheet says of later', () => {
  const aftercare = (line: string) => {
    const reading = readSheet(
      `Hook plates\n1. Bolt the plates on with two M12 bolts and torque to 90 Nm.\n\nAftercare\n${line}\n`,
    );
    return draftKit(reading, reading.facts, { id: 'hooks', title: 'Hook plates', maker: 'Lowmoor Fabrication' }).kit
      .aftercare;
  };
  it.each([
    ['Re-torque the clamps after 3 heat cycles.', { afterHeatCycles: 3 }],
    ['Check the bolts at every service.', { event: 'at every service' }],
  ])('%s', (line, when) => expect(aftercare(line)).toMatchObject([when]));
});
