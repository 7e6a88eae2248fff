import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { anyActsKit } from '#demo/any-acts.ts';
import {
  DEMO_KITS,
  FRONT_BALL_JOINTS,
  FRONT_LIFT,
  REAR_ANTI_ROLL_BAR,
  TRACK_BAR_BRACE,
  TRANSFER_CASE_GUARD,
} from '#demo/kits.ts';
import { appendEvents, openLog } from '../job/job-log.ts';
import type { Condition } from '../kit/condition.ts';
import type { KitDocument } from '../kit/kit-document.ts';
import { kitFaults } from '../kit/kit-integrity.ts';
import { rehearse } from './rehearsal.ts';
import { combinationsToPlay, MOST_PLAYED, rehearseAll } from './rehearse-all.ts';

const changed = (kit: KitDocument, change: (kit: KitDocument) => void): KitDocument => {
  const copy = structuredClone(kit);
  change(copy);
  expect(kitFaults(copy)).toEqual([]);
  return copy;
};
const endsOf = (kit: KitDocument) => rehearseAll(kit).deadEnds;

describe('a kit played through', () => {
  it.each(DEMO_KITS.map((kit) => [kit.id, kit] as const))('%s reaches its signature on every vehicle', (_, kit) => {
    const { deadEnds, unseenSteps, unseenItems, played, of, longest, shortest } = rehearseAll(kit);
    expect(deadEnds).toEqual([]);
    expect([unseenSteps, unseenItems]).toEqual([[], []]);
    expect(played).toBe(of);
    expect(longest?.workMinutes).toBeGreaterThanOrEqual(shortest?.workMinutes ?? Number.NaN);
  });
  it('is a job like any other: its events lead to a closed one', () => {
    const { setup, events, moves } = rehearse(TRANSFER_CASE_GUARD, { drivenWheels: 'four' });
    const opened = openLog(setup);
    if (!opened.ok) throw new Error(opened.error.code);
    const { state } = appendEvents(opened.value, events);
    expect(state.closed?.signature).toBe('Dry run');
    expect(moves.at(-1)?.events).toBe(events.length);
  });
  it('says what is found and chosen as it was told beforehand', () => {
    const worn = rehearse(FRONT_BALL_JOINTS, { 'bore@left bore': 'scored', 'bore@right bore': 'good' });
    const sound = rehearse(FRONT_BALL_JOINTS, { 'bore@left bore': 'good', 'bore@right bore': 'good' });
    expect(worn.deadEnd).toBeUndefined();
    expect(worn.steps.length).toBeGreaterThan(sound.steps.length);
    expect(worn.workMinutes).toBeGreaterThan(sound.workMinutes);
  });
  it('has a lead name the locker whose strength the sheet does not say', () => {
    const kit = changed(FRONT_LIFT, ({ compounds }) => {
      for (const compound of compounds) if (compound.kind.startsWith('threadlocker')) compound.gradeUnknown = true;
    });
    const { deadEnds, productsNamed } = rehearseAll(kit);
    expect(deadEnds).toEqual([]);
    expect(productsNamed.length).toBeGreaterThan(0);
  });
  it('counts waiting apart from work', () => {
    const { waitMinutes, workMinutes } = rehearse(FRONT_LIFT, { modelYear: 2019 });
    expect(waitMinutes).toBeGreaterThan(0);
    expect(workMinutes).toBeGreaterThan(waitMinutes);
  });
  it('takes the sheet’s own minutes where it gives them', () => {
    const steps = (minutes: number) =>
      changed(TRANSFER_CASE_GUARD, (kit) => {
        for (const step of kit.steps) step.minutes = minutes;
      });
    const [ten, twenty] = [10, 20].map((minutes) => rehearse(steps(minutes), { drivenWheels: 'four' }));
    const written = TRANSFER_CASE_GUARD.steps.length;
    expect((twenty?.statedMinutes ?? 0) - (ten?.statedMinutes ?? 0)).toBe(10 * written);
  });
});

describe('a dead end', () => {
  it('is a figure that no answer gives, and names the vehicles it strands', () => {
    const kit = changed(REAR_ANTI_ROLL_BAR, ({ stations }) => {
      const [station] = stations;
      if (station) station.specs = [{ ...station.specs[0], when: { question: 'bush', is: 'rubber' } } as never];
    });
    const ends = endsOf(kit);
    expect(ends).toMatchObject([{ deadEnd: { code: 'noPlan', error: { code: 'specMissing' } } }]);
    expect(ends[0]?.answers.every(({ bush }) => bush === 'polyurethane')).toBe(true);
  });
  /** A check that holds the last joint, and is written behind it. */
  const lateCheck = (when?: Condition): KitDocument =>
    changed(TRACK_BAR_BRACE, (document) => {
      const gates = document.groups.slice(-1).map(({ id }) => id);
      document.questions.push({ id: 'raised', text: 'Is it raised?', kind: 'yesNo' });
      document.checks.push({ id: 'gap', text: 'Gap to the shaft', gates, unit: 'mm', min: 10, when });
      document.steps.push({
        id: 'late',
        text: 'Look at the gap',
        phase: 'prove',
        actions: [{ type: 'check', check: 'gap' }],
        when,
      });
    });
  it('is a check that holds a joint and is asked for only behind it', () => {
    expect(endsOf(lateCheck())).toMatchObject([{ deadEnd: { code: 'nothingNext', waits: { code: 'checkNotMet' } } }]);
  });
  it('is a kit that is short on some vehicles, found where the hand reaches for the piece', () => {
    const kit = changed(TRANSFER_CASE_GUARD, ({ items }) => {
      const bolt = items.find(({ kind }) => kind === 'bolt');
      if (bolt) bolt.quantities = [{ quantity: bolt.quantity - 1, when: { question: 'drivenWheels', is: 'four' } }];
    });
    expect(endsOf(kit)).toMatchObject([{ deadEnd: { code: 'refused', refusal: { code: 'pieceShort' } } }]);
  });
  it('only with one answer is told with that answer', () => {
    const ends = endsOf(lateCheck({ question: 'raised', is: true }));
    expect(ends).toHaveLength(1);
    expect(ends.flatMap(({ answers }) => answers).map(({ raised }) => raised)).toEqual([true]);
  });
});

describe('combinations', () => {
  it('that turn out the same way are played once', () => {
    const { play, of } = combinationsToPlay(REAR_ANTI_ROLL_BAR);
    expect(play.length).toBe(of);
    expect(new Set(play.map((one) => JSON.stringify(one))).size).toBe(play.length);
  });
  it('are sampled where there are too many, each answer at least once, and the same ones each time', () => {
    const many = changed(TRANSFER_CASE_GUARD, (kit) => {
      for (let index = 0; index < 14; index += 1) {
        kit.questions.push({ id: `q${index}`, text: `Is it ${index}?`, kind: 'yesNo' });
        kit.cautions.push({
          id: `mind${index}`,
          text: `Mind ${index}`,
          when: { question: `q${index}`, is: true },
        } as never);
      }
    });
    const { play, of } = combinationsToPlay(many);
    expect(of).toBeUndefined();
    expect(play).toHaveLength(MOST_PLAYED);
    for (let index = 0; index < 14; index += 1)
      expect(new Set(play.map((answers) => answers[`q${index}`]))).toEqual(new Set([true, false]));
    expect(combinationsToPlay(many)).toEqual({ play });
  });
  it('leave out vehicles the kit is not for', () => {
    const { play } = combinationsToPlay(TRANSFER_CASE_GUARD);
    expect(play.every(({ drivenWheels }) => drivenWheels === 'four')).toBe(true);
  });
});

it('any kit at all is played to its signature, or to an end that has a name', () => {
  fc.assert(
    fc.property(anyActsKit, (kit) => {
      const [answers = {}] = combinationsToPlay(kit).play;
      const { deadEnd, setup, events } = rehearse(kit, answers);
      if (deadEnd?.code === 'noPlan') return;
      const opened = openLog(setup);
      if (!opened.ok) throw new Error(opened.error.code);
      const { closed } = appendEvents(opened.value, events).state;
      // One or the other, never both and never neither.
      expect((deadEnd === undefined) === (closed !== undefined)).toBe(true);
    }),
    { numRuns: 60 },
  );
});
