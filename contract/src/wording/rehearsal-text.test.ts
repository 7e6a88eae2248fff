import { describe, expect, it } from '@jest/globals';
import { appendEvents, openLog } from '#core/job/job-log.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { type DeadEnd, rehearse } from '#core/rehearse/rehearsal.ts';
import { combinationsToPlay, rehearseAll } from '#core/rehearse/rehearse-all.ts';
import { DEMO_KITS, REAR_ANTI_ROLL_BAR, TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { deadEndFault, deadEndsTold, deadEndText, moveText, rehearsedLog } from './rehearsal-text.ts';

/** Words a person can read: no code, no hole. */
const reads = (text: string) => {
  expect(text).not.toMatch(/undefined|NaN|\[object|[{}]/);
  expect(text.trim().length).toBeGreaterThan(2);
};
const told = (kit: KitDocument) => deadEndsTold(kit, rehearseAll(kit));

describe('what a dry run says', () => {
  it('of every move of every demo kit can be read', () => {
    for (const kit of DEMO_KITS) {
      const [answers = {}] = combinationsToPlay(kit).play;
      const { setup, moves, events } = rehearse(kit, answers);
      const opened = openLog(setup);
      if (!opened.ok) throw new Error(opened.error.code);
      const log = appendEvents(opened.value, events);
      for (const move of moves) reads(moveText(log, move));
    }
  });
  it('of a pull names station and torque, and of what is left the line', () => {
    const { setup, moves } = rehearse(TRANSFER_CASE_GUARD, { drivenWheels: 'four' });
    const opened = openLog(setup);
    if (!opened.ok) throw new Error(opened.error.code);
    const log = opened.value;
    const said = moves.map((move) => moveText(log, move));
    expect(said).toContainEqual(expect.stringMatching(/^Station \d: pull to \d+(\.\d+)? N·m$/));
    expect(said).toContainEqual(expect.stringMatching(/^Left over: 2 × /));
    expect(said.at(-1)).toBe('Sign and close');
  });
  it('of a dead end names its place, its reason and the answers it needs', () => {
    const kit = structuredClone(REAR_ANTI_ROLL_BAR);
    const [station] = kit.stations;
    const [spec] = station?.specs ?? [];
    if (station && spec) station.specs = [{ ...spec, when: { question: 'bush', is: 'rubber' } }];
    const [end] = told(kit);
    if (!end) throw new Error('it plays');
    expect(end.at).toContain(`Station ${station?.label}`);
    expect(end.why).toBe('None of its figures is for this vehicle.');
    expect(end.answers.bush).toBe('polyurethane');
    expect(deadEndFault(kit, end).message).toMatch(/^Dead end at Station .*With .*olyurethane/);
  });
  it.each<DeadEnd>([
    { code: 'noPlan', error: { code: 'answersMissing', questions: [] } },
    { code: 'noPlan', error: { code: 'answerOutOfRange', question: 'drivenWheels', answer: 'six' } },
    { code: 'noPlan', error: { code: 'specMissing', station: 'g1' } },
    { code: 'refused', refusal: { code: 'pieceShort', item: 'm1', available: 0 }, station: 'g1' },
    { code: 'nothingNext', act: 'nowhere' },
    { code: 'nothingNext', act: 'nowhere', waits: { code: 'figureLater', station: 'g1' } },
    { code: 'circle', act: 'nowhere' },
    {
      code: 'doesNotClose',
      blocks: [
        { code: 'linesUncounted', items: ['m1'] },
        { code: 'stationsOpen', group: 'guard', stations: ['g1', 'g2'] },
        { code: 'piecesUnaccounted', item: 'm1', unaccounted: 1, onTray: 1 },
        { code: 'debtsOpen', debts: [] },
        { code: 'stepsOpen', steps: [] },
        { code: 'clocksRunning', clocks: ['c'] },
        { code: 'conflictsUnsettled', conflicts: ['c'] },
        { code: 'problemOpen', problem: 'p' },
        { code: 'toolsOut', tools: ['t'] },
      ],
    },
  ])('of the dead end $code can be read', (deadEnd) => {
    const log = rehearsedLog(rehearse(TRANSFER_CASE_GUARD, { drivenWheels: 'four' }));
    const { at, why } = deadEndText(TRANSFER_CASE_GUARD, deadEnd, log);
    reads(why);
    expect(at).not.toMatch(/undefined|NaN/);
  });
});
