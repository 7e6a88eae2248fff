import { describe, expect, it } from '@jest/globals';
import { BRAKE_HOSE_SHIELDS, FRONT_BALL_JOINTS, FRONT_BRAKE_HOSES } from '#demo/kits.ts';
import { MIRA, NOON, RAFE, WRENCHES } from '#demo/try-job.ts';
import { openLog } from '../job/job-log.ts';
import { nextOnLine } from '../job/line-next.ts';
import { OPENED_NOW } from '../kit/house-rules.ts';
import { lintKit } from '../kit/lint/lint.ts';
import { lineOf } from '../line/line.ts';
import { CarefulFitter } from '../rehearse/careful-fitter.ts';
import { kitPrefix, type VisitKit } from './visit.ts';

/** The demo's three kits for one front axle, as the demo opens them: the hoses for the left side alone. */
function frontAxle(bought = 'left'): CarefulFitter {
  const kits: VisitKit[] = [];
  for (const document of [FRONT_BRAKE_HOSES, FRONT_BALL_JOINTS, BRAKE_HOSE_SHIELDS])
    kits.push({ document, prefix: kitPrefix(kits, document.id) });
  const opened = openLog({
    kits,
    openedWith: kits.map(({ prefix }) => prefix),
    vehicle: { modelYear: 2022, drivenWheels: 'four', body: 'dual-cab', fitted: [] },
    answers: { bought },
    shop: OPENED_NOW,
  });
  if (!opened.ok) throw new Error(JSON.stringify(opened.error));
  return new CarefulFitter(opened.value, WRENCHES, MIRA, NOON);
}
const at = (worker: CarefulFitter, id: string) => worker.log.plan.steps.findIndex(({ covers }) => covers.includes(id));

describe('three kits on one front axle', () => {
  it('are sheets that the lint finds nothing wrong with', () => {
    for (const kit of [FRONT_BRAKE_HOSES, FRONT_BALL_JOINTS, BRAKE_HOSE_SHIELDS]) {
      // But that one of them sends to another sheet, which is told of every such sheet.
      const found = lintKit(kit).map(({ code }) => code);
      expect(found).toEqual(kit === BRAKE_HOSE_SHIELDS ? ['noFigure'] : []);
    }
  });
  it('open the shared caliper once, ask about the one contrary pair of each side both kits work, and of one hose alone', () => {
    const { log } = frontAxle();
    const { plan } = log;
    const removes = plan.steps.flatMap(({ actions }) => actions).filter(({ type }) => type === 'remove');
    const calipers = removes.filter((action) => 'removed' in action && /caliper-(left|right)$/.test(action.removed));
    expect(calipers).toHaveLength(2);
    expect(plan.conflicts.map(({ kind, place }) => `${kind}: ${place}`)).toHaveLength(1);
    expect(plan.conflicts[0]?.kind).toBe('contrary');
    expect(plan.stations.filter(({ kit }) => kit === 'front-brake-hoses').map(({ id }) => id)).toEqual([
      'banjo-left',
      'bracket-left',
    ]);
    expect(plan.items.find(({ id }) => id === 'copper')).toMatchObject({ quantity: 2, needed: 2 });
  });
  it('give the shield’s upper bolt the figure of the hose kit, where that kit has that side', () => {
    const shield = (bought: string, side: string) =>
      frontAxle(bought).log.plan.stations.find(({ id }) => id === `brake-hose-shields/u-${side}`);
    for (const side of ['left', 'right']) expect(shield('pair', side)?.printed).toBe('15 lbf·ft');
    expect(shield('left', 'right')?.printed).toBe('15 lbf·ft');
  });
  it('are worked to the signature, with a scored bore dressed and the hoses’ order chosen', () => {
    const worker = frontAxle();
    const [conflict] = worker.log.plan.conflicts;
    worker.give(
      {
        type: 'settleConflict',
        conflict: conflict?.id ?? '',
        choice: 'front-ball-joints',
        reason: 'the lead hides behind it',
      },
      RAFE,
    );
    expect(at(worker, 'front-ball-joints/lead-on-left')).toBeLessThan(at(worker, 'front-ball-joints/caliper-on-left'));
    worker.checkIn();
    for (let left = 200; left > 0; left -= 1) {
      const next = nextOnLine(worker.log.plan, worker.log.state, MIRA.id, worker.nowMs);
      if (!next || next.act.action.type === 'find') break;
      worker.onLine();
    }
    expect(at(worker, 'front-ball-joints/dress-left')).toBe(-1);
    const look = [...lineOf(worker.log.plan).actById.values()].find(({ action }) => action.type === 'find');
    worker.give({
      type: 'doAct',
      act: look?.id ?? '',
      answers: { 'at left bore': 'scored', 'at right bore': 'good' },
    });
    expect(at(worker, 'front-ball-joints/dress-left')).toBeGreaterThan(-1);
    expect(at(worker, 'front-ball-joints/dress-right')).toBe(-1);
    worker.finishLine();
    worker.closeOut();
    expect(worker.log.state.closed).toBeDefined();
  });
});
