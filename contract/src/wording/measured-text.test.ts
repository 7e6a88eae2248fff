import { describe, expect, it } from '@jest/globals';
import { nextOnLine } from '#core/job/line-next.ts';
import type { Check } from '#core/kit/kit-preparation.ts';
import { baselineLines, checkLines } from '#core/record/measured-lines.ts';
import { CarefulFitter } from '#core/rehearse/careful-fitter.ts';
import { kitOfActs, ONE_OF_EACH } from '#demo/any-acts.ts';
import { MIRA, openKit, WRENCHES } from '#demo/try-job.ts';
import { aftercareText } from './aftercare-text.ts';
import { changeText, claimText } from './change-text.ts';
import { baselineText, limitText, readText, wantedOf, wantedText } from './measured-text.ts';

const check = (more: Partial<Check>): Check => ({ id: 'c', text: 'Gap', unit: 'mm', ...more });

describe('a change cannot be read backwards', () => {
  it.each<[number, string]>([
    [-1.5, '1.5 mm lower than before'],
    [24, '24 mm higher than before'],
    [0, 'as before'],
  ])('%d', (by, text) => expect(changeText('rideHeight', by, 'mm')).toBe(text));
  it('nor what the kit claims, whichever sign its sheet thinks in', () => {
    expect(claimText('rideHeight', { min: 20, max: 28 }, 'mm')).toBe('20 to 28 mm higher');
    expect(claimText('rideHeight', { min: -28, max: -20 }, 'mm')).toBe('20 to 28 mm lower');
    expect(claimText('rideHeight', { min: -5, max: 15 }, 'mm')).toBe('5 mm lower to 15 mm higher');
    expect(claimText('camber', { min: -0.5, max: -0.5 }, '°')).toBe('0.5 ° towards minus');
    expect(claimText('length', { min: 0, max: 0 }, 'mm')).toBe('as before');
  });
});

describe('what a check wants', () => {
  it.each<[Partial<Check>, string | undefined]>([
    [{ min: 8, max: 15 }, '8 to 15 mm'],
    [{ target: 10, tolerance: 0.5 }, '9.5 to 10.5 mm'],
    [{ min: 10, spread: 3 }, 'at least 10 mm, apart at most 3 mm'],
    [{ spread: 4, symmetry: 'centred' }, 'centred within 4 mm'],
    [{ spread: 2, symmetry: 'level' }, 'level within 2 mm'],
    [{ max: 1, min: -1, travel: { from: 'down', to: 'up' } }, '-1 to 1 mm over the travel'],
    [{ sides: 5 }, 'left and right apart at most 5 mm'],
    [{}, undefined],
  ])('%j', (more, text) => expect(wantedText(check(more))).toBe(text));
  it('a limit alone', () => expect(limitText({}, 'mm')).toBeUndefined());
});

describe('when aftercare is due', () => {
  it('keeps distance, hours, days, event and that it comes again', () => {
    expect(
      aftercareText({ text: 'Wheel nuts again', afterKm: 80, afterHours: 3, event: 'first tow', repeats: true }),
    ).toBe('Wheel nuts again. Due after 80 km (49.7 mi), after 3 h or at the first tow, and again each time.');
    expect(aftercareText({ text: 'Look at the bush.', afterDays: 1 })).toBe('Look at the bush. Due after 1 day.');
    expect(aftercareText({ text: 'No winching' })).toBe('No winching.');
  });
});

describe('the record of what was measured', () => {
  const kit = kitOfActs([
    ONE_OF_EACH.measure,
    { type: 'check', check: 'gap' },
    { type: 'check', check: 'toe' },
    { type: 'do', text: 'Air line clear of the exhaust by at least 75 mm' },
  ]);
  kit.baselines = [
    { id: 'b1', name: 'Ride height', quantity: 'rideHeight', places: ['front left'], change: { min: 20, max: 28 } },
  ];
  kit.checks = [
    check({ id: 'gap', places: ['left', 'right'], min: 8, instrument: 'step gauge', miss: 'deviation' }),
    check({ id: 'toe', text: 'Toe', unit: '°', max: 0.3 }),
  ];
  const worker = new CarefulFitter(openKit(kit), WRENCHES, MIRA, Date.UTC(2026, 10, 25, 12));
  worker.checkIn();
  const next = () => nextOnLine(worker.log.plan, worker.log.state, MIRA.id, worker.nowMs)?.act;
  const say = (type: string, answers: Record<string, string | number | string[]>) => {
    worker.while(() => next()?.action.type !== type);
    worker.give({ type: 'doAct', act: next()?.id ?? '', answers });
  };
  say('measure', { 'at front left': 512 });
  say('check', { instrument: 'my step gauge', 'at left': 9, 'at right': 7 });
  say('check', { value: ['Orrin Alignment', '0.1°, sheet 41'] });
  worker.while(() => {
    const action = next()?.action;
    return action?.type !== 'do' || !action.text.includes('75');
  });
  worker.give({ type: 'doAct', act: next()?.id ?? '', answers: { value: 80 } });
  say('measureAgain', { 'at front left': 510.5 });
  const { plan, state } = worker.log;

  it('tells every reading with its place, unit and instrument, and what was wanted', () => {
    const lines = checkLines(plan, state).map((line) => [readText(line), wantedOf(line)]);
    expect(lines).toEqual([
      ['left 9 mm; right 7 mm (not met)', 'at least 8 mm'],
      ['measured elsewhere by Orrin Alignment: 0.1°, sheet 41', 'at most 0.3 °'],
      ['80 mm', 'at least 75 mm'],
    ]);
    expect(checkLines(plan, state)[0]).toMatchObject({ instrument: 'my step gauge', tries: 1 });
  });
  it('tells before and after in words', () =>
    expect(baselineLines(plan, state).map(baselineText)).toEqual([
      {
        before: '512 mm',
        after: '510.5 mm',
        change: '1.5 mm lower than before; the kit says 20 to 28 mm higher',
        missed: true,
      },
    ]));
});
