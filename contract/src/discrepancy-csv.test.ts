import { describe, expect, it } from '@jest/globals';
import { parse } from 'csv-parse/sync';
import { discrepancies } from '#core/job/discrepancies.ts';
import { CarefulFitter } from '#core/rehearse/careful-fitter.ts';
import { REAR_AIR_SPRINGS, TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { MIRA, NOON, openKit, WRENCHES } from '#demo/try-job.ts';
import { discrepancyCsv } from './discrepancy-csv.ts';

describe('what the maker is told', () => {
  it('is each line that does not agree with the sheet, read back by another program', () => {
    const kit = structuredClone(TRANSFER_CASE_GUARD);
    const [first, second] = kit.items;
    if (first) first.name = '=Bolt, "long"';
    const worker = new CarefulFitter(openKit(kit), WRENCHES, MIRA, NOON);
    worker.give({ type: 'countLine', item: first?.id ?? '', found: 4, damaged: 1 });
    worker.give({ type: 'countLine', item: second?.id ?? '', found: (second?.quantity ?? 0) + 3, damaged: 0 });
    const { plan, state } = worker.log;
    const rows = parse(discrepancyCsv(plan, discrepancies(plan, state)), { bom: true, columns: true });
    expect(rows).toHaveLength(2);
    expect(rows[0]).toMatchObject({
      kit: kit.title,
      maker: kit.maker,
      line: first?.line,
      // A spreadsheet must not run it.
      name: '\'=Bolt, "long"',
      found: '4',
      missing: String((first?.quantity ?? 0) - 4),
      damaged: '1',
    });
    expect(rows[1]).toMatchObject({ over: '3', missing: '0' });
  });
  it('is nothing of what is not in the box, and of what agrees', () => {
    const worker = new CarefulFitter(openKit(REAR_AIR_SPRINGS, { raised: false }), WRENCHES, MIRA, NOON);
    worker.checkIn();
    const ofVehicle = worker.log.plan.items.find(({ source }) => source === 'factory');
    worker.give({ type: 'countLine', item: ofVehicle?.id ?? '', found: 0, damaged: 0 });
    expect(discrepancies(worker.log.plan, worker.log.state)).toEqual([]);
  });
});
