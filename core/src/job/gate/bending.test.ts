import { describe, expect, it } from '@jest/globals';
import { FRONT_RECOVERY_POINTS } from '#demo/kits.ts';
import { HOB, ISA, MIRA, NOON, RAFE, refusal, tryCommand, WRENCHES } from '#demo/try-job.ts';
import { BENDABLE, BENDERS, type HouseRules } from '../../kit/house-rules.ts';
import type { KitDocument } from '../../kit/kit-document.ts';
import { livesHangOnIt } from '../../kit/lives-hang-on-it.ts';
import { deviations } from '../../record/deviations.ts';
import { CarefulFitter } from '../../rehearse/careful-fitter.ts';
import type { JobCommand } from '../acts.ts';
import { oneKit, openLog } from '../job-log.ts';
import { ROLES } from '../role.ts';
import { benderOf, mayBend, ruleBehind } from './bending.ts';

/** The recovery plate, counted in and started, in a shop with rules of its own. */
function under(rules: Partial<HouseRules>, kit: KitDocument = FRONT_RECOVERY_POINTS): CarefulFitter {
  const opened = openLog({
    ...oneKit(kit),
    vehicle: { modelYear: 2021, drivenWheels: 'four', body: 'dual-cab' },
    answers: { shield: false },
    shop: rules,
  });
  if (!opened.ok) throw new Error(opened.error.code);
  const worker = new CarefulFitter(opened.value, WRENCHES, MIRA, NOON);
  worker.checkIn();
  worker.startAll();
  return worker;
}

const lift = (code: string, station = 's1'): JobCommand => ({
  type: 'override',
  refusal: code,
  station,
  reason: 'seen by me',
});
const retagged = (tags: Array<'safetyCritical' | 'wheel'>): KitDocument => ({
  ...FRONT_RECOVERY_POINTS,
  stations: FRONT_RECOVERY_POINTS.stations.map((station) => ({ ...station, tags })),
});
const plain = retagged([]);

describe('who may let past', () => {
  it('a lead, unless the shop says otherwise; and nobody lets old locker stay', () => {
    for (const rule of BENDABLE) expect(benderOf({}, rule)).toBe(rule === 'residue' ? 'nobody' : 'lead');
    for (const bender of BENDERS) expect(benderOf({ bentBy: { power: bender } }, 'power')).toBe(bender);
  });
  it('the fitter means whoever answers for the work, and never where lives hang on the joint', () => {
    const rules = { bentBy: { order: 'fitter' } } as const;
    expect(ROLES.filter((role) => mayBend(rules, 'order', role))).toEqual(['fitter', 'lead']);
    expect(ROLES.filter((role) => mayBend(rules, 'order', role, { livesHangOnIt: true }))).toEqual(['lead']);
    expect(ROLES.filter((role) => mayBend({ bentBy: { order: 'nobody' } }, 'order', role))).toEqual([]);
    expect(livesHangOnIt({ tags: ['wheel'] })).toBe(true);
    expect(livesHangOnIt({ tags: ['changesGeometry'] })).toBe(false);
    expect(livesHangOnIt({})).toBe(false);
  });
  it('no rule stands behind what nobody lifts, nor behind a name of something else', () => {
    for (const code of ['overMaximum', 'wrenchOutOfRange', 'answerRefused', 'conflictOpen', 'toString', 'constructor'])
      for (const at of ['station', 'step'] as const) expect(ruleBehind(code, at)).toBeUndefined();
    expect(ruleBehind('clockRunning', 'station')).toBeUndefined();
    expect(ruleBehind('clockRunning', 'step')).toBe('compound');
  });
  it('a fitter lifts what the shop leaves to fitters, and is told the rule otherwise', () => {
    const theirs = under({ bentBy: { order: 'fitter' } }, plain);
    expect(refusal(theirs, lift('outOfOrder'))).toBe('accepted');
    expect(tryCommand(theirs, lift('compoundMissing'))).toMatchObject({
      refusal: { code: 'notYoursToBend', rule: 'compound', bender: 'lead' },
    });
    expect(refusal(under({ bentBy: { order: 'fitter' } }, retagged(['safetyCritical'])), lift('outOfOrder'))).toBe(
      'notYoursToBend',
    );
    // An apprentice and the counter answer for nothing.
    for (const by of [HOB, ISA]) expect(refusal(theirs, lift('outOfOrder'), by)).toBe('notPermitted');
  });
  it('what nobody lets past is not lifted by a lead either', () => {
    const strict = under({ bentBy: { order: 'nobody', waiver: 'nobody', steps: 'nobody' } });
    expect(refusal(strict, lift('outOfOrder'), RAFE)).toBe('notYoursToBend');
    const step = strict.log.plan.steps[0]?.id ?? '';
    expect(refusal(strict, { type: 'waiveStep', step, reason: 'not on this one' }, RAFE)).toBe('notYoursToBend');
    const choices = { type: 'overrideStep', refusal: 'choicesOpen', step, reason: 'x' } as const;
    expect(refusal(strict, choices, RAFE)).toBe('notYoursToBend');
    expect(refusal(under({}), choices, RAFE)).toBe('accepted');
    expect(refusal(under({}), choices)).toBe('notYoursToBend');
    expect(refusal(under({ bentBy: { steps: 'fitter' } }), choices)).toBe('accepted');
  });
});

describe('old locker on a thread', () => {
  const dirty: JobCommand = { type: 'applyCompound', station: 's1', cleaned: false };
  it('is cleaned off where the shop says nothing, whoever asks', () => {
    const worker = under({});
    expect(refusal(worker, dirty)).toBe('threadNotClean');
    expect(refusal(worker, lift('threadNotClean'), RAFE)).toBe('notYoursToBend');
  });
  it('stays where the shop lets somebody leave it, with a reason that stands on the record', () => {
    const worker = under({ bentBy: { residue: 'lead' } });
    expect(refusal(worker, dirty)).toBe('threadNotClean');
    worker.give({ ...lift('threadNotClean'), reason: 'Same locker, sound and thin' } as JobCommand, RAFE);
    worker.give(dirty);
    expect(worker.log.state.stations.get('s1')?.bead).toMatchObject({ cleaned: false });
    expect(deviations(worker.log.plan, worker.log.state)).toContainEqual(
      expect.objectContaining({ kind: 'override', refusal: 'threadNotClean', reason: 'Same locker, sound and thin' }),
    );
    // For that bolt alone.
    expect(refusal(worker, { ...dirty, station: 's7' })).toBe('threadNotClean');
  });
});

describe('a power tool that seats the head', () => {
  const snug = (rules: Partial<HouseRules>, powerTools: KitDocument['powerTools'], tool: 'power' | 'powerSeated') => {
    const worker = under(rules, { ...FRONT_RECOVERY_POINTS, powerTools });
    worker.give({ type: 'applyCompound', station: 's1', cleaned: true });
    return tryCommand(worker, { type: 'snug', station: 's1', tool });
  };
  it('is another thing than running down: only where the kit leaves it free and the shop does', () => {
    expect(snug({}, 'runDownOnly', 'power').ok).toBe(true);
    expect(snug({}, 'runDownOnly', 'powerSeated')).toMatchObject({ refusal: { code: 'driverSeats', says: 'kit' } });
    expect(snug({}, undefined, 'powerSeated')).toMatchObject({ refusal: { code: 'driverSeats', says: 'kit' } });
    expect(snug({}, 'free', 'powerSeated').ok).toBe(true);
    expect(snug({ powerSeats: false }, 'free', 'powerSeated')).toMatchObject({
      refusal: { code: 'driverSeats', says: 'shop' },
    });
    expect(snug({ powerSeats: false }, 'free', 'power').ok).toBe(true);
    expect(snug({}, 'never', 'powerSeated')).toMatchObject({ refusal: { code: 'powerToolForbidden' } });
  });
});
