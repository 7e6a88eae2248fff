import { describe, expect, it } from '@jest/globals';
import { TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { HOB, MIRA, NOON, openKit, plate, RAFE, refusal, type tryCommand, WRENCHES } from '#demo/try-job.ts';
import type { ShelfBottle } from '../../compound/shelf-bottle.ts';
import type { KitDocument } from '../../kit/kit-document.ts';
import { indexOf } from '../../kit/plan.ts';
import { deviations } from '../../record/deviations.ts';
import { recordLines } from '../../record/record-lines.ts';
import { CarefulFitter } from '../../rehearse/careful-fitter.ts';
import { basisClash } from '../figure-basis.ts';
import { takeCommand } from '../job-log.ts';
import { stationState } from '../job-state.ts';
import { nextStep, pullBand } from '../next-station.ts';
import type { Refusal } from '../refusal.ts';

const changed = (change: (kit: KitDocument) => void): KitDocument => {
  const kit = structuredClone(TRANSFER_CASE_GUARD);
  change(kit);
  return kit;
};
const workerOn = (kit: KitDocument, bottles?: ShelfBottle[]) =>
  new CarefulFitter(openKit(kit), WRENCHES, MIRA, NOON, { bottles });
const refused = (worker: CarefulFitter, command: Parameters<typeof tryCommand>[1], bottles?: ShelfBottle[]) => {
  const outcome = takeCommand(
    worker.log,
    WRENCHES,
    { id: 'try', atMs: worker.nowMs + 1000, by: MIRA, command },
    { bottles },
  );
  return outcome.ok ? undefined : outcome.refusal;
};
const dueOf = (worker: CarefulFitter) => {
  const { plan, state } = worker.log;
  return plan.groups.map(({ id }) => nextStep(plan, state, id)).find(({ kind }) => kind !== 'done');
};

describe('a procedure in stages', () => {
  const STAGES = [
    { do: 'tighten', torqueNm: 80 },
    { do: 'backOff', deg: 90 },
    { do: 'tighten', torqueNm: 50 },
  ] as const;
  const staged = () => {
    const worker = workerOn(
      changed((kit) => {
        for (const station of kit.stations)
          station.specs = [
            { spec: { kind: 'procedure', stages: [...STAGES] }, printed: '80 N·m; back off 90°; 50 N·m' },
          ];
      }),
    );
    worker.checkIn();
    worker.startAll();
    for (let due = dueOf(worker); due && due.kind !== 'stage'; due = dueOf(worker)) worker.step();
    const due = dueOf(worker);
    if (due?.kind !== 'stage') throw new Error('no stage');
    return { worker, station: due.station };
  };
  const stage = (station: string, at: number, torqueNm?: number, confirmed?: true) =>
    ({
      type: 'doStage',
      station,
      stage: at,
      torqueNm,
      wrench: torqueNm === undefined ? undefined : 'w-3',
      confirmed,
    }) as const;

  it('none is skipped, and the last pull waits for all', () => {
    const { worker, station } = staged();
    expect(refused(worker, stage(station, 1))).toEqual({ code: 'stageDue', station, stage: 1 });
    expect(refused(worker, { type: 'pull', station, torqueNm: 50, wrench: 'w-3', source: 'typed' })).toEqual({
      code: 'stageDue',
      station,
      stage: 1,
    });
    expect(refused(worker, stage(station, 0))).toEqual({ code: 'stageReading', station });
    expect(refused(worker, stage(station, 0, 60))).toMatchObject({ code: 'outsideBand', verdict: 'under' });
    worker.give(stage(station, 0, 80));
    expect(refused(worker, stage(station, 0, 80))).toEqual({ code: 'stageDue', station, stage: 2 });
    worker.give(stage(station, 1));
    expect(refused(worker, stage(station, 2, 50))).toEqual({ code: 'stageDone', station });
  });
  it('pulled short it is pulled again, too far it begins anew, and a loosening undoes all', () => {
    const { worker, station } = staged();
    worker.give(stage(station, 0, 60, true));
    expect(dueOf(worker)).toMatchObject({ stage: 0 });
    worker.give(stage(station, 0, 80));
    worker.give(stage(station, 1));
    worker.give({ type: 'loosen', station, to: 'started', reason: 'part moved' });
    worker.give({ type: 'snug', station, tool: 'hand' });
    expect(refused(worker, stage(station, 1))).toMatchObject({ code: 'stageDue', stage: 1 });
    worker.give(stage(station, 0, 120, true));
    expect(refused(worker, stage(station, 1))).toMatchObject({ code: 'stageDue', stage: 1 });
  });
  it('a careful fitter works it to the end, and each stage stands in the state', () => {
    const { worker, station } = staged();
    worker.finishTorque();
    expect(stationState(worker.log.state, station).stages?.map(({ stage: at }) => at)).toEqual([0, 1]);
    const joint = recordLines(worker.log.plan, worker.log.state)
      .flatMap(({ joints }) => joints)
      .find((line) => line.station.id === station);
    expect(joint?.stages).toHaveLength(2);
    expect(joint?.mark).toBe('atTorque');
  });
});

describe('the bottle', () => {
  const GOOD: ShelfBottle = {
    id: 'b-1',
    name: 'Medium locker',
    kind: 'threadlockerMedium',
    lot: '0411',
    lastDay: '2027-06-01',
  };
  const SHELF: ShelfBottle[] = [
    GOOD,
    { ...GOOD, id: 'b-2', lot: '0300', lastDay: '2025-01-01', fault: 'printed' },
    { ...GOOD, id: 'b-3', lot: '0301', fault: 'gelled' },
    { ...GOOD, id: 'b-4', name: 'Paste', kind: 'antiSeize' },
  ];
  const toBead = () => {
    const worker = plate();
    worker.checkIn();
    worker.startAll();
    const due = dueOf(worker);
    if (due?.kind !== 'compound') throw new Error('no bead is due');
    return { worker, station: due.station };
  };
  it.each<[string | undefined, Partial<Refusal>]>([
    [undefined, { code: 'bottleNotSaid' }],
    ['b-9', { code: 'unknownBottle' }],
    ['b-2', { code: 'bottleUnfit', because: 'printed' }],
    ['b-3', { code: 'bottleUnfit', because: 'gelled' }],
    ['b-4', { code: 'bottleWrongKind' }],
  ])('%s is refused', (bottle, refusal) => {
    const { worker, station } = toBead();
    const kind = indexOf(worker.log.plan).compounds.get(
      indexOf(worker.log.plan).stations.get(station)?.compound ?? '',
    )?.kind;
    const shelf = SHELF.map((entry) => (entry.kind === 'threadlockerMedium' && kind ? { ...entry, kind } : entry));
    expect(refused(worker, { type: 'applyCompound', station, cleaned: true, bottle }, shelf)).toMatchObject(refusal);
  });
  it('its lot stands on the record', () => {
    const { worker, station } = toBead();
    const kind = indexOf(worker.log.plan).compounds.get(
      indexOf(worker.log.plan).stations.get(station)?.compound ?? '',
    )?.kind;
    const outcome = takeCommand(
      worker.log,
      WRENCHES,
      {
        id: 'bead',
        atMs: worker.nowMs + 1000,
        by: MIRA,
        command: { type: 'applyCompound', station, cleaned: true, bottle: 'b-1' },
      },
      { bottles: [{ ...GOOD, kind: kind ?? 'threadlockerMedium' }] },
    );
    expect(outcome.ok && stationState(outcome.log.state, station).bead).toMatchObject({
      bottle: { id: 'b-1', name: 'Medium locker', lot: '0411' },
    });
  });
  it('a shop without any of the kind is not held up; a hole that is not clean is', () => {
    const { worker, station } = toBead();
    expect(refused(worker, { type: 'applyCompound', station, cleaned: true }, [])).toBeUndefined();
    expect(refused(worker, { type: 'applyCompound', station, cleaned: true, holeClean: false })).toMatchObject({
      code: 'holeNotClean',
    });
  });
});

describe('a locker of no named strength', () => {
  it('goes on nothing until a lead names the product; then it is that one', () => {
    const worker = workerOn(
      changed((kit) => {
        kit.compounds = [{ id: 'locker', name: 'Threadlocker', kind: 'threadlockerMedium', gradeUnknown: true }];
        for (const station of kit.stations) station.compound = 'locker';
      }),
    );
    worker.checkIn();
    worker.startAll();
    const due = dueOf(worker);
    if (due?.kind !== 'compound') throw new Error('no bead is due');
    const bead = { type: 'applyCompound', station: due.station, cleaned: true } as const;
    expect(refusal(worker, bead)).toBe('gradeUnknown');
    const name = { type: 'nameCompound', compound: 'locker', grade: 'threadlockerHigh', product: 'High 7' } as const;
    expect(refusal(worker, name, HOB)).toBe('notPermitted');
    expect(refusal(worker, { ...name, product: ' ' }, RAFE)).toBe('nameMissing');
    worker.give(name, RAFE);
    expect(indexOf(worker.log.plan).compounds.get('locker')).toMatchObject({
      kind: 'threadlockerHigh',
      name: 'High 7',
    });
    expect(refusal(worker, bead)).toBe('accepted');
  });
  it('one the sheet names is not named anew', () => {
    const worker = plate();
    const compound = worker.log.plan.compounds[0]?.id ?? '';
    expect(refusal(worker, { type: 'nameCompound', compound, grade: 'threadlockerHigh', product: 'x' }, RAFE)).toBe(
      'gradeKnown',
    );
  });
});

describe('what stays dry', () => {
  it('takes no compound, whatever its joint’s rule says', () => {
    const worker = workerOn(
      changed((kit) => {
        kit.compounds = [{ id: 'paste', name: 'Paste', kind: 'antiSeize' }];
        for (const station of kit.stations) Object.assign(station, { compound: 'paste', tags: ['frictionFace'] });
      }),
    );
    worker.checkIn();
    worker.startAll();
    const due = dueOf(worker);
    const station = due && 'station' in due ? due.station : '';
    expect(refusal(worker, { type: 'applyCompound', station, cleaned: true })).toBe('staysDry');
  });
});

describe('a compound the figure did not count on', () => {
  const clashing = () => {
    const worker = workerOn(
      changed((kit) => {
        kit.compounds = [{ id: 'paste', name: 'Paste', kind: 'antiSeize' }];
        for (const station of kit.stations) {
          station.compound = 'paste';
          station.specs = [{ spec: { kind: 'torque', targetNm: 20 }, printed: '20 N·m', basis: 'dry' }];
        }
      }),
    );
    worker.checkIn();
    worker.startAll();
    for (let due = dueOf(worker); due && due.kind !== 'pull'; due = dueOf(worker)) worker.step();
    const due = dueOf(worker);
    if (due?.kind !== 'pull') throw new Error('no pull');
    return { worker, station: due.station, pass: due.pass };
  };
  const choose = (station: string, over: object) =>
    ({
      type: 'settleBasis',
      station,
      use: 'sameLoad',
      factorFrom: 'friction',
      reason: 'salt on this road',
      ...over,
    }) as const;
  const pull = (station: string, torqueNm: number) =>
    ({ type: 'pull', station, torqueNm, wrench: 'w-3', source: 'typed' }) as const;

  it('is neither refused for good nor silent: a figure is chosen first, and both go on record', () => {
    const { worker, station, pass } = clashing();
    expect(refusal(worker, pull(station, 20))).toBe('basisOpen');
    const plan = worker.log.plan;
    const clash = basisClash(plan, indexOf(plan).stations.get(station) as never);
    // Dry at 0.16 against anti-seize at 0.10: about two thirds of the torque make the same load (table A5 of VDI 2230).
    expect(clash?.frictionFactor).toBeGreaterThan(0.6);
    expect(clash?.frictionFactor).toBeLessThan(0.8);
    worker.give(choose(station, {}) as never);
    const settled = indexOf(worker.log.plan).stations.get(station);
    const band = settled && pullBand(worker.log.plan, settled, pass);
    const planned = worker.log.plan.groups.find(({ id }) => id === settled?.groupId)?.passes[pass];
    const share = planned?.kind === 'tighten' ? planned.fraction : 1;
    expect(band?.targetNm).toBeCloseTo(20 * (clash?.frictionFactor ?? 0) * share, 6);
    expect(settled?.printed).toBe('20 N·m');
    expect(deviations(worker.log.plan, worker.log.state).map(({ kind }) => kind)).toContain('basisSettled');
  });
  it('by the product’s own factor, or as printed', () => {
    const { worker, station } = clashing();
    expect(refusal(worker, choose(station, { factorFrom: 'product' }) as never)).toBe('factorMissing');
    expect(refusal(worker, choose(station, { factorFrom: undefined }) as never)).toBe('factorMissing');
    expect(refusal(worker, choose(station, { factorFrom: 'product', factor: 0.2 }) as never)).toBe('factorImpossible');
    expect(refusal(worker, choose(station, { reason: ' ' }) as never)).toBe('reasonMissing');
    worker.give(choose(station, { use: 'asPrinted' }) as never);
    expect(indexOf(worker.log.plan).stations.get(station)?.spec).toMatchObject({ targetNm: 20 });
    expect(refusal(worker, choose(station, {}) as never)).toBe('basisAgrees');
  });
});

describe('after the close', () => {
  it('an addendum stands behind the record and changes nothing of it', () => {
    const worker = workerOn(TRANSFER_CASE_GUARD);
    worker.checkIn();
    worker.closeOut();
    const before = JSON.stringify([...worker.log.state.stations]);
    const found = { type: 'addAddendum', text: 'Bolt 3 loose', foundBy: 'the owner', redone: 'Pulled again' } as const;
    expect(refusal(worker, { ...found, text: '' })).toBe('reasonMissing');
    expect(refusal(worker, { ...found, foundBy: '' })).toBe('nameMissing');
    expect(refusal(worker, { ...found, station: 'ghost' })).toBe('unknownStation');
    expect(refusal(worker, { type: 'raiseProblem', text: 'Bolt 3 loose' })).toBe('jobClosed');
    worker.give(found);
    expect(worker.log.state.visit.addenda).toMatchObject([{ text: 'Bolt 3 loose', foundBy: 'the owner' }]);
    expect(JSON.stringify([...worker.log.state.stations])).toBe(before);
  });
});
